import type { NeedOfGoal } from "../../measure/goalNeeds";
import { isAlike, type MeasuredBeside } from "../../measure/measured";
import {
  MEASUREMENT_KIND_IDS,
  type MeasurementKind,
  measurementKind,
  realChangeFrom,
} from "../../measure/measurementKinds";
import { type Side, SWELLING_WORDS } from "../../units/fields";
import { saidWith } from "../../units/said";
import type { ReviewFacts } from "../facts";
import { type Point, point, type Row, rowOf } from "../row";

/** Rows of their own, or none. */
const ELSEWHERE: ReadonlySet<MeasurementKind> = new Set(["repetition_test", "painful_arc", "pelvis_rolls"]);
/** What is read first, in this order; the others follow as Measure has them. */
const FIRST: readonly MeasurementKind[] = ["swelling", "knee_bend", "knee_straightening", "sit_to_stand_30s"];
const SHOWN: readonly MeasurementKind[] = [
  ...FIRST,
  ...MEASUREMENT_KIND_IDS.filter((k) => !FIRST.includes(k) && !ELSEWHERE.has(k)),
];

/**
 * Swelling with what mornings said of it, range, counts, times and tests of the clinic's own: what can be compared with the
 * newest of its kind. A row of which a goal asks more than was measured leads, the largest gap first.
 */
export function measureRows({
  measurements,
  visits,
  side,
  needs,
}: Pick<ReviewFacts, "measurements" | "visits" | "side" | "needs">): Row[] {
  const inOrder = measurements.toSorted((a, b) => a.takenOn.localeCompare(b.takenOn));
  const rows = SHOWN.flatMap((kind) => {
    const own = inOrder.filter((m) => m.kind === kind);
    const kinds = kind === "free_test" ? [...new Set(own.map((m) => m.test?.name))] : [null];
    return kinds.flatMap((name) => {
      const of = own.filter((m) => name === null || m.test?.name === name);
      const newest = of.at(-1);
      const alike = newest ? of.filter((m) => isAlike(m, newest)) : of;
      const mornings =
        kind === "swelling"
          ? visits.flatMap((v) => (v.swelling === null ? [] : [point(v.on, v.swelling)]))
          : [];
      return rowOfKind(
        kind,
        alike,
        mornings,
        side,
        needs.find((n) => n.measure === kind && n.as === "value"),
      );
    });
  });
  const gap = (r: Row): number => needs.findIndex((n) => r.id === `measure ${n.measure}`);
  return [...rows.filter((r) => r.leads).sort((a, b) => gap(a) - gap(b)), ...rows.filter((r) => !r.leads)];
}

function rowOfKind(
  kind: MeasurementKind,
  all: readonly MeasuredBeside[],
  mornings: Point[],
  side: Side,
  need: NeedOfGoal | undefined,
): Row[] {
  const spec = measurementKind(kind);
  const test = all.at(-1)?.test ?? null;
  const name = test?.name ?? spec.name;
  const unit = test?.unit ?? spec.unit;
  const of = (s: Side | null): Point[] =>
    all.filter((m) => m.side === s).map((m) => point(m.takenOn, m.value, m.way ? [m.way] : []));
  const other: Side = side === "left" ? "right" : "left";
  const series = [
    {
      key: "own",
      name: spec.isSided ? saidWith("review.side_this", { side }) : name,
      mark: "dot" as const,
      points: of(spec.isSided ? side : null),
    },
    {
      key: "other",
      name: saidWith("review.side_other", { side: other }),
      mark: "diamond" as const,
      points: spec.isSided ? of(other) : [],
    },
    { key: "morning", name: { code: "review.morning_after" }, mark: "ring" as const, points: mornings },
  ].filter((s) => s.points.length > 0);
  if (series.length === 0) return [];
  const first = series[0]?.points[0]?.value ?? 0;
  const realChange = test ? test.error : realChangeFrom(kind, first);
  const row = rowOf({
    id: test ? `measure ${kind} ${test.name}` : `measure ${kind}`,
    name,
    how: {
      formula: { code: "review.as_measured" },
      source:
        realChange === null
          ? { code: "review.own_record" }
          : saidWith("review.own_record_error", { change: Math.round(realChange * 100) / 100, unit }),
      confidence: "high",
      origin: "measured",
    },
    under: saidWith("review.marks", { marks: series.map((s) => ({ mark: s.mark, name: s.name })) }),
    unit,
    // a goniometer is not read finer than a degree
    digits: spec.isWhole || unit === "°" ? 0 : unit === "m/s" ? 2 : 1,
    better: test?.better ?? spec.better,
    realChange,
    least: kind === "swelling" ? 0 : null,
    most: kind === "swelling" ? 4 : null,
    scale: kind === "swelling" ? SWELLING_WORDS : null,
    series,
    marks: need ? [{ value: need.need, words: saidWith("review.goal_asks", { need: need.need, unit }) }] : [],
  });
  return [need?.shortfall ? { ...row, leads: true } : row];
}
