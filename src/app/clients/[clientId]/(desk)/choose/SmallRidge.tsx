import { area, curveMonotoneX, line } from "d3";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import { Brackets, HatchDefs } from "@/ui/rail/Hatch";
import { PainfulBand } from "@/ui/rail/PainfulBand";
import { painfulShort } from "@/words/en/plan/painfulArc";
import { rampTone } from "./rampTone";

const WIDTH = 430;
const LEFT = 6;
const MOST_DEG = 130;
const x = (deg: number): number => LEFT + (deg / MOST_DEG) * (WIDTH - 2 * LEFT);

type Point = { deg: number; value: number };

/** The load over the bend in small: clear and bracketed where it may go, hatched elsewhere, one tone for its peak. */
export function SmallRidge({
  row,
  most,
  chairAt,
  id,
  isLow = false,
}: {
  row: RangeRow;
  most: number;
  chairAt: number | null;
  id: string;
  /** half as high and without the degrees, for a list */
  isLow?: boolean;
}) {
  const base = isLow ? 26 : 52;
  const height = isLow ? 30 : 68;
  const { arc, computed, painful } = row;
  const [x1, x2] = [x(arc.fromDeg), x(arc.toDeg)];
  const y = (v: number): number => base - (Math.min(v, most) / most) * (base - 4);
  const points: Point[] = computed?.points ?? [];
  const ridge = area<Point>()
    .x((p) => x(p.deg))
    .y0(base)
    .y1((p) => y(p.value))
    .curve(curveMonotoneX)(points);
  const edge = line<Point>()
    .x((p) => x(p.deg))
    .y((p) => y(p.value))
    .curve(curveMonotoneX)(points);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full"
      role="img"
      aria-label={`may go from ${Math.round(arc.fromDeg)} to ${Math.round(arc.toDeg)} degrees${painful ? `, ${painfulShort(painful)}` : ""}`}
    >
      <HatchDefs />
      <clipPath id={id}>
        <rect x={x1} y={0} width={Math.max(2, x2 - x1)} height={height} />
      </clipPath>
      <rect x={x(0)} y={4} width={x(MOST_DEG) - x(0)} height={base - 4} fill="url(#barred)" />
      <rect x={x1} y={4} width={Math.max(2, x2 - x1)} height={base - 4} className="fill-base-100" />
      {painful && <PainfulBand {...painful} xAt={x} y={4} height={base - 4} words={painfulShort(painful)} />}
      <g clipPath={`url(#${id})`}>
        <path d={ridge ?? ""} fill={rampTone((computed?.peak ?? 0) / most)} />
        <path d={edge ?? ""} fill="none" strokeWidth={1.7} className="stroke-base-content" />
      </g>
      <path d={edge ?? ""} fill="none" strokeWidth={1} strokeDasharray="3 2" className="stroke-quiet" />
      {chairAt !== null && (
        <line
          x1={x(0)}
          x2={x(MOST_DEG)}
          y1={y(chairAt)}
          y2={y(chairAt)}
          strokeDasharray="1 4"
          className="stroke-quiet"
        />
      )}
      <line x1={x(0)} x2={x(MOST_DEG)} y1={base} y2={base} className="stroke-rule" />
      <Brackets x1={x1} x2={x2} y={4} height={base - 4} />
      {!isLow &&
        [0, 30, 60, 90, 120].map((deg) => (
          <text
            key={deg}
            x={x(deg)}
            y={66}
            fontSize={10}
            textAnchor={deg === 0 ? "start" : "middle"}
            className="fill-quiet"
          >
            {deg}°
          </text>
        ))}
    </svg>
  );
}
