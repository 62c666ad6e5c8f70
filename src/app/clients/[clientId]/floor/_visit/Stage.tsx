import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { VisitState } from "@/core/visit/run";
import type { Task } from "@/core/visit/tasks";
import { TraceChart } from "@/ui/charts/TraceChart";
import type { SetClock } from "@/ui/visit/useSetClock";
import { clock as clockWords } from "@/ui/visit/visitWords";

/** The band around the aimed force, as a share of it. */
const CORRIDOR = 0.1;
/** More characters than these are a time. */
const MOST_DIGITS = 3;

/** One giant number: seconds to go, repetitions to do, rest that is left; the force in a small strip under it. */
export function Stage({
  state,
  line,
  task,
  clock,
  usesCell,
}: {
  state: VisitState;
  line: KeptLine;
  task: Task;
  clock: SetClock;
  usesCell: boolean;
}) {
  const isWorking = state.phase === "working";
  const isHold = task.holdS !== null;
  const { number, under } = giantOf(state, task, clock);
  const force = clock.cell.trace.current.forceN.at(-1);
  // minutes and seconds are twice as wide as a count: they are sized by their column, never broken
  const size =
    state.phase === "set-up"
      ? "text-[clamp(56px,9vw,120px)]"
      : number.length > MOST_DIGITS
        ? "text-[clamp(48px,42cqw,230px)]"
        : "text-[clamp(72px,17vw,230px)]";
  return (
    <div className="@container text-right">
      <button
        type="button"
        tabIndex={isWorking && !isHold ? 0 : -1}
        aria-label={isWorking && !isHold ? "count a repetition" : under}
        onClick={clock.tap}
        className={`display block w-full cursor-default text-right leading-none whitespace-nowrap ${size}`}
        data-testid="giant"
      >
        {number}
      </button>
      <p className="text-[17px] lg:text-[22px]">{under}</p>
      {clock.pace !== null && (
        <svg viewBox="0 0 100 4" preserveAspectRatio="none" className="mt-3 h-4 w-full" aria-hidden>
          <rect width={100} height={4} className="fill-base-100" />
          <rect width={Math.round(clock.pace * 100)} height={4} className="fill-trace" />
        </svg>
      )}
      {isHold && line.aimForceN !== null && isWorking && (
        <div className="mt-2 text-left">
          <TraceChart
            trace={clock.cell.trace}
            seconds={(task.holdS ?? 0) + 2}
            maxN={Math.ceil((line.aimForceN * 1.6) / 20) * 20}
            corridor={{
              lowN: line.aimForceN * (1 - CORRIDOR),
              highN: line.aimForceN * (1 + CORRIDOR),
              aimN: line.aimForceN,
            }}
            height={90}
            label="Force in its corridor"
          />
          <p className="text-[17px]">
            {clock.cell.lost
              ? "load cell lost, go on without it"
              : usesCell
                ? `${force === undefined ? "–" : Math.round(force)} N, aim ${Math.round(line.aimForceN)}; simulated load cell`
                : "without load cell"}
          </p>
        </div>
      )}
      {clock.sensor.isReading && (
        <p className="text-[17px]">
          simulated angle sensor
          {clock.sensor.found.range
            ? `: ${Math.round(clock.sensor.found.range.fromDeg)} to ${Math.round(clock.sensor.found.range.toDeg)}° reached`
            : ""}
        </p>
      )}
    </div>
  );
}

function giantOf(s: VisitState, task: Task, clock: SetClock): { number: string; under: string } {
  if (s.phase === "working") {
    if (task.holdS !== null) return { number: String(clock.seconds ?? 0), under: "seconds to go" };
    return clock.counted === null
      ? { number: String(task.reps ?? "–"), under: `repetitions to do · ${clock.seconds ?? 0} s` }
      : { number: String(clock.counted), under: `of ${task.reps ?? "–"} repetitions` };
  }
  if (clock.restS > 0) return { number: clockWords(clock.restS), under: "rest to go" };
  if (task.holdS !== null) return { number: `${Math.round(task.holdS)}`, under: "seconds to hold" };
  return { number: String(task.reps ?? "–"), under: "repetitions to do" };
}
