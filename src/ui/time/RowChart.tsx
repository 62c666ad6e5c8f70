import { extent, line, scaleLinear } from "d3";
import { memo } from "react";
import type { Point, Row, Series } from "@/core/review/row";
import { atMidnight, TIME, timeScale, weekTicks } from "./scale";

const HEIGHT = 74;
const PAD = { top: 10, bottom: 8 };
const WEEK_MS = 7 * 86_400_000;

type X = (p: { on: string }) => number;
type Y = (value: number) => number;

/** One row of the time line: the same days for all rows, an axis of its own. */
export const RowChart = memo(function RowChart({ row, from, to }: { row: Row; from: string; to: string }) {
  const time = timeScale(from, to);
  const x: X = (p) => time(atMidnight(p.on));
  const all = row.series.flatMap((s) =>
    s.points.flatMap((p) => [p.value, p.low ?? p.value, p.high ?? p.value]),
  );
  const [low, high] = extent([
    ...all,
    ...(row.least === null ? [] : [row.least]),
    ...(row.most === null ? [] : [row.most]),
  ]) as [number, number];
  const room = high === low ? Math.max(1, Math.abs(high) * 0.2) : row.least === low ? 0 : (high - low) * 0.08;
  const y = scaleLinear([low - room, high === low ? high + room : high], [HEIGHT - PAD.bottom, PAD.top]);
  const ticks = [...new Set([low, high])];
  const count = row.series.reduce((n, s) => n + s.points.length, 0);
  const weekWidth = Math.max(2, (time(new Date(atMidnight(from).getTime() + WEEK_MS)) - TIME.left) * 0.72);
  return (
    <svg
      viewBox={`0 0 ${TIME.width} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`${row.name}, ${row.under}: ${count} ${count === 1 ? "value" : "values"}; the table has them all`}
      data-row={row.id}
    >
      {weekTicks(from, to).map((t) => (
        <line key={t.words} x1={time(t.on)} x2={time(t.on)} y1={0} y2={HEIGHT} className="stroke-base-300" />
      ))}
      {ticks.map((t) => (
        <text key={t} x={TIME.left - 6} y={y(t) + 4} textAnchor="end" className="fill-quiet text-[12px]">
          {row.scale?.[t] ?? t.toFixed(row.digits > 0 && !Number.isInteger(t) ? 1 : 0)}
        </text>
      ))}
      {row.marks.map((m) => (
        <g key={m.words}>
          <line
            x1={TIME.left}
            x2={TIME.right}
            y1={y(m.value)}
            y2={y(m.value)}
            strokeDasharray="4 3"
            className="stroke-mark"
          />
          <text
            x={TIME.left + 3}
            y={y(m.value) < 22 ? y(m.value) + 13 : y(m.value) - 4}
            className="fill-accent text-[12px]"
          >
            {m.words}
          </text>
        </g>
      ))}
      {row.series.map((s) => (
        <Marks key={s.name} series={s} x={x} y={y} zero={y(Math.max(0, low))} weekWidth={weekWidth} />
      ))}
    </svg>
  );
});

function Marks({
  series,
  x,
  y,
  zero,
  weekWidth,
}: {
  series: Series;
  x: X;
  y: Y;
  zero: number;
  weekWidth: number;
}) {
  const { points, mark } = series;
  switch (mark) {
    case "step":
      return (
        <g>
          <path d={path(points, x, y)} fill="none" strokeWidth={2} className="stroke-primary" />
          {points.map((p, i) => (
            <circle
              // biome-ignore lint/suspicious/noArrayIndexKey: points in their order
              key={i}
              cx={x(p)}
              cy={y(p.value)}
              r={3.5}
              strokeWidth={1.8}
              className={isLess(p) ? "fill-base-100 stroke-mark" : "fill-primary stroke-primary"}
            />
          ))}
        </g>
      );
    case "bar":
    case "outline":
      return (
        <g>
          {points.map((p, i) =>
            p.low === null && p.high === null ? (
              <rect
                // biome-ignore lint/suspicious/noArrayIndexKey: points in their order
                key={i}
                x={Math.max(TIME.left, x(p) + weekWidth * 0.15)}
                width={Math.max(1, Math.min(weekWidth, TIME.right - x(p)))}
                y={Math.min(zero, y(p.value))}
                height={Math.max(0.5, Math.abs(zero - y(p.value)))}
                strokeWidth={1.4}
                className={mark === "bar" ? "fill-primary/75" : "fill-none stroke-base-content"}
              />
            ) : (
              <line
                // biome-ignore lint/suspicious/noArrayIndexKey: points in their order
                key={i}
                x1={x(p)}
                x2={x(p)}
                y1={y(p.low ?? p.value) + (p.low === p.high ? 1.5 : 0)}
                y2={y(p.high ?? p.value) - (p.low === p.high ? 1.5 : 0)}
                strokeWidth={3}
                className="stroke-base-content"
              />
            ),
          )}
        </g>
      );
    default:
      return (
        <g>
          {(mark === "dot" || mark === "diamond") && points.some((p) => p.low !== null) && (
            <path
              d={path(points, x, y)}
              fill="none"
              strokeWidth={1.4}
              className={mark === "dot" ? "stroke-primary" : "stroke-quiet"}
            />
          )}
          {points.map((p, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: points in their order
            <Glyph key={i} mark={mark} p={p} x={x(p)} y={y} />
          ))}
        </g>
      );
  }
}

const isLess = (p: Point): boolean => /stopped|less than planned/.test(p.note);

const path = (points: readonly Point[], x: X, y: Y): string =>
  line<Point>(
    (p) => x(p),
    (p) => y(p.value),
  )(points) ?? "";

function Glyph({ mark, p, x, y }: { mark: Series["mark"]; p: Point; x: number; y: Y }) {
  const at = y(p.value);
  return (
    <>
      {p.low !== null && p.high !== null && (
        <line x1={x} x2={x} y1={y(p.low)} y2={y(p.high)} strokeWidth={1.4} className="stroke-quiet" />
      )}
      {mark === "dot" && (
        <circle
          cx={x}
          cy={at}
          r={3.8}
          strokeWidth={1.8}
          className={
            p.note.startsWith("cannot tell") ? "fill-base-100 stroke-primary" : "fill-primary stroke-primary"
          }
        />
      )}
      {mark === "ring" && (
        <circle cx={x} cy={at} r={3.4} strokeWidth={1.6} className="fill-base-100 stroke-base-content" />
      )}
      {mark === "diamond" && (
        <path
          d={`M ${x} ${at - 4.5} l 4.5 4.5 l -4.5 4.5 l -4.5 -4.5 Z`}
          strokeWidth={1.5}
          className="fill-base-100 stroke-quiet"
        />
      )}
      {mark === "square" && (
        <rect x={x - 2.5} y={at - 2.5} width={5} height={5} className={p.note ? "fill-error" : "fill-mark"} />
      )}
    </>
  );
}
