"use client";
import { useState } from "react";
import { RECHECK_SIGNS } from "@/core/session/sessionInput";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";

type Sign = (typeof RECHECK_SIGNS)[number];

/** Warning signs before the first hold: none, or which. Any yes closes the floor until a therapist clears it. */
export function RecheckGate({
  onAnswer,
  problem,
  isBusy,
}: {
  onAnswer: (signs: Sign[]) => void;
  problem: string | null;
  isBusy: boolean;
}) {
  const [signs, setSigns] = useState<Sign[]>([]);
  const toggle = (sign: Sign) =>
    setSigns((all) => (all.includes(sign) ? all.filter((s) => s !== sign) : [...all, sign]));
  return (
    <section className="max-w-[760px] px-8 py-6">
      <h2 className="text-2xl">Before the first hold: anything of this since last time?</h2>
      <p className="quiet mt-1 text-lg">Unsure counts as yes.</p>
      <ul className="mt-4 grid gap-2">
        {RECHECK_SIGNS.map((sign, i) => (
          <li key={sign}>
            <label className="flex cursor-pointer items-center gap-3 border-b border-rule py-2 text-[20px]">
              <input
                type="checkbox"
                className="checkbox checkbox-primary"
                checked={signs.includes(sign)}
                onChange={() => toggle(sign)}
              />
              {sign} <kbd className="ml-auto">{i + 1}</kbd>
            </label>
          </li>
        ))}
      </ul>
      <Problem sentence={problem} />
      <div className="mt-5 flex items-center gap-4">
        {signs.length === 0 ? (
          <button
            type="button"
            className="btn btn-primary btn-lg"
            disabled={isBusy}
            onClick={() => onAnswer([])}
          >
            None of these <kbd>N</kbd>
          </button>
        ) : (
          <button
            type="button"
            className="btn btn-accent btn-lg"
            disabled={isBusy}
            onClick={() => onAnswer(signs)}
          >
            Stop here, tell the therapist
          </button>
        )}
        <KeysHelp
          deeds={[
            { key: "n", words: "none of these", run: () => signs.length === 0 && !isBusy && onAnswer([]) },
            ...RECHECK_SIGNS.map((sign, i) => ({ key: String(i + 1), words: sign, run: () => toggle(sign) })),
          ]}
        />
      </div>
    </section>
  );
}
