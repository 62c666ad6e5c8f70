import { extent, line, scaleLinear } from "d3";
import { memo } from "react";
import type { Point, Row, Series } from "@/core/review/row";
import { asKept } from "@/core/units/said";
import { Said, useSay } from "../reader";
import { atMidnight, TIME, timeScale, weekTicks } from "./scale";

const HEIGHT = 74;
const PAD = { top: 10, bottom: 8 };
const WEEK_MS = 7 * 86_400_000;

type X = (p: { on: string }) => number;
type Y = (value: number) => number;

/** One row of the time line: the same days for all rows, an axis of its own. */
export const RowChart = memo(function RowChart({ row, from, to }: { row: Row; from: string; to: string }) {
  const say = useSay();
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
      aria-label={`${say(row.name)}, ${say(row.under)}: ${count} ${count === 1 ? "value" : "values"}; the table has them all`}
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
        <g key={asKept(m.words)}>
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
            <Said>{m.words}</Said>
          </text>
        </g>
      ))}
      {row.series.map((s) => (
        <Marks key={s.key} series={s} x={x} y={y} zero={y(Math.max(0, low))} weekWidth={weekWidth} />
      ))}
    </svg>
  );
});

/** All marks of a series as few paths: years of visits are thousands of marks. */
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
  const at = (wanted: (p: Point) => boolean): Place[] =>
    points.filter(wanted).map((p) => ({ x: x(p), y: y(p.value) }));
  const line = (className: string, width: number) => (
    <path d={through(points, x, y)} fill="none" strokeWidth={width} className={className} />
  );
  const errors = <path d={spans(points, x, y)} fill="none" strokeWidth={1.4} className="stroke-quiet" />;
  switch (mark) {
    case "step":
      return (
        <g>
          {line("stroke-primary", 2)}
          <path
            d={circles(
              at((p) => !isLess(p)),
              3.5,
            )}
            strokeWidth={1.8}
            className="fill-primary stroke-primary"
          />
          <path d={circles(at(isLess), 3.5)} strokeWidth={1.8} className="fill-base-100 stroke-mark" />
        </g>
      );
    case "bar":
    case "outline":
      return (
        <g>
          <path
            d={bars(
              points.filter((p) => p.low === null && p.high === null),
              x,
              y,
              zero,
              weekWidth,
            )}
            strokeWidth={1.4}
            className={mark === "bar" ? "fill-primary/75" : "fill-none stroke-base-content"}
          />
          <path d={spans(points, x, y)} fill="none" strokeWidth={3} className="stroke-base-content" />
        </g>
      );
    case "dot":
      return (
        <g>
          {points.some((p) => p.low !== null) && line("stroke-primary", 1.4)}
          {errors}
          <path
            d={circles(
              at((p) => !isOpen(p)),
              3.8,
            )}
            strokeWidth={1.8}
            className="fill-primary stroke-primary"
          />
          <path d={circles(at(isOpen), 3.8)} strokeWidth={1.8} className="fill-base-100 stroke-primary" />
        </g>
      );
    case "diamond":
      return (
        <g>
          {points.some((p) => p.low !== null) && line("stroke-quiet", 1.4)}
          {errors}
          <path
            d={diamonds(
              at(() => true),
              4.5,
            )}
            strokeWidth={1.5}
            className="fill-base-100 stroke-quiet"
          />
        </g>
      );
    case "ring":
      return (
        <path
          d={circles(
            at(() => true),
            3.4,
          )}
          strokeWidth={1.6}
          className="fill-base-100 stroke-base-content"
        />
      );
    case "square":
      return (
        <g>
          <path
            d={squares(
              at((p) => p.note.length === 0),
              2.5,
            )}
            className="fill-mark"
          />
          <path
            d={squares(
              at((p) => p.note.length > 0),
              2.5,
            )}
            className="fill-error"
          />
        </g>
      );
  }
}

interface Place {
  x: number;
  y: number;
}

const isLess = (p: Point): boolean => p.apart === "less";
const isOpen = (p: Point): boolean => p.apart === "open";

const through = (points: readonly Point[], x: X, y: Y): string =>
  line<Point>(
    (p) => x(p),
    (p) => y(p.value),
  )(points) ?? "";

const one = (n: number): string => n.toFixed(1);
const circles = (all: readonly Place[], r: number): string =>
  all
    .map((p) => `M${one(p.x - r)} ${one(p.y)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`)
    .join("");
const diamonds = (all: readonly Place[], r: number): string =>
  all.map((p) => `M${one(p.x)} ${one(p.y - r)}l${r} ${r}l${-r} ${r}l${-r} ${-r}Z`).join("");
const squares = (all: readonly Place[], r: number): string =>
  all.map((p) => `M${one(p.x - r)} ${one(p.y - r)}h${2 * r}v${2 * r}h${-2 * r}Z`).join("");

/** From low to high where a point has both; where they are the same, a short stroke. */
const spans = (points: readonly Point[], x: X, y: Y): string =>
  points
    .flatMap((p) =>
      p.low === null || p.high === null
        ? []
        : [
            `M${one(x(p))} ${one(y(p.low) + (p.low === p.high ? 1.5 : 0))}V${one(y(p.high) - (p.low === p.high ? 1.5 : 0))}`,
          ],
    )
    .join("");

/** From nothing to the value, a week wide; the last ends with the drawing. */
const bars = (points: readonly Point[], x: X, y: Y, zero: number, weekWidth: number): string =>
  points
    .map((p) => {
      const left = Math.max(TIME.left, x(p) + weekWidth * 0.15);
      const width = Math.max(1, Math.min(weekWidth, TIME.right - left));
      return `M${one(left)} ${one(zero)}V${one(y(p.value))}h${one(width)}V${one(zero)}Z`;
    })
    .join("");
