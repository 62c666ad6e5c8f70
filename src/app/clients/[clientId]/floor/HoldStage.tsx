import type { RunState } from "@/core/session/floorRun";
import type { StoredPlan } from "@/server/plans";
import { TraceChart } from "@/ui/charts/TraceChart";
import { MiniRail } from "@/ui/rail/MiniRail";
import { clock, phaseWords } from "./floorWords";
import type { HoldTimer } from "./useHold";

/** The band around the aimed force, as a share of it. */
const CORRIDOR = 0.1;

/** The giant number, what to do now, and the force in its corridor. */
export function HoldStage({
  plan,
  state,
  timer,
  usesCell,
  window: allowed,
}: {
  plan: StoredPlan;
  state: RunState;
  timer: HoldTimer;
  usesCell: boolean;
  window: { fromDeg: number; toDeg: number };
}) {
  const { pattern, kneeFlexionDeg } = plan.plan;
  const { cell, toGoS, restS } = timer;
  const total = pattern.reps * pattern.sets;
  const aimN = plan.shinForceN;
  const forceN = cell.trace.current.forceN[cell.trace.current.forceN.length - 1];
  return (
    <div className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10 px-8 pt-2">
      <div>
        <p className="display text-[clamp(130px,18vw,230px)] leading-none" data-testid="giant">
          {toGoS ?? (restS > 0 ? clock(restS) : "Go")}
        </p>
        <p className="text-[20px]" aria-live="polite">
          {phaseWords(state.phase, restS, state.seq, total, timer.isEarly)}
        </p>
      </div>
      <div className="pt-3">
        <div className="flex gap-10">
          <Reading value={toGoS !== null && forceN !== undefined ? String(Math.round(forceN)) : "–"}>
            newtons, aim {Math.round(aimN)}
          </Reading>
          <Reading value={`${Math.round(plan.achievedShare * 100)} %`}>of its best here</Reading>
          <Reading value={String(state.seq)} of={`of ${total}`}>
            {pattern.holdS} s, rest {pattern.restS} s
          </Reading>
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
          <p className="quiet text-[15px]">{cellWords(cell.lost, usesCell)}</p>
        </div>
        <div className="mt-3">
          <MiniRail fromDeg={allowed.fromDeg} toDeg={allowed.toDeg} holdDeg={kneeFlexionDeg} />
        </div>
      </div>
    </div>
  );
}

function Reading({ value, of, children }: { value: string; of?: string; children: React.ReactNode }) {
  return (
    <p>
      <span className="display block text-[34px] leading-tight">
        {value} {of && <span className="text-xl">{of}</span>}
      </span>
      <span className="text-[17px]">{children}</span>
    </p>
  );
}

function cellWords(isLost: boolean, usesCell: boolean): string {
  if (isLost) return "load cell lost, go on without it";
  return usesCell ? "simulated load cell; stay in the band" : "without load cell";
}
