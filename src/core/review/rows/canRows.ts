import type { Moved } from "../../capacity/learn";
import { LOW_END_Z } from "../../capacity/shows";
import { MOVEMENTS } from "../../strength/movements";
import { type Said, saidWith } from "../../units/said";
import type { ReviewFacts } from "../facts";
import { type Point, type Row, rowOf } from "../row";

const BY: Record<Moved["kind"], Said> = {
  trial: { code: "review.by_trial" },
  sets: { code: "review.by_sets" },
  holds: { code: "review.by_holds" },
  daily: { code: "review.by_daily" },
  away: { code: "review.by_away" },
};

const ODD: Record<NonNullable<Moved["odd"]>, Said> = {
  waits: { code: "review.odd_waits" },
  cut: { code: "review.odd_cut" },
};

/** What is believed when a day is over, with whatever on it did not fit. */
const pointOf = (m: Moved, day: readonly Moved[]): Point => ({
  on: m.on,
  value: m.toNm,
  low: m.toNm * Math.exp(-LOW_END_Z * m.sd),
  high: m.toNm * Math.exp(LOW_END_Z * m.sd),
  inputs: [
    { name: { code: "review.before" }, value: `${Math.round(m.fromNm)} N·m`, origin: "estimated" },
    {
      name: { code: "review.moved_by" },
      value: BY[m.kind],
      origin: m.kind === "trial" ? "measured" : "entered",
    },
  ],
  note: [BY[m.kind], ...new Set(day.flatMap(({ odd }) => (odd ? [ODD[odd]] : [])))],
});

const byDay = (moved: readonly Moved[]): Point[] =>
  [...new Map(moved.map((m) => [m.on, m])).values()].map((last) =>
    pointOf(
      last,
      moved.filter((m) => m.on === last.on),
    ),
  );

/** What the leg can do by everything that was done, with the band that eight of ten lie in. Rule L6. */
export const canRows = ({ can }: Pick<ReviewFacts, "can">): Row[] =>
  (["knee_extension", "knee_flexion"] as const).map((m) =>
    rowOf({
      id: `can ${m}`,
      name: saidWith("review.can", { name: MOVEMENTS[m].name }),
      under: { code: "review.can_under" },
      unit: "N·m",
      better: "up",
      least: 0,
      how: {
        formula: { code: "review.can_formula" },
        source: { code: "review.can_source" },
        confidence: "own",
        origin: "estimated",
        cannotTell: { code: "review.can_cannot" },
      },
      series: [{ key: "own", name: { code: "review.can_series" }, mark: "dot", points: byDay(can[m]) }],
    }),
  );
