import { converge } from "../testdata/capacity/madeUpLifter";

/** Visits 1 2 3 4 6 12 of the table in docs/rules.md. */
const LOOKED_AT = [0, 1, 2, 3, 5, 11];
const at = (all: number[]) => LOOKED_AT.map((v) => all[v] as number);
/** Points that fewer people than in the table may lie off. */
const MAY_DIFFER = 5;

test("loads of people with low irritability become right within four visits, and the band holds the truth", () => {
  const found = converge(500, { sd: 0.35, care: "low", reserve: 2, days: 2.33 });
  for (const [i, wanted] of [29, 60, 82, 94, 99, 98].entries())
    expect(Math.abs((at(found.within12)[i] as number) - wanted)).toBeLessThanOrEqual(MAY_DIFFER);
  for (const [i, wanted] of [6, 2, 0, 0, 0, 0].entries())
    expect(Math.abs((at(found.over15)[i] as number) - wanted)).toBeLessThanOrEqual(MAY_DIFFER);
  for (const failed of found.failed) expect(failed).toBeLessThan(14);
});

test("loads of people who are easily stirred up rise more slowly and hardly ever fail", () => {
  const found = converge(500, { sd: 0.35, care: "strict", reserve: 3, days: 3.5 });
  for (const [i, wanted] of [16, 25, 33, 39, 54, 88].entries())
    expect(Math.abs((at(found.within12)[i] as number) - wanted)).toBeLessThanOrEqual(MAY_DIFFER);
  for (const failed of found.failed) expect(failed).toBeLessThan(5);
});
