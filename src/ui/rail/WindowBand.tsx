import { Brackets } from "./Hatch";
import { RAIL, xOf } from "./scale";

/** A row's allowed window: clear inside the brackets, hatched outside. */
export function WindowBand({
  fromDeg,
  toDeg,
  y,
  height,
}: {
  fromDeg: number;
  toDeg: number;
  y: number;
  height: number;
}) {
  const [x1, x2] = [xOf(fromDeg), xOf(toDeg)];
  return (
    <g>
      <rect x={RAIL.left} y={y} width={RAIL.right - RAIL.left} height={height} className="fill-base-200" />
      <rect x={RAIL.left} y={y} width={RAIL.right - RAIL.left} height={height} fill="url(#barred)" />
      {x2 > x1 && <rect x={x1} y={y} width={x2 - x1} height={height} className="fill-base-100" />}
      {x2 > x1 && <Brackets x1={x1} x2={x2} y={y} height={height} />}
    </g>
  );
}
