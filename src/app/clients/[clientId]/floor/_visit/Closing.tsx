"use client";
import { useState } from "react";
import type { Marker } from "@/core/story/markers";
import { lowerFirst } from "@/core/units/lowerFirst";
import { fromKept } from "@/core/units/said";
import type { VisitState } from "@/core/visit/run";
import { actAfter, stopSaid } from "@/core/visit/signs/stopReasons";
import type { VisitEvent } from "@/core/visit/visitEvent";
import type { ClientEpisode } from "@/server/client/clients";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { scoreDeeds } from "@/ui/keys/scoreDeeds";
import { Link } from "@/ui/Link";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { Said } from "@/ui/reader";
import { sayPlainly } from "@/words/say";
import { SetBars } from "./SetBars";
import { FeelKeys, type feelAsked } from "./told/FeelKeys";
import { MarkerKeys } from "./told/MarkerKeys";

/** After the last set: joint pain now, what was done, done. */
export function Closing({
  client,
  state,
  firstSide,
  painMax,
  markers,
  feel,
  happen,
  onFinish,
  onUndo,
  onSwapEnded,
}: {
  client: ClientEpisode;
  state: VisitState;
  firstSide: "left" | "right";
  painMax: number;
  /** movements that bring it on */
  markers: readonly Marker[];
  /** what is still to be asked of the last line */
  feel: ReturnType<typeof feelAsked>;
  happen: (event: VisitEvent) => void;
  onFinish: (event: VisitEvent) => void;
  onUndo: () => void;
  /** another exercise for a line that pain ended; null where nothing was ended, or all was stopped */
  onSwapEnded: (() => void) | null;
}) {
  const [pain, setPain] = useState<number | null>(null);
  const [effort, setEffort] = useState<number | null>(null);
  const finish = () => {
    if (pain !== null) onFinish({ type: "finish", painAtEnd: pain, effort, at: Date.now() });
  };
  const lines = state.lines.filter((l) => state.done.some((d) => d.task.lineId === l.lineId));
  const summary = (
    <ul className="mt-4 grid gap-3">
      {lines.map((l) => (
        <li key={l.lineId}>
          <p className="text-[20px]">
            <b>{l.name}</b>
            {state.ended[l.lineId] && (
              <span className="quiet">
                {" "}
                · ended: <Said>{fromKept(state.ended[l.lineId] ?? "")}</Said>
              </span>
            )}
          </p>
          <SetBars state={state} lineId={l.lineId} firstSide={firstSide} />
        </li>
      ))}
    </ul>
  );
  if (state.phase === "finished")
    return (
      <section className="px-8 py-6">
        <h2 className="text-3xl">Done. Nothing more to enter today.</h2>
        <p className="mt-2 max-w-[56ch] text-[20px]">
          {state.stopped ? `It ended early: ${lowerFirst(sayPlainly(stopSaid(state.stopped)))}. ` : ""}
          {actAfter(state.stopped)} Tomorrow morning ask how the knee was; then what comes next is drafted,
          line by line.
        </p>
        {summary}
        <p className="mt-6 flex flex-wrap gap-4">
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
          <b>The visit ends here</b> because of this: {lowerFirst(sayPlainly(stopSaid(state.stopped)))}.{" "}
          {actAfter(state.stopped)} You can undo a slip, or close the visit.
        </p>
      ) : (
        <h2 className="text-2xl">Everything is done</h2>
      )}
      {summary}
      <div className="mt-5 grid max-w-[900px] gap-3">
        {feel && <FeelKeys asked={feel} happen={happen} />}
        <MarkerKeys markers={markers} scores={state.markers} when="after" happen={happen} />
        <ScoreKeys label="Joint pain now" value={pain} onPick={setPain} limit={painMax} size="floor" />
        <ScoreKeys
          label="How hard was the whole visit, if it is said"
          value={effort}
          onPick={(n) => setEffort(n === effort ? null : n)}
          size="floor"
        />
      </div>
      <div className="mt-6 flex flex-wrap items-center gap-6 text-[17px]">
        <button type="button" className="btn btn-primary btn-lg" onClick={finish} disabled={pain === null}>
          Close the visit <kbd>enter</kbd>
        </button>
        <button type="button" className="btn btn-lg border-rule bg-base-100" onClick={onUndo}>
          undo <kbd>U</kbd>
        </button>
        {onSwapEnded && (
          <button type="button" className="btn btn-lg border-rule bg-base-100" onClick={onSwapEnded}>
            swap what was ended
          </button>
        )}
        <KeysHelp
          deeds={[
            ...scoreDeeds("joint pain", setPain),
            { key: "Enter", label: "enter", words: "close the visit", run: finish },
            { key: "u", words: "undo the last entry", run: onUndo },
          ]}
        />
      </div>
    </section>
  );
}
