import { Brackets, HatchDefs } from "./Hatch";

const WIDTH = 260;
const x = (deg: number): number => 4 + (deg / 130) * (WIDTH - 8);

/** The rail in small: allowed window, rungs climbed and to come, and where the hold sits now. */
export function MiniRail({
  fromDeg,
  toDeg,
  holdDeg,
  rungsDeg = [],
}: {
  fromDeg: number;
  toDeg: number;
  holdDeg: number | null;
  rungsDeg?: number[];
}) {
  const words = `Allowed ${fromDeg}° to ${toDeg}°${holdDeg === null ? "" : `, hold at ${holdDeg}°`}`;
  return (
    <svg viewBox={`0 0 ${WIDTH} 44`} className="w-full max-w-[300px]" role="img" aria-label={words}>
      <HatchDefs />
      <rect x={x(0)} y={4} width={x(130) - x(0)} height={22} fill="url(#barred)" />
      {toDeg > fromDeg && (
        <>
          <rect x={x(fromDeg)} y={4} width={x(toDeg) - x(fromDeg)} height={22} className="fill-base-100" />
          <Brackets x1={x(fromDeg)} x2={x(toDeg)} y={4} height={22} />
        </>
      )}
      <line x1={x(0)} x2={x(130)} y1={26} y2={26} className="stroke-rule" />
      {[0, 30, 60, 90, 120].map((deg) => (
        <text
          key={deg}
          x={x(deg)}
          y={40}
          fontSize={12}
          textAnchor={deg === 0 ? "start" : "middle"}
          className="fill-quiet"
        >
          {deg}°
        </text>
      ))}
      {rungsDeg
        .filter((deg) => deg !== holdDeg)
        .map((deg) => (
          <circle
            key={deg}
            cx={x(deg)}
            cy={15}
            r={3.4}
            fill="none"
            strokeWidth={1.6}
            className="stroke-mark"
          />
        ))}
      {holdDeg !== null && <circle cx={x(holdDeg)} cy={15} r={8} className="fill-mark" />}
    </svg>
  );
}
