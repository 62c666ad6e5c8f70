import type { HoldPattern } from "@/core/isometrics/simulateHolds";
import type { RunState } from "@/core/session/floorRun";

/** Holds as bars: filled as far as they were held, with joint pain before and after written under. */
export function HoldBars({ pattern, state }: { pattern: HoldPattern; state: RunState }) {
  const total = pattern.reps * pattern.sets;
  return (
    <ol className="flex gap-2" aria-label="Holds">
      {Array.from({ length: total }, (_, i) => i + 1).map((seq) => {
        const hold = state.holds.find((h) => h.seq === seq);
        const share = hold ? hold.heldS / pattern.holdS : 0;
        const isNow = seq === state.seq && !hold;
        return (
          <li key={seq} className="w-24">
            <svg viewBox="0 0 96 16" className="w-full" aria-hidden>
              <rect
                x={1}
                y={1}
                width={94}
                height={14}
                fill="none"
                strokeWidth={isNow ? 2.4 : 1.2}
                className={isNow ? "stroke-trace" : "stroke-rule"}
              />
              <rect x={1} y={1} width={94 * share} height={14} className="fill-primary" />
            </svg>
            <span className="text-[15px]">
              {hold
                ? `${hold.heldS.toFixed(0)} s · ${hold.painBefore} → ${hold.painAfter ?? "?"}`
                : isNow
                  ? "now"
                  : `hold ${seq}`}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
