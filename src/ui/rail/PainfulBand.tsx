import { RAIL, xOf } from "./scale";

const TOOTH = 6;

/** Where it hurts on a row of the rail: zigzag teeth and edges, so that it is not told by colour alone. */
export function PainfulBand({
  fromDeg,
  toDeg,
  xAt = xOf,
  y,
  height,
  words,
}: {
  fromDeg: number;
  toDeg: number;
  /** of the rail that it stands on */
  xAt?: (deg: number) => number;
  y: number;
  height: number;
  words: string;
}) {
  const [x1, x2] = [xAt(Math.min(fromDeg, RAIL.maxDeg)), xAt(Math.min(toDeg, RAIL.maxDeg))];
  const count = Math.max(1, Math.floor((x2 - x1) / TOOTH));
  const step = (x2 - x1) / count;
  const teeth = Array.from(
    { length: count },
    (_, i) => `L ${x1 + (i + 0.5) * step} ${y + 5} L ${x1 + (i + 1) * step} ${y}`,
  ).join(" ");
  return (
    <g>
      <title>{words}</title>
      <rect x={x1} y={y} width={x2 - x1} height={height} className="fill-accent" opacity={0.12} />
      <path d={`M ${x1} ${y} ${teeth}`} fill="none" strokeWidth={1.6} className="stroke-accent" />
      <path
        d={`M ${x1} ${y} V ${y + height} M ${x2} ${y} V ${y + height}`}
        strokeWidth={1.2}
        strokeDasharray="3 3"
        className="stroke-accent"
      />
    </g>
  );
}
