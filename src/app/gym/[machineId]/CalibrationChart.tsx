import { line } from "d3";
import { type Cam, CURVE_ARCS, camFactor } from "@/core/mechanics/camCurve";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL, xOf } from "@/ui/rail/scale";

const TOP = 44;
const HEIGHT = 110;
const DEGS = Array.from({ length: 23 }, (_, i) => i * 5);

/** The resistance curve over the same rail: measured now as a line with its points, saved before as a dashed one. */
export function CalibrationChart({ fitted, saved }: { fitted: Cam; saved: (deg: number) => number }) {
  const y = (factor: number) => TOP + HEIGHT - (Math.min(1.6, factor) / 1.6) * HEIGHT;
  const curve = line<number>()
    .x(xOf)
    .y((deg) => y(camFactor(fitted, deg, CURVE_ARCS.extension)));
  const before = line<number>()
    .x(xOf)
    .y((deg) => y(saved(deg)));
  return (
    <svg viewBox={`0 0 ${RAIL.width} ${TOP + HEIGHT + 16}`} className="mt-2 w-full">
      <title>Resistance over knee flexion: measured now, and as saved</title>
      <Ruler />
      <text x={0} y={y(1) + 4} fontSize={12} className="fill-quiet">
        mean resistance
      </text>
      <line
        x1={RAIL.left}
        x2={RAIL.right}
        y1={y(1)}
        y2={y(1)}
        strokeDasharray="1 4"
        className="stroke-quiet"
      />
      <path
        d={before(DEGS) ?? ""}
        fill="none"
        strokeWidth={1.4}
        strokeDasharray="5 4"
        className="stroke-quiet"
      />
      <path d={curve(DEGS) ?? ""} fill="none" strokeWidth={2.2} className="stroke-primary" />
      {Array.isArray(fitted) &&
        fitted.map(([deg, factor]) => (
          <circle
            key={deg}
            cx={xOf(deg)}
            cy={y(factor)}
            r={5}
            strokeWidth={2}
            className="fill-primary stroke-base-100"
          />
        ))}
    </svg>
  );
}
