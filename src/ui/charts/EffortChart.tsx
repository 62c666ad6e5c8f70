import { line, scaleLinear } from "d3";
import type { EffortBand } from "@/core/isometrics/effortConversion";
import type { HoldPattern, SimulatedHolds } from "@/core/isometrics/simulateHolds";
import { half } from "@/words/en/plan/line";

const WIDTH = 722;
const HEIGHT = 168;
const LEFT = 146;
const RIGHT = 652;

/** Predicted felt effort, hold by hold, under the cap; the bar at the right is the spread between people. */
export function EffortChart({
  run,
  felt,
  cap,
  pattern,
}: {
  run: SimulatedHolds;
  felt: EffortBand;
  cap: number;
  pattern: HoldPattern;
}) {
  const times = holdTimes(pattern, run.holds.length);
  const endS = Math.max(1, times[times.length - 1]?.to ?? 1);
  const x = scaleLinear([0, endS], [LEFT, RIGHT]);
  const y = scaleLinear([0, 10], [HEIGHT - 22, 10]);
  const path = line<[number, number]>()
    .x((p) => x(p[0]))
    .y((p) => y(p[1]));
  const words = `Predicted felt effort rises to ${half(felt.value)} of 10, cap ${cap}`;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-3 w-full" role="img" aria-label={words}>
      <text x={0} y={24} fontSize={13.5} fontWeight={700} className="fill-current">
        Felt effort
      </text>
      <text x={0} y={41} fontSize={12.5} className="fill-quiet">
        predicted
      </text>
      {[0, 2, 4, 6, 8, 10].map((n) => (
        <g key={n}>
          <line x1={LEFT} x2={RIGHT} y1={y(n)} y2={y(n)} className="stroke-rule" strokeWidth={0.8} />
          <text x={LEFT - 8} y={y(n) + 4} textAnchor="end" fontSize={12} className="fill-quiet">
            {n}
          </text>
        </g>
      ))}
      <line
        x1={LEFT}
        x2={RIGHT}
        y1={y(cap)}
        y2={y(cap)}
        strokeDasharray="5 4"
        strokeWidth={1.6}
        className="stroke-mark"
      />
      <text x={RIGHT + 12} y={y(cap) + 4} fontSize={12.5} className="fill-accent">
        cap {cap}
      </text>
      {run.holds.map((h, i) => {
        const t = times[i] as { from: number; to: number };
        return (
          <path
            key={t.from}
            d={
              path([
                [t.from, h.effortStart],
                [t.to, h.effortEnd],
              ]) ?? ""
            }
            strokeWidth={4}
            strokeLinecap="round"
            className="stroke-primary"
          />
        );
      })}
      <line
        x1={RIGHT + 2}
        x2={RIGHT + 2}
        y1={y(felt.low)}
        y2={y(felt.high)}
        strokeWidth={7}
        className="stroke-secondary"
      />
      <line
        x1={RIGHT - 4}
        x2={RIGHT + 8}
        y1={y(felt.value)}
        y2={y(felt.value)}
        strokeWidth={2.4}
        className="stroke-primary"
      />
      <text x={LEFT} y={HEIGHT - 4} fontSize={12} className="fill-quiet">
        start
      </text>
      <text x={RIGHT} y={HEIGHT - 4} textAnchor="end" fontSize={12} className="fill-quiet">
        {Math.floor(endS / 60)}:{String(Math.round(endS % 60)).padStart(2, "0")} min
      </text>
    </svg>
  );
}

function holdTimes(p: HoldPattern, count: number): { from: number; to: number }[] {
  let at = 0;
  return Array.from({ length: count }, (_, i) => {
    const from = at;
    const to = from + p.holdS;
    at = to + ((i + 1) % p.reps === 0 ? p.setRestS : p.restS);
    return { from, to };
  });
}
