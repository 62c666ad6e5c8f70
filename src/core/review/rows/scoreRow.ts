import { type Row, rowOf } from "../row";

/** Points of ten that more than chance makes. */
const REAL_CHANGE = 2;

/** How a score came about that somebody said, by its own words. */
export const asSaid = (formula: string): Row["how"] => ({
  formula: { code: formula },
  source: { code: "review.own_record" },
  confidence: "high",
  origin: "entered",
});

/** A row of scores that people gave, 0 to 10. */
export const scoreRow = (row: Pick<Row, "id" | "name" | "under" | "series"> & Partial<Row>): Row =>
  rowOf({
    how: {
      formula: { code: "review.pain_formula" },
      source: { code: "review.pain_source" },
      confidence: "high",
      origin: "entered",
      cannotTell: { code: "review.pain_cannot" },
    },
    unit: "of 10",
    better: "down",
    realChange: REAL_CHANGE,
    least: 0,
    most: 10,
    ...row,
  });
