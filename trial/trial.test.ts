import { bodyOf, doseOf, graftToday, morningAfter, repetitionsAt, setOf, weekPasses } from "./body";
import { chanceOf } from "./chance";
import { live, type POLICIES } from "./live";
import people from "./people.json";
import { percentile } from "./percentile";
import { trialPerson } from "./person";
import { isDeadEnd } from "./policies/bexlo";
import { aimsOf, trialResult } from "./results";

const PEOPLE = people.map((p) => trialPerson.parse(p));
const one = (name: string) => {
  const p = PEOPLE.find((x) => x.name.startsWith(name));
  if (!p) throw new Error(`nobody is called ${name}`);
  return p;
};
const body = () => bodyOf(one("arthritis"), chanceOf(1));

test("two hundred made-up people of eight kinds and more, each in the bounds of a body", () => {
  expect(PEOPLE).toHaveLength(200);
  expect(new Set(PEOPLE.map((p) => p.name)).size).toBe(200);
  expect(new Set(PEOPLE.map((p) => `${p.condition} ${p.phase}`)).size).toBeGreaterThanOrEqual(8);
});

test("a week of effective sets makes stronger, less so near what can be reached; a week without takes half a percent", () => {
  const b = { ...body(), potential: 1.5 };
  weekPasses(b, { quads: 4 });
  expect(b.strength.quads).toBeCloseTo(1 + 0.035 * (1 - Math.exp(-1)), 9);
  expect(b.strength.hams).toBeCloseTo(0.995, 9);
  b.strength.quads = 1.5;
  weekPasses(b, { quads: 20 });
  expect(b.strength.quads).toBeCloseTo(1.5, 9);
});

test("a visit within what the tissue takes makes it take more, a sore one less, and far too much swells", () => {
  const still = { share: () => 0.5, normal: () => 0 };
  const b = { ...body(), takes: 10, usual: 1, flareDays: [] };
  expect(morningAfter(b, still, 9, 0)).toEqual({ pain: 1, isFlare: false, isSwollen: false });
  expect(b.takes).toBeCloseTo(10.2);
  expect(morningAfter(b, still, 3, 2).isFlare).toBe(false);
  expect(b.takes).toBeCloseTo(10.2);
  const much = morningAfter(b, still, 2 * b.takes, 4);
  expect(much).toEqual({ pain: 3, isFlare: true, isSwollen: true });
  expect(b.takes).toBeCloseTo(0.95 * 10.2);
  expect(b.swollenUntil).toBe(11);
  // two within three weeks, and bad luck
  morningAfter(b, { share: () => 0.1, normal: () => 0 }, 3 * b.takes, 10);
  expect(b.hasQuit).toBe(true);
});

test("repetitions at a share of what can be lifted once, and what is said to be left", () => {
  expect(repetitionsAt(0.9)).toBe(0);
  expect(repetitionsAt(1)).toBe(1);
  for (const ratio of [1.1, 1.3, 1.7]) expect(repetitionsAt(ratio)).toBeLessThan(repetitionsAt(ratio + 0.1));
  const b = { ...body(), bias: 1, says: "fairly" as const };
  const still = { share: () => 0.5, normal: () => 0 };
  const easy = setOf(b, still, 2, 8, 1);
  expect(easy.hasFailed).toBe(false);
  expect(easy.said).toBe(Math.min(10, Math.round(easy.left - 1)));
  const hard = setOf(b, still, 1.15, 12, 1);
  expect(hard).toMatchObject({ hasFailed: true, said: null });
  expect(hard.reps).toBeLessThan(12);
  expect(doseOf(10, 60, 100, 1)).toBeCloseTo(1);
});

test("a graft bears more from week to week; who has none crosses none", () => {
  const graft = one("graft early");
  const b = bodyOf(graft, chanceOf(1));
  expect(graftToday(b, graft, 70)).toBeGreaterThan(graftToday(b, graft, 0));
  expect(graftToday(body(), one("arthritis"), 0)).toBe(Number.POSITIVE_INFINITY);
});

test("who knows the truth is the measure: aims are missed and met by it", () => {
  const course = (policy: "bexlo" | "clairvoyant", gain16: number, flares: number, isStrict = false) => ({
    isStrict,
    ...{ name: "a", kind: "k", policy, gain8: 0, gain16, flares, swellings: 0, sets: 10, failed: 0 },
    ...{ effectiveSets: 1, visits: 1, hasQuit: false, worstShare: 0.8, crossings: 0 },
    ...{ outsideLimits: 0, deadEnds: 0, decisions: {} },
  });
  const missed = (gain: number, flares: number) =>
    aimsOf(trialResult([course("bexlo", gain, flares), course("clairvoyant", 0.2, 1)]))
      .filter((a) => !a.isMet)
      .map((a) => `${a.of} ${a.what}`);
  expect(missed(0.16, 2)).toEqual([]);
  expect(missed(0.15, 2)).toEqual(["all gain"]);
  expect(missed(0.12, 2.1)).toEqual(["all gain", "k gain", "k flares"]);
  // who is dosed strictly has sets that fail less, and none near all that can be lifted
  const hard = { ...course("bexlo", 0.2, 1, true), failed: 0.5, worstShare: 0.95 };
  const strict = aimsOf(trialResult([hard, course("clairvoyant", 0.2, 1, true)]));
  expect(strict.filter((a) => !a.isMet).map((a) => a.what)).toEqual(["failed", "hardest"]);
  expect(percentile([3, 1, 2], 0.5)).toBe(2);
});

test("a dead end is a step up that neither steps nor says what else there is", () => {
  expect(isDeadEnd([{ code: "same" }])).toBe(true);
  expect(isDeadEnd([{ code: "harder_form", name: null }])).toBe(true);
  expect(isDeadEnd([{ code: "harder_form", name: "half squat" }])).toBe(false);
  expect(isDeadEnd([{ code: "barred", because: "a limit" }])).toBe(false);
  expect(isDeadEnd([{ code: "reps", from: 8, to: 9 }])).toBe(false);
});

test("sixteen weeks by Bexlo's own rules: nothing outside the limits, always a next step, and stronger than by guesses", () => {
  const some = ["arthritis", "replacement", "disc", "untrained"].map(one);
  const lived = (policy: keyof typeof POLICIES) => some.map((p, i) => live(p, policy, 500 + i));
  const own = lived("bexlo");
  for (const c of own) {
    expect(c).toMatchObject({ outsideLimits: 0, deadEnds: 0 });
    expect(c.visits).toBeGreaterThan(10);
  }
  // the same chance is the same course
  expect(live(some[0] as (typeof PEOPLE)[number], "bexlo", 500)).toEqual(own[0]);
  const { policies } = trialResult([...own, ...lived("card")]);
  const [bexlo, card] = policies;
  expect(bexlo?.median16).toBeGreaterThan(0);
  expect(bexlo?.median16).toBeGreaterThan(card?.median16 ?? 1);
  expect(bexlo?.flares).toBeLessThan(card?.flares ?? 0);
});
