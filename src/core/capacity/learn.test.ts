import fc from "fast-check";
import { kFactorUnbounded } from "../strength/repetitionMaximum";
import { daysAfter } from "../units/days";
import { type CapacityEvent, learn, shownOn } from "./learn";
import { lowOf } from "./shows";
import type { Station } from "./station";

const PRIOR = { peakNm: 120, sd: 0.3 };
const FROM = "2026-01-05";
const station = (id: string, isOwn = false): Station => ({
  id,
  isOwn,
  eta: 0.85,
  repetitionsFactor: 1,
  angles: [{ bareNm: 8, perKgNm: 2, shape: 0.95 }],
});
const sets = (
  on: string,
  loadKg: number,
  reserve: number | null,
  over: Partial<Extract<CapacityEvent, { kind: "sets" }>> = {},
): CapacityEvent => ({
  kind: "sets",
  on,
  id: `visit ${on}`,
  station: station("a"),
  stationSd: 0.2,
  isTrusted: true,
  doneKg: loadKg,
  sets: [{ loadKg, reps: 10, reserve, ended: "planned" }],
  ...over,
});
const nm = (l: { mean: number }) => Math.exp(l.mean);

test("what is shown in sets raises or lowers what a leg is believed to do, and narrows the doubt", () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 60 }), fc.integer({ min: 0, max: 5 }), (kg, reserve) => {
      const one = learn(PRIOR, [sets(FROM, kg, reserve)], FROM);
      const more = learn(PRIOR, [sets(FROM, kg + 5, reserve)], FROM);
      expect(one.peak.sd).toBeLessThan(0.31);
      expect(nm(more.peak)).toBeGreaterThan(nm(one.peak) - 1e-9);
      expect(one.stations.a?.visits).toBe(1);
      expect(one.stations.a?.shown.sd).toBeLessThan(shownOn(learn(PRIOR, [], FROM), "a").sd);
    }),
    { numRuns: 200 },
  );
});

test("the order in which records arrive does not matter, the order of days does", () => {
  const days = [0, 3, 7, 10].map((d, i) => sets(daysAfter(FROM, d), 20 + 3 * i, 2));
  const today = daysAfter(FROM, 12);
  expect(learn(PRIOR, days.toReversed(), today)).toEqual(learn(PRIOR, days, today));
});

test("both legs together never speak for one of them; a trial does", () => {
  const two = learn(PRIOR, [sets(FROM, 120, 2, { station: station("a", true) })], FROM);
  expect(nm(two.peak)).toBeCloseTo(PRIOR.peakNm, 9);
  expect(nm(shownOn(two, "a"))).toBeGreaterThan(PRIOR.peakNm);
  const tried = learn(PRIOR, [{ kind: "trial", on: FROM, id: "t", torqueNm: 90, shape: 1 }], FROM);
  expect(tried.from).toBe("trials");
  expect(nm(tried.peak)).toBeLessThan(95);
});

test("a weak leg that was measured is believed, however far it lies under what people like it have", () => {
  const tried = learn(PRIOR, [{ kind: "trial", on: FROM, id: "t", torqueNm: 20, shape: 1 }], FROM);
  expect(nm(tried.peak)).toBeLessThan(23);
});

test("weeks without work take strength away and bring doubt; weeks at work bring neither so fast", () => {
  const worked = [0, 7, 14, 21, 28, 35, 42].map((d) => sets(daysAfter(FROM, d), 20, 2));
  const today = daysAfter(FROM, 49);
  const busy = learn(PRIOR, worked, today);
  const idle = learn(PRIOR, worked.slice(0, 1), today);
  expect(idle.peak.mean).toBeLessThan(learn(PRIOR, worked.slice(0, 1), FROM).peak.mean - 0.03);
  expect(idle.peak.sd).toBeGreaterThan(busy.peak.sd);
});

test("a slip of the finger upward waits for somebody's word and moves nothing; confirmed it counts", () => {
  const before = learn(PRIOR, [sets(FROM, 20, 2)], FROM);
  const slip = sets(FROM, 200, 2, { id: "slip", isTrusted: false });
  const after = learn(PRIOR, [sets(FROM, 20, 2), slip], FROM);
  expect(after.peak).toEqual(before.peak);
  expect(after.moved.filter((m) => m.odd).map((m) => [m.id, m.odd])).toEqual([["slip", "waits"]]);
  expect(after.moved.at(-1)?.toNm).toBe(after.moved.at(-1)?.fromNm);
  const confirmed = learn(PRIOR, [sets(FROM, 20, 2), { ...slip, isTrusted: true } as CapacityEvent], FROM);
  expect(nm(confirmed.peak)).toBeGreaterThan(nm(before.peak));
});

