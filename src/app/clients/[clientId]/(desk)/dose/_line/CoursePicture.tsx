import { area, line as path, scaleLinear } from "d3";
import type { VisitOnStation } from "@/core/capacity/learn";
import { formatMass, lbFromKg, type MassUnit } from "@/core/units/mass";
import { shortDay } from "@/ui/dates";
import { RAIL } from "@/ui/rail/scale";

const H = 190;
const [TOP, BOTTOM] = [14, 148];
const MARK = 11;

/** A visit, and what could be lifted once by what was believed after it, kg; null: nothing bounds it. */
export interface CoursePoint {
  visit: VisitOnStation;
  mean: number | null;
  low: number | null;
  high: number | null;
}

/** A set in a few words. */
export function setWords(s: VisitOnStation["sets"][number], mass: (kg: number) => string): string {
  const end =
    s.ended === "muscle"
      ? ", the muscle gave out"
      : s.ended === "other"
        ? ", ended early"
        : s.reserve === null
          ? ""
          : `, ${s.reserve} left`;
  return `${mass(s.loadKg)} × ${s.reps}${end}`;
}

/** Squares: what was set, with its repetitions; line and band: what could be lifted once; dashed: what is next. */
export function CoursePicture({
  points,
  planned,
  isHelp,
  locale,
  massUnit,
}: {
  points: readonly CoursePoint[];
  planned: { kg: number; reps: number };
  isHelp: boolean;
  locale: string;
  massUnit: MassUnit;
}) {
  const massOf = (kg: number) => (kg === 0 && !isHelp ? "body weight" : formatMass(kg, massUnit));
  const shown = (kg: number) => (massUnit === "kg" ? kg : lbFromKg(kg));
  const values = points.flatMap((p) => [
    ...p.visit.sets.map((s) => s.loadKg),
    ...(p.high === null ? [] : [p.high]),
  ]);
  const y = scaleLinear([0, shown(Math.max(planned.kg, ...values)) * 1.05], [BOTTOM, TOP]).nice(4);
  const yOf = (kg: number) => y(shown(kg));
  const each = (RAIL.right - RAIL.left - 60) / Math.max(1, points.length);
  const xOf = (i: number) => RAIL.left + 24 + i * each;
  const known = points.flatMap((p, i) =>
    p.mean === null || p.low === null || p.high === null
      ? []
      : [{ x: xOf(i), mean: p.mean, low: p.low, high: p.high }],
  );
  const band = area<(typeof known)[number]>()
    .x((p) => p.x)
    .y0((p) => yOf(p.low))
    .y1((p) => yOf(p.high));
  const middle = path<(typeof known)[number]>()
    .x((p) => p.x)
    .y((p) => yOf(p.mean));
  const last = known.at(-1);
  const words = points.map(
    (p) => `${shortDay(p.visit.on, locale)}: ${p.visit.sets.map((s) => setWords(s, massOf)).join(", ")}`,
  );
  const nextX = xOf(points.length);
  return (
    <svg
      viewBox={`0 0 ${RAIL.width} ${H}`}
      className="w-full"
      role="img"
      aria-label={`${words.join("; ")}; next ${massOf(planned.kg)} × ${planned.reps}`}
    >
      <text x={0} y={TOP + 12} fontSize={13} fontWeight={650} className="fill-current">
        Set and done
      </text>
      <text x={0} y={TOP + 28} fontSize={12} className="fill-quiet">
        {isHelp ? "help, repetitions" : "squares, repetitions"}
      </text>
      {known.length > 0 && (
        <>
          <text x={0} y={TOP + 52} fontSize={13} fontWeight={650} className="fill-current">
            Could lift once
          </text>
          <text x={0} y={TOP + 68} fontSize={12} className="fill-quiet">
            line, eight in ten
          </text>
        </>
      )}
      {y.ticks(4).map((t) => (
        <g key={t}>
          <line x1={RAIL.left} x2={RAIL.right} y1={y(t)} y2={y(t)} className="stroke-rule" />
          <text x={RAIL.right + 6} y={y(t) + 4} fontSize={12} className="fill-quiet">
            {t} {massUnit}
          </text>
        </g>
      ))}
      {known.length > 1 && (
        <>
          <path d={band(known) ?? ""} className="fill-primary opacity-20" />
          <path d={middle(known) ?? ""} fill="none" strokeWidth={2} className="stroke-primary" />
        </>
      )}
      {known.length === 1 && last && (
        <>
          <line
            x1={last.x}
            x2={last.x}
            y1={yOf(last.low)}
            y2={yOf(last.high)}
            strokeWidth={9}
            className="stroke-primary opacity-20"
          />
          <circle cx={last.x} cy={yOf(last.mean)} r={3.5} className="fill-primary" />
        </>
      )}
      {points.map((p, i) => (
        <g key={`${p.visit.id} ${p.visit.on}`}>
          {marksOf(p.visit).map((s, k, all) => {
            const x = xOf(i) + (all.length > 1 ? (k === 0 ? -8 : 8) : 0);
            return (
              <g key={`${s.loadKg}`}>
                <rect
                  x={x - MARK / 2}
                  y={yOf(s.loadKg) - MARK / 2}
                  width={MARK}
                  height={MARK}
                  strokeWidth={2}
                  className={`fill-base-100 ${p.visit.odd ? "stroke-accent" : "stroke-base-content"}`}
                  strokeDasharray={p.visit.odd ? "2 2" : undefined}
                />
                <text
                  x={x}
                  y={yOf(s.loadKg) + repsBeside(yOf(s.loadKg))}
                  textAnchor="middle"
                  fontSize={11.5}
                  className="fill-quiet"
                >
                  {s.reps}
                </text>
              </g>
            );
          })}
          <text x={xOf(i)} y={H - 22} textAnchor="middle" fontSize={12} className="fill-quiet">
            {shortDay(p.visit.on, locale)}
          </text>
        </g>
      ))}
      <rect
        x={nextX - MARK / 2 - 1}
        y={yOf(planned.kg) - MARK / 2 - 1}
        width={MARK + 2}
        height={MARK + 2}
        strokeWidth={2}
        strokeDasharray="3 2"
        className="fill-none stroke-accent"
      />
      <text
        x={nextX}
        y={yOf(planned.kg) - 12}
        textAnchor="middle"
        fontSize={12.5}
        fontWeight={650}
        className="fill-accent"
      >
        {massOf(planned.kg)} × {planned.reps}
      </text>
      <text x={nextX} y={H - 22} textAnchor="middle" fontSize={12} className="fill-accent">
        next
      </text>
    </svg>
  );
}

/** Repetitions stand under their square, at the foot of the picture above it: there the days stand. */
const repsBeside = (y: number): number => (y + 20 > H - 36 ? -12 : 20);

/** The first load of a visit and the last, where it was changed. */
function marksOf({ sets }: VisitOnStation): VisitOnStation["sets"][number][] {
  const [first, last] = [sets[0], sets.at(-1)];
  return [...(first ? [first] : []), ...(last && last.loadKg !== first?.loadKg ? [last] : [])];
}
