"use client";
import { useState } from "react";
import { type RecheckAsk, signSaid } from "@/core/visit/signs/recheckAsk";
import { type RecheckSign, recheckDoes } from "@/core/visit/signs/recheckSigns";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { useSay } from "@/ui/reader";

/** The list as it is asked; when the screening was, on the clinic's clock. */
export interface RecheckShown extends Omit<RecheckAsk, "screenedAt"> {
  screenedAt: string | null;
}

/**
 * Warning signs before the first set: none, or which. Any yes closes the floor until a therapist clears it. Right after a
 * whole screening only one question is asked: whether anything is new since.
 */
export function RecheckGate({
  ask,
  onAnswer,
  problem,
  isBusy,
}: {
  ask: RecheckShown;
  onAnswer: (signs: RecheckSign[]) => void;
  problem: string | null;
  isBusy: boolean;
}) {
  const say = useSay();
  const asked = ask.signs;
  const [signs, setSigns] = useState<RecheckSign[]>([]);
  const [isOpen, setOpen] = useState(ask.screenedAt === null);
  const toggle = (sign: RecheckSign) =>
    setSigns((all) => (all.includes(sign) ? all.filter((s) => s !== sign) : [...all, sign]));
  return (
    <section className="max-w-[900px] px-4 py-4 lg:px-8 lg:py-6">
      <h2 className="text-2xl">
        {ask.screenedAt !== null
          ? `Screened at ${ask.screenedAt}: anything new since then?`
          : ask.isFirst
            ? "Before the first set: anything of this?"
            : "Before the first set: anything of this since last time?"}
      </h2>
      <p className="quiet mt-1 text-lg">Unsure counts as yes.</p>
      <ul className="mt-4 grid gap-2" hidden={!isOpen}>
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
                {say(signSaid(sign, ask))}
                {signs.includes(sign) && (
                  <span className="block text-[17px] text-accent">
                    then: {recheckDoes(sign) ?? "tell the therapist"}
                  </span>
                )}
              </span>
              <kbd className="ml-auto">{i + 1}</kbd>
            </label>
          </li>
        ))}
      </ul>
      <Problem sentence={problem} />
      <div className="mt-5 flex flex-wrap items-center gap-4">
        {signs.length === 0 ? (
          <button
            type="button"
            className="btn btn-primary btn-lg"
            disabled={isBusy}
            onClick={() => onAnswer([])}
          >
            {isOpen ? "None of these" : "Nothing new"} <kbd>N</kbd>
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
        {!isOpen && (
          <button
            type="button"
            className="btn btn-line btn-lg"
            disabled={isBusy}
            onClick={() => setOpen(true)}
          >
            Something is new
          </button>
        )}
        <KeysHelp
          deeds={[
            {
              key: "n",
              words: isOpen ? "none of these" : "nothing new",
              run: () => signs.length === 0 && !isBusy && onAnswer([]),
            },
            ...(isOpen ? asked : []).map((sign, i) => ({
              key: String(i + 1),
              words: say(signSaid(sign, ask)),
              run: () => !isBusy && toggle(sign),
            })),
          ]}
        />
      </div>
    </section>
  );
}
