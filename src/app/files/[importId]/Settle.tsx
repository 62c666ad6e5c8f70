"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { StoredImport } from "@/server/exchange/imports";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

/** Confirming a draft, throwing it away, or taking a confirmed file back: each says what it does. */
export function Settle({
  importId,
  state,
  isWrong,
  mayConfirm,
  mayDrop,
  sentence,
}: {
  importId: string;
  state: StoredImport["state"];
  isWrong: boolean;
  mayConfirm: boolean;
  mayDrop: boolean;
  sentence: string;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [isAsking, setAsking] = useState(false);
  const go = async (deed: "confirm" | "undo") => {
    setBusy(true);
    const sent = await send(`/api/imports/${importId}/${deed}`, deed === "undo" ? { seen: state } : {});
    setBusy(false);
    setAsking(false);
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    setProblem(null);
    router.refresh();
  };
  if (state === "undone" || state === "thrown_away") return null;
  return (
    <div className="mt-6">
      <Problem sentence={problem} />
      <p className="mt-2 flex flex-wrap items-center gap-3">
        {state === "draft" && !isWrong && mayConfirm && (
          <button
            type="button"
            className="btn btn-primary"
            disabled={isBusy}
            onClick={() => void go("confirm")}
          >
            {isBusy ? "Writing it …" : "I have looked at what it means: put it in force"}
          </button>
        )}
        {state === "draft" && !isWrong && !mayConfirm && <span>{sentence}</span>}
        {mayDrop &&
          (isAsking ? (
            <>
              <button
                type="button"
                className="btn btn-line"
                disabled={isBusy}
                onClick={() => void go("undo")}
              >
                {state === "confirmed" ? "Yes, take all of it back" : "Yes, throw it away"}
              </button>
              <button type="button" className="btn btn-ghost" onClick={() => setAsking(false)}>
                Keep it
              </button>
            </>
          ) : (
            <button type="button" className="btn btn-line" onClick={() => setAsking(true)}>
              {state === "confirmed"
                ? "Take back all that it brought"
                : state === "draft"
                  ? "Throw the draft away"
                  : "Throw away what is here"}
            </button>
          ))}
      </p>
    </div>
  );
}
