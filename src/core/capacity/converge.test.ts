import { type Convergence, converge } from "../testdata/capacity/madeUpLifter";

/** Visits 1 2 3 4 6 12 of the table in docs/rules.md. */
const LOOKED_AT = [0, 1, 2, 3, 5, 11];
const at = (all: number[]) => LOOKED_AT.map((v) => all[v] as number);
const PEOPLE = 1500;
/** Points that the table may be missed by. */
const MAY_DIFFER = 3;
/** Rows of the table: percent of people within 12 % of right, and more than 15 % over it. */
const LOW = { within12: [29, 60, 82, 94, 99, 98], over15: [6, 0, 0, 0, 0, 0] };
const STRICT = { within12: [16, 25, 33, 39, 54, 88], over15: [6, 2, 0, 0, 0, 0] };
const IN_LOW = { sd: 0.35, care: "low", reserve: 2, days: 2.33 } as const;
const IN_STRICT = { sd: 0.35, care: "strict", reserve: 3, days: 3.5 } as const;

const missed = (found: number[], wanted: number[]) =>
  Math.max(...wanted.map((w, i) => Math.abs((at(found)[i] as number) - w)));
const slower = (found: Convergence, { within12 }: typeof LOW) =>
  Math.max(...within12.map((w, i) => w - (at(found.within12)[i] as number)));

test.each([
  ["of low irritability", IN_LOW, LOW],
  ["easily stirred up", IN_STRICT, STRICT],
])("loads of people %s become right as the table says", (_, people, table) => {
  const found = converge(PEOPLE, { ...people, proves: false });
  expect(missed(found.within12, table.within12)).toBeLessThanOrEqual(MAY_DIFFER);
  expect(missed(found.over15, table.over15)).toBeLessThanOrEqual(MAY_DIFFER);
});

test("where what was lately done is not doubted they become right no later, and no more is asked too much of", () => {
  const low = converge(PEOPLE, { ...IN_LOW, proves: true });
  const strict = converge(PEOPLE, { ...IN_STRICT, proves: true });
  expect(slower(low, LOW)).toBeLessThanOrEqual(MAY_DIFFER);
  expect(slower(strict, STRICT)).toBeLessThanOrEqual(MAY_DIFFER);
  expect(missed(low.over15, LOW.over15)).toBeLessThanOrEqual(MAY_DIFFER);
  expect(missed(strict.over15, STRICT.over15)).toBeLessThanOrEqual(MAY_DIFFER);
  for (const failed of low.failed) expect(failed).toBeLessThan(14);
  for (const failed of strict.failed) expect(failed).toBeLessThan(5);
});

test("the band of four in five holds the truth in 75 to 90 of a hundred people at every visit", () => {
  for (const care of ["low", "moderate"] as const) {
    const { inBand } = converge(PEOPLE, { ...IN_LOW, care, proves: true });
    for (const percent of inBand) {
      expect(percent).toBeGreaterThanOrEqual(75);
      expect(percent).toBeLessThanOrEqual(90);
    }
  }
});
