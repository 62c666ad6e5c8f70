import { type MeasurementKind, measurementKind } from "../../measure/measurementKinds";
import { type Side, SWELLING_WORDS } from "../../units/fields";
import { saidWith } from "../../units/said";
import type { ReviewFacts } from "../facts";
import { type Point, point, type Row, rowOf } from "../row";

/** What a row shows, in the order of the page. The repetition test is a line's own matter. */
const SHOWN: readonly MeasurementKind[] = [
  "swelling",
  "knee_bend",
  "knee_straightening",
  "sit_to_stand_30s",
  "daily_pain",
  "single_leg_balance",
  "girth_mid_patella",
  "girth_thigh",
];
const FALLS: readonly MeasurementKind[] = [
  "swelling",
  "knee_straightening",
  "daily_pain",
  "girth_mid_patella",
];

/** Swelling with what mornings said of it, range, sit-to-stands and what else was measured. */
export function measureRows({
  measurements,
  visits,
  side,
}: Pick<ReviewFacts, "measurements" | "visits" | "side">): Row[] {
  return SHOWN.flatMap((kind) => {
    const spec = measurementKind(kind);
    const own = measurements
      .filter((m) => m.kind === kind)
      .sort((a, b) => a.takenOn.localeCompare(b.takenOn));
    const of = (s: Side | null): Point[] =>
      own.filter((m) => m.side === s).map((m) => point(m.takenOn, m.value, m.way ? [m.way] : []));
    const other: Side = side === "left" ? "right" : "left";
    const mornings =
      kind === "swelling"
        ? visits.flatMap((v) => (v.swelling === null ? [] : [point(v.on, v.swelling)]))
        : [];
    const series = [
      {
        key: "own",
        name: spec.isSided ? saidWith("review.side_this", { side }) : spec.name,
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
    return [
      rowOf({
        id: `measure ${kind}`,
        name: spec.name,
        how: {
          formula: { code: "review.as_measured" },
          source:
            spec.realChange === null
              ? { code: "review.own_record" }
              : saidWith("review.own_record_error", { change: spec.realChange, unit: spec.unit }),
          confidence: "high",
          origin: "measured",
        },
        under: saidWith("review.marks", { marks: series.map((s) => ({ mark: s.mark, name: s.name })) }),
        unit: spec.unit,
        // a goniometer is not read finer than a degree
        digits: spec.isWhole || spec.unit === "°" ? 0 : 1,
        better: FALLS.includes(kind) ? "down" : "up",
        realChange: spec.realChange,
        least: kind === "swelling" ? 0 : null,
        most: kind === "swelling" ? 4 : null,
        scale: kind === "swelling" ? SWELLING_WORDS : null,
        series,
      }),
    ];
  });
}
