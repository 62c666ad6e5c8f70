"use client";
import { useMemo, useRef, useState } from "react";
import { DEED_SENTENCES } from "@/core/safety/roles";
import type { RunPlan } from "@/core/session/floorRun";
import type { HoldRecord } from "@/core/session/holdRecord";
import type { RecheckSign } from "@/core/session/recheckSigns";
import type { MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/clients";
import type { StoredPlan } from "@/server/plans";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { scoreDeeds } from "@/ui/keys/scoreDeeds";
import { Closing } from "./Closing";
import { FloorHeader } from "./FloorHeader";
import { HoldBars } from "./HoldBars";
import { HoldEntry } from "./HoldEntry";
import { HoldStage } from "./HoldStage";
import { RecheckGate } from "./RecheckGate";
import { StopDialog } from "./StopDialog";
import { useHold } from "./useHold";
import { useRun } from "./useRun";
import { useStart } from "./useStart";

export interface FloorLaneProps {
  client: ClientEpisode;
  plan: StoredPlan;
  /** a session that is already under way, with what the clinic has of it */
  open: { id: string; records: HoldRecord[] } | null;
  painMax: number;
  window: { fromDeg: number; toDeg: number };
  machine: { name: string; setUp: string; padDistanceM: number };
  card: string | null;
  massUnit: MassUnit;
  mayRun: boolean;
  /** the warning signs asked before the first hold */
  recheck: readonly RecheckSign[];
}

/** One lane of the floor: warning signs, then hold after hold with one giant number, pain before and after, rest. */
export function FloorLane(props: FloorLaneProps) {
  const { client, plan, painMax } = props;
  const runPlan: RunPlan = useMemo(() => ({ ...plan.plan.pattern, painMax }), [plan.plan.pattern, painMax]);
  const run = useRun(runPlan, props.open);
  const { answer, problem, isBusy } = useStart(client.clientId, plan.id, run.begin);
  const isClosing = run.state.phase === "closing" || run.state.phase === "finished";
  return (
    <main data-theme="gym" className="flex min-h-dvh flex-col bg-base-200 text-base-content">
      <FloorHeader {...props} waiting={run.outbox.waiting} />
      <Problem sentence={run.notice ?? run.outbox.refused} />
      {!props.mayRun ? (
        <p className="px-8 py-6 text-xl">{DEED_SENTENCES["session.run"]}</p>
      ) : !run.sessionId ? (
        <RecheckGate asked={props.recheck} onAnswer={answer} problem={problem} isBusy={isBusy} />
      ) : isClosing ? (
        <Closing
          client={client}
          plan={plan}
          state={run.state}
          painMax={painMax}
          onFinish={run.happen}
          onUndo={run.undo}
        />
      ) : (
        <HoldLane {...props} run={run} />
      )}
    </main>
  );
}

/** The holds themselves, driven by keys or by touch. */
function HoldLane({
  client,
  plan,
  painMax,
  window,
  machine,
  run,
}: FloorLaneProps & { run: ReturnType<typeof useRun> }) {
  const { state } = run;
  const [usesCell, setUsesCell] = useState(true);
  const [beats, setBeats] = useState(true);
  const stopDialog = useRef<HTMLDialogElement>(null);
  const timer = useHold(state, plan.plan.pattern.holdS, run.happen, {
    beats,
    cellQuery: usesCell
      ? {
          client: client.clientId,
          side: plan.plan.side,
          angle: plan.plan.kneeFlexionDeg,
          lever: machine.padDistanceM,
          aim: plan.shinForceN.toFixed(1),
          seconds: plan.plan.pattern.holdS,
        }
      : null,
  });
  const isHolding = state.phase === "holding";
  const mayStop = state.phase === "pain-before" || state.phase === "ready";
  const score = (n: number) => {
    if (timer.isEarly) return;
    const at = Date.now();
    if (state.phase === "pain-after")
      run.happen({ type: "pain-after", score: n, at, recordId: crypto.randomUUID() });
    else run.happen({ type: "pain-before", score: n, at });
  };
  const space = () => (isHolding ? timer.stopEarly() : timer.start());
  const stop = () => mayStop && stopDialog.current?.showModal();
  const flipCell = () => setUsesCell((on) => !on);
  const flipBeats = () => setBeats((on) => !on);
  return (
    <>
      <HoldStage plan={plan} state={state} timer={timer} usesCell={usesCell} window={window} />
      <div className="px-8 pb-2">
        <HoldBars pattern={plan.plan.pattern} state={state} />
        <HoldEntry
          state={state}
          painMax={painMax}
          isEarly={timer.isEarly}
          onScore={score}
          onWhy={timer.sayWhy}
        />
      </div>
      <footer className="flex flex-wrap items-center gap-x-6 gap-y-2 px-8 py-3 text-[17px]">
        <button
          type="button"
          className="btn btn-primary btn-lg"
          onClick={space}
          disabled={!(isHolding || state.phase === "ready") || timer.isEarly}
        >
          {isHolding ? "Stop early" : "Start the hold"} <kbd>space</kbd>
        </button>
        <button type="button" className="cursor-pointer" onClick={run.undo} disabled={!run.canUndo}>
          undo <kbd>U</kbd>
        </button>
        <button type="button" className="cursor-pointer" onClick={stop} disabled={!mayStop}>
          stop and say why <kbd>X</kbd>
        </button>
        <button type="button" className="cursor-pointer" onClick={flipBeats} aria-pressed={beats}>
          beats {beats ? "on" : "off"} <kbd>M</kbd>
        </button>
        <button type="button" className="cursor-pointer" onClick={flipCell} aria-pressed={usesCell}>
          load cell {usesCell ? "on" : "off"} <kbd>L</kbd>
        </button>
        <KeysHelp
          deeds={[
            { key: " ", label: "space", words: isHolding ? "stop early" : "start the hold", run: space },
            ...scoreDeeds("joint pain", score),
            { key: "u", words: "undo the last entry", run: run.undo },
            { key: "x", words: "stop the session and say why", run: stop },
            { key: "l", words: usesCell ? "without load cell" : "with load cell", run: flipCell },
            { key: "m", words: beats ? "beats off" : "beats on", run: flipBeats },
          ]}
        />
      </footer>
      <StopDialog
        ref={stopDialog}
        onStop={(reason, signs) => {
          run.happen({ type: "stop", reason, at: Date.now() });
          if (signs.length)
            run.outbox.post(`/api/clients/${client.clientId}/rechecks`, {
              id: crypto.randomUUID(),
              isClear: false,
              signs,
            });
        }}
      />
    </>
  );
}
