"use client";
import { useState } from "react";
import { type RecheckSign, recheckDoes } from "@/core/visit/recheckSigns";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";

/** Warning signs before the first set: none, or which. Any yes closes the floor until a therapist clears it. */
export function RecheckGate({
  asked,
  onAnswer,
  problem,
  isBusy,
}: {
  asked: readonly RecheckSign[];
  onAnswer: (signs: RecheckSign[]) => void;
  problem: string | null;
  isBusy: boolean;
}) {
  const [signs, setSigns] = useState<RecheckSign[]>([]);
  const toggle = (sign: RecheckSign) =>
    setSigns((all) => (all.includes(sign) ? all.filter((s) => s !== sign) : [...all, sign]));
  return (
    <section className="max-w-[900px] px-8 py-6">
      <h2 className="text-2xl">Before the first set: anything of this since last time?</h2>
      <p className="quiet mt-1 text-lg">Unsure counts as yes.</p>
      <ul className="mt-4 grid gap-2">
        {asked.map((sign, i) => (
          <li key={sign}>
            <label className="flex cursor-pointer items-center gap-3 border-b border-rule py-2 text-[20px]">
              <input
                type="checkbox"
                className="checkbox checkbox-primary"
                checked={signs.includes(sign)}
                disabled={isBusy}
                onChange={() => toggle(sign)}
              />
              <span>
                {sign}
                {signs.includes(sign) && (
                  <span className="block text-[17px] text-accent">then: {recheckDoes(sign)}</span>
                )}
              </span>
              <kbd className="ml-auto">{i + 1}</kbd>
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
            ...asked.map((sign, i) => ({
              key: String(i + 1),
              words: sign,
              run: () => !isBusy && toggle(sign),
            })),
          ]}
        />
      </div>
    </section>
  );
}
