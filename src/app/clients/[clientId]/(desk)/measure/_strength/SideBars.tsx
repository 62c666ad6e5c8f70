import type { SideTorque } from "@/core/measure/strengthSummary";
import type { Side } from "@/core/units/fields";

const W = 330;
const BAR = 15;
const FROM = 40;
const LONGEST = 220;

/** Left above right to one scale, each with its error as a line; the leg it is about is filled, the other one outlined. */
export function SideBars({ sides, own }: { sides: readonly SideTorque[]; own: Side }) {
  const most = Math.max(1, ...sides.map((s) => s.torqueNm + s.doubtNm));
  const x = (nm: number) => FROM + (LONGEST * nm) / most;
  return (
    <svg
      viewBox={`0 0 ${W} ${sides.length * (BAR + 6)}`}
      className="w-full max-w-[340px]"
      role="img"
      aria-label={sides
        .map(
          (s) => `${s.side} ${Math.round(s.torqueNm)} newton metres, give or take ${Math.round(s.doubtNm)}`,
        )
        .join("; ")}
    >
      {sides.map((s, i) => {
        const y = i * (BAR + 6) + 2;
        return (
          <g key={s.side}>
            <text x={0} y={y + 12} fontSize={13} className="fill-base-content">
              {s.side}
            </text>
            <rect
              x={FROM}
              y={y}
              width={x(s.torqueNm) - FROM}
              height={BAR}
              strokeWidth={1.4}
              className={s.side === own ? "fill-primary stroke-primary" : "fill-base-100 stroke-quiet"}
            />
            <path
              d={`M ${x(s.torqueNm - s.doubtNm)} ${y + BAR / 2} H ${x(s.torqueNm + s.doubtNm)} m 0 -4 v 8 M ${x(s.torqueNm - s.doubtNm)} ${y + BAR / 2 - 4} v 8`}
              fill="none"
              strokeWidth={1.8}
              className="stroke-mark"
            />
            <text x={W} y={y + 12} textAnchor="end" fontSize={13} className="fill-base-content">
              {Math.round(s.torqueNm)} N·m
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** The tests before, oldest at the left, as small columns; nothing where there was only one. */
export function History({ values }: { values: readonly number[] }) {
  if (values.length < 2) return null;
  const shown = values.slice(-8);
  const most = Math.max(...shown);
  return (
    <svg
      viewBox={`0 0 ${shown.length * 9} 20`}
      className="h-5"
      role="img"
      aria-label={`earlier tests: ${shown.map((v) => Math.round(v)).join(", ")} newton metres`}
    >
      {shown.map((v, i) => (
        <rect
          // biome-ignore lint/suspicious/noArrayIndexKey: a test is its place in time
          key={i}
          x={i * 9}
          y={20 - (18 * v) / most}
          width={6}
          height={(18 * v) / most}
          className={i === shown.length - 1 ? "fill-primary" : "fill-quiet opacity-60"}
        />
      ))}
    </svg>
  );
}
