"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { DEED_SENTENCES } from "@/core/safety/roles";
import type { RunPlan } from "@/core/session/floorRun";
import { EARLY_WORDS, type EarlyReason, type HoldRecord } from "@/core/session/holdRecord";
import type { RECHECK_SIGNS } from "@/core/session/sessionInput";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/clients";
import type { StoredPlan } from "@/server/plans";
import { beep } from "@/ui/beep";
import { TraceChart } from "@/ui/charts/TraceChart";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import type { KeyDeed } from "@/ui/keys/useKeys";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { MiniRail } from "@/ui/rail/MiniRail";
import { send } from "@/ui/send";
import { useLoadCell } from "@/ui/useLoadCell";
import { Closing } from "./Closing";
import { HoldBars } from "./HoldBars";
import { RecheckGate } from "./RecheckGate";
import { StopDialog } from "./StopDialog";
import { useNow } from "./useNow";
import { useRun } from "./useRun";

const CORRIDOR = 0.1;

/** One lane of the floor: warning signs, then hold after hold with one giant number, pain before and after, rest. */
export function FloorLane({
  client,
  plan,
  open,
  painMax,
  window: allowed,
  machine,
  massUnit,
  mayRun,
}: {
  client: ClientEpisode;
  plan: StoredPlan;
  open: { id: string; records: HoldRecord[] } | null;
  painMax: number;
  window: { fromDeg: number; toDeg: number };
  machine: { name: string; setUp: string; padDistanceM: number };
  massUnit: MassUnit;
  mayRun: boolean;
}) {
  const router = useRouter();
  const { pattern, kneeFlexionDeg } = plan.plan;
  const runPlan: RunPlan = useMemo(() => ({ ...pattern, painMax }), [pattern, painMax]);
  const run = useRun(runPlan, open);
  const cell = useLoadCell();
  const [usesCell, setUsesCell] = useState(true);
  const [beats, setBeats] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  /** when a hold was stopped early and its reason is still asked for */
  const [endedEarlyAt, setEndedEarlyAt] = useState<number | null>(null);
  const stopDialog = useRef<HTMLDialogElement>(null);
  const { state } = run;
  const now = useNow(state.phase === "holding" || state.restEndsAtMs !== null);
  const leftS = state.holdStartedAtMs === null ? null : pattern.holdS - (now - state.holdStartedAtMs) / 1000;
  const restS = state.restEndsAtMs === null ? 0 : Math.max(0, (state.restEndsAtMs - now) / 1000);

  const answer = async (signs: (typeof RECHECK_SIGNS)[number][]) => {
    setBusy(true);
    setProblem(null);
    const recheckId = crypto.randomUUID();
    const asked = await send(`/api/clients/${client.clientId}/rechecks`, {
      id: recheckId,
      isClear: signs.length === 0,
      signs,
    });
    if (!asked.ok) setProblem(asked.problems[0]?.sentence ?? null);
    else if (signs.length) router.refresh();
    else {
      const id = crypto.randomUUID();
      const started = await send(`/api/clients/${client.clientId}/sessions`, {
        id,
        planId: plan.id,
        recheckId,
        startedAt: new Date().toISOString(),
      });
      if (started.ok) run.begin(id);
      else setProblem(started.problems[0]?.sentence ?? null);
    }
    setBusy(false);
  };

  const startHold = () => {
    if (state.phase !== "ready") return;
    run.happen({ type: "hold-start", at: Date.now() });
    if (beats) beep(880);
    if (usesCell)
      cell.start(
        {
          client: client.clientId,
          side: plan.plan.side,
          angle: kneeFlexionDeg,
          lever: machine.padDistanceM,
          aim: plan.shinForceN.toFixed(1),
          seconds: pattern.holdS,
        },
        () => {},
      );
  };
  const endHold = (at: number, early: EarlyReason | null) => {
    setEndedEarlyAt(null);
    run.happen({
      type: "hold-end",
      at,
      early,
      meanForceN: meanForce(cell.trace.current.timeS, cell.trace.current.forceN),
    });
    cell.stop();
    if (beats) beep(early ? 330 : 660, 0.25);
  };

  // the end of a hold belongs to the clock, not to a finger
  const due = state.holdStartedAtMs === null ? null : state.holdStartedAtMs + pattern.holdS * 1000;
  const ended = useRef(endHold);
  ended.current = endHold;
  useEffect(() => {
    if (due === null || endedEarlyAt !== null) return;
    const timer = setTimeout(() => ended.current(due, null), Math.max(0, due - Date.now()));
    return () => clearTimeout(timer);
  }, [due, endedEarlyAt]);
  const whole = leftS === null ? null : Math.ceil(leftS);
  useEffect(() => {
    if (beats && whole !== null && whole > 0 && whole <= 3) beep(440, 0.06);
  }, [whole, beats]);

  const score = (n: number) => {
    if (endedEarlyAt !== null) return;
    const at = Date.now();
    if (state.phase === "pain-before" || state.phase === "ready")
      run.happen({ type: "pain-before", score: n, at });
    else if (state.phase === "pain-after")
      run.happen({ type: "pain-after", score: n, at, recordId: crypto.randomUUID() });
  };
  const space = () => {
    if (state.phase === "ready") startHold();
    else if (state.phase === "holding" && endedEarlyAt === null) setEndedEarlyAt(Date.now());
  };
  const isClosing = state.phase === "closing" || state.phase === "finished";
  const deeds: KeyDeed[] = [
    {
      key: " ",
      label: "space",
      words: state.phase === "holding" ? "stop early" : "start the hold",
      run: space,
    },
    ...Array.from({ length: 10 }, (_, n) => ({
      key: String(n),
      words: `joint pain ${n}`,
      run: () => score(n),
    })),
    { key: "t", words: "joint pain 10", run: () => score(10) },
    { key: "u", words: "undo the last entry", run: run.undo },
    { key: "x", words: "stop the session and say why", run: () => stopDialog.current?.showModal() },
    {
      key: "l",
      words: usesCell ? "without load cell" : "with load cell",
      run: () => setUsesCell((on) => !on),
    },
    { key: "m", words: beats ? "beats off" : "beats on", run: () => setBeats((on) => !on) },
  ];
  const force = cell.trace.current.forceN[cell.trace.current.forceN.length - 1];
  const aimN = plan.shinForceN;

  return (
    <main data-theme="gym" className="flex min-h-dvh flex-col bg-base-200 text-base-content">
      <header className="flex items-baseline justify-between border-b border-rule px-8 py-3 text-[17px]">
        <p>
          <Link href="/" className="display mr-6 text-xl text-primary">
            Floor
          </Link>
          one lane
        </p>
        <p aria-live="polite" className="text-primary">
          {run.outbox.waiting === 0 ? "saved at the clinic" : `saved here, ${run.outbox.waiting} waiting`}
        </p>
        <Link href={`/clients/${client.clientId}`} className="underline">
          to the desk
        </Link>
      </header>
      <div className="border-t-4 border-trace px-8 pt-4">
        <h1 className="text-2xl">
          {client.name}{" "}
          <span className="quiet text-lg font-normal">
            {plan.plan.side} knee · joint pain at most {painMax}
          </span>
        </h1>
        <p className="mt-1 text-[20px]">
          <b>Hold, extension at {kneeFlexionDeg}°</b> <span className="quiet">{machine.name} ·</span>{" "}
          <b>
            {plan.setting}
            {plan.loadKg === null ? "" : ` · ${formatMass(plan.loadKg, massUnit)}`}
          </b>{" "}
          <span className="quiet">· {machine.setUp}</span>
        </p>
      </div>
      <Problem sentence={run.outbox.refused} />
      {!mayRun ? (
        <p className="px-8 py-6 text-xl">{DEED_SENTENCES["session.run"]}</p>
      ) : !run.sessionId ? (
        <RecheckGate onAnswer={answer} problem={problem} isBusy={isBusy} />
      ) : isClosing ? (
        <Closing
          client={client}
          plan={plan}
          state={state}
          painMax={painMax}
          onFinish={run.happen}
          onUndo={run.undo}
        />
      ) : (
        <>
          <div className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10 px-8 pt-2">
            <div>
              <p className="display text-[clamp(130px,18vw,230px)] leading-none" data-testid="giant">
                {state.phase === "holding" ? Math.max(0, whole ?? 0) : restS > 0 ? clock(restS) : "Go"}
              </p>
              <p className="text-[20px]" aria-live="polite">
                {phaseWords(
                  state.phase,
                  restS,
                  state.seq,
                  pattern.reps * pattern.sets,
                  endedEarlyAt !== null,
                )}
              </p>
            </div>
            <div className="pt-3">
              <div className="flex gap-10">
                <p>
                  <span className="display block text-[34px] leading-tight">
                    {state.phase === "holding" && force !== undefined ? Math.round(force) : "–"}
                  </span>
                  <span className="text-[17px]">newtons, aim {Math.round(aimN)}</span>
                </p>
                <p>
                  <span className="display block text-[34px] leading-tight">
                    {Math.round(plan.achievedShare * 100)} %
                  </span>
                  <span className="text-[17px]">of its best here</span>
                </p>
                <p>
                  <span className="display block text-[34px] leading-tight">
                    {state.seq} <span className="text-xl">of {pattern.reps * pattern.sets}</span>
                  </span>
                  <span className="text-[17px]">
                    {pattern.holdS} s, rest {pattern.restS} s
                  </span>
                </p>
              </div>
              <div className="mt-3">
                <TraceChart
                  trace={cell.trace}
                  seconds={pattern.holdS + 2}
                  maxN={Math.ceil((aimN * 1.6) / 20) * 20}
                  corridor={{ lowN: aimN * (1 - CORRIDOR), highN: aimN * (1 + CORRIDOR), aimN }}
                  height={150}
                  label="Force in its corridor"
                />
                <p className="quiet text-[15px]">
                  {cell.lost
                    ? "load cell lost, go on without it"
                    : usesCell
                      ? "simulated load cell; stay in the band"
                      : "without load cell"}
                </p>
              </div>
              <div className="mt-3">
                <MiniRail fromDeg={allowed.fromDeg} toDeg={allowed.toDeg} holdDeg={kneeFlexionDeg} />
              </div>
            </div>
          </div>
          <div className="px-8 pb-2">
            <HoldBars pattern={pattern} state={state} />
            {endedEarlyAt === null ? (
              <div className="mt-3">
                <ScoreKeys
                  label={
                    state.phase === "pain-after"
                      ? `Joint pain in hold ${state.seq}`
                      : `Joint pain before hold ${state.seq}`
                  }
                  value={state.phase === "ready" || state.phase === "holding" ? state.painBefore : null}
                  onPick={score}
                  limit={painMax}
                  disabled={state.phase === "holding"}
                  size="floor"
                />
                <p className="quiet mt-1 text-[15px]">
                  Joint pain, not muscle burn. Above the limit the holds end.
                </p>
              </div>
            ) : (
              <fieldset className="mt-3">
                <legend className="mb-1 text-[17px]">Why did it end early?</legend>
                <div className="flex flex-wrap gap-3">
                  {(Object.keys(EARLY_WORDS) as EarlyReason[]).map((reason) => (
                    <button
                      key={reason}
                      type="button"
                      className="btn btn-lg border-rule bg-base-100"
                      onClick={() => endHold(endedEarlyAt, reason)}
                    >
                      {EARLY_WORDS[reason]}
                    </button>
                  ))}
                </div>
              </fieldset>
            )}
          </div>
          <footer className="flex flex-wrap items-center gap-x-6 gap-y-2 px-8 py-3 text-[17px]">
            <button
              type="button"
              className="btn btn-primary btn-lg"
              onClick={space}
              disabled={!["ready", "holding"].includes(state.phase) || endedEarlyAt !== null}
            >
              {state.phase === "holding" ? "Stop early" : "Start the hold"} <kbd>space</kbd>
            </button>
            <button type="button" className="cursor-pointer" onClick={run.undo} disabled={!run.canUndo}>
              undo <kbd>U</kbd>
            </button>
            <button
              type="button"
              className="cursor-pointer"
              disabled={state.phase === "holding" || state.phase === "pain-after"}
              onClick={() => stopDialog.current?.showModal()}
            >
              stop and say why <kbd>X</kbd>
            </button>
            <span>
              beats {beats ? "on" : "off"} <kbd>M</kbd>
            </span>
            <span>
              load cell {usesCell ? "on" : "off"} <kbd>L</kbd>
            </span>
            <KeysHelp deeds={deeds} />
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
      )}
    </main>
  );
}

function clock(seconds: number): string {
  const s = Math.ceil(seconds);
  return s >= 60 ? `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}` : String(s);
}

function phaseWords(phase: string, restS: number, seq: number, of: number, early: boolean): string {
  if (early) return "stopped early: say why, below";
  switch (phase) {
    case "holding":
      return "seconds to go · breathe, no holding of breath";
    case "pain-after":
      return `hold ${seq} is done: joint pain in it?`;
    case "ready":
      return restS > 0 ? `rest left · ready for hold ${seq} of ${of}` : `press space: hold ${seq} of ${of}`;
    default:
      return restS > 0
        ? `rest left · then joint pain before hold ${seq}`
        : `joint pain before hold ${seq} of ${of}?`;
  }
}

/** Mean force once the ramp is over, N; null when no load cell was read. */
function meanForce(timeS: number[], forceN: number[]): number | null {
  const held = forceN.filter((_, i) => (timeS[i] as number) > 2);
  return held.length ? Math.round((held.reduce((a, b) => a + b, 0) / held.length) * 10) / 10 : null;
}
