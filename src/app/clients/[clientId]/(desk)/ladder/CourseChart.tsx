import { extent, scaleLinear, scaleUtc } from "d3";
import type { CoursePoint } from "@/core/decision/lineCourse";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { LineCourse } from "@/server/visits/courses";
import { shortDay } from "@/ui/dates";

const W = 460;
const H = 96;
const PAD = { left: 56, right: 8, top: 10, bottom: 20 };
const PLAIN = { angle: "°", reps: "", seconds: " s" } as const;

/** A value with its unit, masses as the reader thinks of them. */
const valueWords = (of: LineCourse["of"], value: number, unit: MassUnit): string =>
  of === "load" || of === "help" ? formatMass(value, unit) : `${Math.round(value * 10) / 10}${PLAIN[of]}`;

/** One line over time: a disc a visit, full where all was done, ringed where less; a square where joint pain stopped it. */
export function CourseChart({
  course: c,
  locale,
  massUnit,
}: {
  course: LineCourse;
  locale: string;
  massUnit: MassUnit;
}) {
  const known = c.points.filter((p): p is CoursePoint & { value: number } => p.value !== null);
  if (known.length === 0) return <p className="quiet">not run yet</p>;
  const days = known.map((p) => new Date(`${p.on}T00:00:00Z`));
  const [from, to] = extent(days) as [Date, Date];
  const x = scaleUtc([from, to], [PAD.left, W - PAD.right]);
  const values = [...known.map((p) => p.value), ...(c.of === "angle" ? c.rungs : [])];
  const [low, high] = extent(values) as [number, number];
  const room = Math.max(1, (high - low) * 0.12);
  // less help is further on: the way up is up for every kind
  const y = scaleLinear(c.of === "help" ? [high + room, low - room] : [low - room, high + room], [
    H - PAD.bottom,
    PAD.top,
  ]);
  const at = (p: CoursePoint) =>
    from.getTime() === to.getTime() ? (PAD.left + W - PAD.right) / 2 : x(new Date(`${p.on}T00:00:00Z`));
  const ticks = c.of === "angle" && c.rungs.length > 0 ? c.rungs : [...new Set([low, high])];
  const words = known
    .map(
      (p) =>
        `${shortDay(p.on, locale)} ${valueWords(c.of, p.value, massUnit)}${c.of === "help" ? " help" : ""}${p.stopped ? ", stopped by pain" : ""}`,
    )
    .join("; ");
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full max-w-[520px]"
      role="img"
      aria-label={`${c.name}: ${words}`}
    >
      {ticks.map((t) => (
        <g key={t}>
          <line
            x1={PAD.left}
            x2={W - PAD.right}
            y1={y(t)}
            y2={y(t)}
            strokeWidth={1}
            className="stroke-rule"
          />
          <text x={PAD.left - 6} y={y(t) + 4} textAnchor="end" className="fill-base-content text-[11px]">
            {valueWords(c.of, t, massUnit)}
          </text>
        </g>
      ))}
      <path
        d={`M ${known.map((p) => `${at(p)} ${y(p.value)}`).join(" L ")}`}
        fill="none"
        strokeWidth={2}
        className="stroke-primary"
      />
      {known.map((p, i) =>
        p.stopped ? (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: visits in their order
            key={i}
            x={at(p) - 5}
            y={y(p.value) - 5}
            width={10}
            height={10}
            className="fill-error"
          />
        ) : (
          <circle
            // biome-ignore lint/suspicious/noArrayIndexKey: visits in their order
            key={i}
            cx={at(p)}
            cy={y(p.value)}
            r={4.5}
            strokeWidth={2}
            className={
              p.reached === "top" || p.reached === "in"
                ? "fill-primary stroke-primary"
                : "fill-base-100 stroke-primary"
            }
          />
        ),
      )}
      {c.of === "load" &&
        known.map((p, i) =>
          p.reps === null || p.reps === known[i - 1]?.reps ? null : (
            <text
              // biome-ignore lint/suspicious/noArrayIndexKey: visits in their order
              key={`r${i}`}
              x={at(p)}
              y={y(p.value) - 9}
              textAnchor="middle"
              className="fill-base-content text-[11px]"
            >
              {p.reps} reps
            </text>
          ),
        )}
      <text x={PAD.left} y={H - 5} className="fill-base-content text-[11px]">
        {shortDay(known[0]?.on ?? "", locale)}
      </text>
      <text x={W - PAD.right} y={H - 5} textAnchor="end" className="fill-base-content text-[11px]">
        {shortDay(known.at(-1)?.on ?? "", locale)}
      </text>
    </svg>
  );
}
