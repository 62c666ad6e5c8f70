"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { AWAY, type Away, losesFaster, type Return } from "@/core/schedule/daysOff";
import type { DaysOff } from "@/server/decide/returns";
import { Problem } from "@/ui/form/Problem";
import { useSendOnce } from "@/ui/useSendOnce";

const WORDS: Record<Return, string> = {
  same: "go on as it is",
  step_back: "one step back, every line",
  start_again: "start again from a test",
};

const AWAY_WORDS: Record<Away, string> = {
  busy: "work or family",
  travel: "a journey",
  ill: "an illness",
  bed: "days in bed",
  brace: "a brace or crutches",
  sore: "the joint itself",
  other: "something else",
};

/** After days without work: what is proposed, and what is made of it. */
export function DaysOffBox({
  clientId,
  off,
  mayDecide,
}: {
  clientId: string;
  off: DaysOff;
  mayDecide: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [chosen, setChosen] = useState<Return>(off.proposed);
  const [reason, setReason] = useState("");
  const [because, setBecause] = useState<Away>("busy");
  const [bedDays, setBedDays] = useState("");
  const isLost = losesFaster(because);
  const [problem, setProblem] = useState<string | null>(null);
  if (off.proposed === "same") return null;
  if (off.chosen)
    return (
      <p className="border-l-4 border-rule pl-3">
        After {off.days} days off: {WORDS[off.chosen.what]}, chosen by {off.chosen.by}.
      </p>
    );
  const keep = async () => {
    const sent = await sendOnce(
      `/api/clients/${clientId}/returns`,
      (id) => ({
        id,
        visitId: off.visitId,
        proposed: off.proposed,
        chosen,
        reason: chosen === off.proposed ? null : reason,
        because,
        bedDays: isLost ? Number(bedDays) : 0,
      }),
      "It is kept how work begins again.",
    );
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "Nothing was kept.");
    router.refresh();
  };
  return (
    <section className="border-l-4 border-mark pl-3">
      <p>
        <b>{off.days} days without work.</b> Proposed: {WORDS[off.proposed]}.
      </p>
      {mayDecide && (
        <div className="small mt-1 flex flex-wrap items-center gap-2">
          <label className="flex items-center gap-1">
            away because of
            <select
              className="select select-sm w-[190px]"
              value={because}
              onChange={(e) => setBecause(AWAY.find((a) => a === e.target.value) ?? "other")}
            >
              {AWAY.map((a) => (
                <option key={a} value={a}>
                  {AWAY_WORDS[a]}
                </option>
              ))}
            </select>
          </label>
          {isLost && (
            <label className="flex items-center gap-1">
              for
              <input
                className="input input-sm w-[64px] border-rule bg-base-100 text-right"
                type="number"
                min={0}
                max={off.days}
                value={bedDays}
                onChange={(e) => setBedDays(e.target.value)}
              />
              of the days: strength is lost faster then
            </label>
          )}
          <select
            className="select select-sm w-[220px]"
            aria-label="What is done after the days off"
            value={chosen}
            onChange={(e) => setChosen(e.target.value as Return)}
          >
            {(Object.keys(WORDS) as Return[]).map((r) => (
              <option key={r} value={r}>
                {WORDS[r]}
                {r === off.proposed ? ", as proposed" : ""}
              </option>
            ))}
          </select>
          {chosen !== off.proposed && (
            <input
              className="input input-sm w-[260px] border-rule bg-base-100"
              aria-label="Why otherwise"
              placeholder="because"
              maxLength={300}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          )}
          <button type="button" className="btn btn-sm btn-line" onClick={keep}>
            Keep it so
          </button>
          <Problem sentence={problem} />
        </div>
      )}
    </section>
  );
}
