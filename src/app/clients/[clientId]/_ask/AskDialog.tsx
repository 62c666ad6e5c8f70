"use client";
import { type Ref, useRef, useState } from "react";
import type { RequestKind } from "@/core/requests/requestInput";
import { Dialog } from "@/ui/Dialog";
import { Problem } from "@/ui/form/Problem";
import { useSendOnce } from "@/ui/useSendOnce";
import { REQUEST_KINDS } from "@/words/en/requests";

const KINDS = Object.entries(REQUEST_KINDS) as [RequestKind, string][];

/** Asks a therapist for what is beyond a trainer's scope; it stands on the therapist's Today. */
export function AskDialog({
  ref,
  clientId,
  about,
  onAsked,
}: {
  ref: Ref<HTMLDialogElement>;
  clientId: string;
  /** the sheet and line that it is about, where it is about one */
  about: { sheetId: string | null; lineId: string | null; name: string | null };
  onAsked: () => void;
}) {
  const [kind, setKind] = useState<RequestKind | null>(null);
  const [words, setWords] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const sendOnce = useSendOnce();
  const form = useRef<HTMLFormElement>(null);
  const ask = async () => {
    if (kind === null) return setProblem("Choose what is asked for.");
    const sent = await sendOnce(`/api/clients/${clientId}/requests`, (id) => ({
      id,
      kind,
      sheetId: about.sheetId,
      lineId: about.lineId,
      words,
    }));
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "It was not sent.");
    setKind(null);
    setWords("");
    setProblem(null);
    form.current?.closest("dialog")?.close();
    onAsked();
  };
  return (
    <Dialog ref={ref} label="Ask a therapist">
      <form
        ref={form}
        className="grid gap-3 text-[17px]"
        onSubmit={(e) => {
          e.preventDefault();
          void ask();
        }}
      >
        <fieldset>
          <legend className="mb-1 text-[20px] font-bold">
            Ask a therapist{about.name ? `: ${about.name}` : ""}
          </legend>
          <div className="grid gap-1.5">
            {KINDS.map(([k, w]) => (
              <label key={k} className="flex min-h-[44px] cursor-pointer items-center gap-3">
                <input
                  type="radio"
                  name="kind"
                  className="radio radio-primary"
                  checked={kind === k}
                  onChange={() => setKind(k)}
                />
                {w}
              </label>
            ))}
          </div>
        </fieldset>
        <label className="grid gap-1">
          Why, in a few words
          <textarea
            className="textarea w-full border-rule bg-base-200 text-[17px]"
            maxLength={500}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </label>
        <Problem sentence={problem} />
        <p className="flex gap-3">
          <button type="submit" className="btn btn-primary">
            Ask
          </button>
          <button
            type="button"
            className="btn btn-line"
            onClick={() => form.current?.closest("dialog")?.close()}
          >
            Not now
          </button>
        </p>
      </form>
    </Dialog>
  );
}
