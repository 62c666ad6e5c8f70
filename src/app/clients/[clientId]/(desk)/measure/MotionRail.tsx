import { newestOf } from "@/core/measure/findings";
import type { Side } from "@/core/units/fields";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL, xOf } from "@/ui/rail/scale";

/** The range of each knee on the ruler, from its newest measurements; what lies beyond the ruler ends at its edge. */
export function MotionRail({
  measurements,
  involved,
}: {
  measurements: StoredMeasurement[];
  involved: Side;
}) {
  const rows = [involved, involved === "left" ? ("right" as const) : ("left" as const)].map((side) => ({
    side,
    short: newestOf(measurements, "knee_straightening", side)?.value ?? null,
    bend: newestOf(measurements, "knee_bend", side)?.value ?? null,
  }));
  if (rows.every((r) => r.short === null || r.bend === null)) return null;
  return (
    <svg viewBox={`0 0 ${RAIL.width} 112`} className="mt-1 w-full">
      <title>Range of both knees, newest measurements</title>
      <Ruler />
      {rows.map((r, i) => {
        const y = 56 + i * 38;
        const isKnown = r.short !== null && r.bend !== null;
        const from = xOf(Math.max(0, r.short ?? 0));
        const to = xOf(Math.min(RAIL.maxDeg, r.bend ?? 0));
        return (
          <g key={r.side}>
            <RowLabel
              y={y}
              name={`${r.side} knee`}
              detail={isKnown ? `${r.short}° to ${r.bend}°` : "not measured"}
            />
            {isKnown && (
              <rect
                x={from}
                y={y - 9}
                width={Math.max(2, to - from)}
                height={12}
                strokeWidth={1.4}
                className={i === 0 ? "fill-primary stroke-primary" : "fill-base-100 stroke-primary"}
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