test("what is done every day is a floor: it lifts a low guess and never lowers a high one", () => {
  const daily = (demandNm: number): CapacityEvent => ({
    kind: "daily",
    on: FROM,
    id: "d",
    demandNm,
    shape: 1,
  });
  expect(nm(learn(PRIOR, [daily(200)], FROM).peak)).toBeGreaterThan(PRIOR.peakNm);
  expect(nm(learn(PRIOR, [daily(40)], FROM).peak)).toBeCloseTo(PRIOR.peakNm, 9);
});

test("ten years of sets fold, and what they say is named", () => {
  const many = Array.from({ length: 1500 }, (_, i) =>
    sets(daysAfter(FROM, i * 2), 20 + (i % 7), i % 4, { station: station(`s${i % 8}`) }),
  );
  const found = learn(PRIOR, many, daysAfter(FROM, 3001));
  expect(Object.keys(found.stations)).toHaveLength(8);
  expect(found.moved.at(-1)?.on).toBe(many.at(-1)?.on);
  expect(found.peak.sd).toBeLessThan(0.2);
});

test("what was lately done is not doubted: easy sets never leave the low end below what they prove, and old or odd ones prove nothing", () => {
  const k = (reps: number) => Math.log(kFactorUnbounded(reps));
  const easy = { sets: [{ loadKg: 20, reps: 20, reserve: 10, ended: "planned" as const }] };
  const demand = Math.log((8 + 2 * 20) / (0.95 * 0.85));
  const at = (on: string, over = {}) =>
    learn(PRIOR, [sets(FROM, 20, 10, { ...easy, ...over })], on).stations.a;
  // half of what was said to be left counts, four at the most
  expect(at(FROM)?.proved).toBeCloseTo(demand + k(24), 9);
  expect(at(daysAfter(FROM, 28))?.proved).toBeCloseTo(demand + k(24), 9);
  expect(at(daysAfter(FROM, 29))?.proved).toBeNull();
  expect(at(FROM, { isTrusted: false })?.proved).toBeNull();
  const strict = { sets: [{ ...easy.sets[0], isStrict: true }] };
  expect(at(FROM, strict)?.proved).toBeCloseTo(demand + k(20), 9);
  const gaveOut = { sets: [{ loadKg: 20, reps: 20, reserve: 0, ended: "muscle" as const }] };
  expect(at(FROM, gaveOut)?.proved).toBeCloseTo(demand + k(20), 9);
  const hurt = { sets: [{ loadKg: 20, reps: 20, reserve: 5, ended: "other" as const }] };
  expect(at(FROM, hurt)?.proved).toBeNull();
});

test("the low end is raised by what is proved, to the middle at the most", () => {
  const shown = { mean: 5, sd: 0.3 };
  expect(lowOf(shown, 1.28)).toBeCloseTo(Math.exp(5 - 1.28 * 0.3), 9);
  expect(lowOf(shown, 1.28, 4.9)).toBeCloseTo(Math.exp(4.9), 9);
  expect(lowOf(shown, 1.28, 4)).toBeCloseTo(Math.exp(5 - 1.28 * 0.3), 9);
  expect(lowOf(shown, 1.28, 6)).toBeCloseTo(Math.exp(5), 9);
});

test("what waits for somebody's word counts once another day repeats it, and not on the same day twice (L7)", () => {
  const heavy = (on: string) => sets(on, 120, 2, { isTrusted: false });
  const known = [0, 3, 6].map((d) => sets(daysAfter(FROM, d), 20, 2));
  const on = (d: number) => daysAfter(FROM, d);
  const after = (...more: CapacityEvent[]) => learn(PRIOR, [...known, ...more], on(20)).peak.mean;
  expect(after(heavy(on(9)))).toBeCloseTo(after(), 1);
  expect(after(heavy(on(9)), { ...heavy(on(9)), id: "again" })).toBeCloseTo(after(), 1);
  expect(after(heavy(on(9)), heavy(on(12)))).toBeGreaterThan(after() + 0.05);
  // a greater slip repeats nothing, nor does one of another month
  expect(after(heavy(on(9)), sets(on(12), 200, 2, { isTrusted: false }))).toBeCloseTo(after(), 1);
  const later = (d: number) => learn(PRIOR, [...known, heavy(on(9)), heavy(on(d))], on(60)).peak.mean;
  expect(later(37)).toBeGreaterThan(later(38) + 0.05);
});
