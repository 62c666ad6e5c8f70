"use client";
import Link from "next/link";
import { useState } from "react";
import type { RunEvent, RunState } from "@/core/session/floorRun";
import { actAfter } from "@/core/session/stopReasons";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { ClientEpisode } from "@/server/clients";
import type { StoredPlan } from "@/server/plans";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { scoreDeeds } from "@/ui/keys/scoreDeeds";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { HoldBars } from "./HoldBars";

/** After the last hold: joint pain now, felt effort of the hardest hold, done. */
export function Closing({
  client,
  plan,
  state,
  painMax,
  onFinish,
  onUndo,
}: {
  client: ClientEpisode;
  plan: StoredPlan;
  state: RunState;
  painMax: number;
  onFinish: (event: RunEvent) => void;
  onUndo: () => void;
}) {
  const [pain, setPain] = useState<number | null>(null);
  const [felt, setFelt] = useState<number | null>(null);
  const needsFelt = state.holds.length > 0;
  const isComplete = pain !== null && (!needsFelt || felt !== null);
  const finish = () => {
    if (pain !== null && isComplete)
      onFinish({ type: "finish", painAtEnd: pain, feltEffort: felt, at: Date.now() });
  };
  const score = (n: number) => (pain === null || !needsFelt ? setPain(n) : setFelt(n));
  if (state.phase === "finished")
    return (
      <section className="px-8 py-8">
        <h2 className="text-3xl">Done. Nothing more to enter today.</h2>
        <p className="mt-3 max-w-[56ch] text-[20px]">
          {state.stopped ? `The holds ended early: ${lowerFirst(state.stopped)}. ` : ""}
          {actAfter(state.stopped)} Tomorrow morning ask how the knee was; then the decision for the next
          session is drafted.
        </p>
        <div className="mt-6">
          <HoldBars pattern={plan.plan.pattern} state={state} />
        </div>
        <p className="mt-8 flex gap-4">
          <Link href="/" className="btn btn-primary btn-lg">
            Back to Today
          </Link>
          <Link href={`/clients/${client.clientId}/morning`} className="btn btn-lg border-rule bg-base-100">
            Next morning
          </Link>
        </p>
      </section>
    );
  return (
    <section className="px-8 py-4">
      {state.stopped ? (
        <p className="border-l-4 border-mark pl-4 text-[20px]">
          <b>The holds end here</b> because of this: {lowerFirst(state.stopped)}. {actAfter(state.stopped)}{" "}
          You can undo a slip, or close the session.
        </p>
      ) : (
        <h2 className="text-2xl">All holds are done</h2>
      )}
      <div className="mt-3">
        <HoldBars pattern={plan.plan.pattern} state={state} />
      </div>
      <div className="mt-5 grid max-w-[900px] gap-5">
        <ScoreKeys label="Joint pain now" value={pain} onPick={setPain} limit={painMax} size="floor" />
        {needsFelt && (
          <ScoreKeys
            label="Felt effort at the hardest hold (10 is all there was)"
            value={felt}
            onPick={setFelt}
            size="floor"
          />
        )}
      </div>
      <div className="mt-6 flex items-center gap-6 text-[17px]">
        <button type="button" className="btn btn-primary btn-lg" onClick={finish} disabled={!isComplete}>
          Close the session <kbd>enter</kbd>
        </button>
        <button type="button" className="cursor-pointer" onClick={onUndo}>
          undo <kbd>U</kbd>
        </button>
        <KeysHelp
          deeds={[
            ...scoreDeeds(pain === null ? "joint pain" : "felt effort", score),
            { key: "Enter", label: "enter", words: "close the session", run: finish },
            { key: "u", words: "undo the last entry", run: onUndo },
          ]}
        />
      </div>
    </section>
  );
}
