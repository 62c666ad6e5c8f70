import { EXERCISES, exerciseById } from "../../rules/exercises";
import { lineIdOf } from "../../testdata/keptLines";
import { EXAMPLES, line, scoreContext } from "../../testdata/scoreContext";
import { tissueDose } from "../effect/tissueDose";
import { judgeScore } from "../judge/judgeScore";
import { keep } from "../judge/keep";
import type { KeptLine } from "../line/keptLine";
import { legsAllowed } from "../line/legs";
import type { Scheme } from "../schemes/scheme";
import { type ShortFor, shortForm, shortSeconds } from "./shortForm";

const context = scoreContext();
const keptOf = (asked: readonly [string, Scheme][]): KeptLine[] =>
  judgeScore(
    asked.map(([id, scheme], i) => {
      const e = EXERCISES.find((x) => x.id === id);
      const legs = (e && legsAllowed(e, scheme.kind)[0]) ?? "together";
      return { ...line(id, scheme, { legs, sharesRests: i > 0 }), lineId: lineIdOf(i) };
    }),
    context,
  ).map((j) => keep(j, context, new Map()));
const exerciseOf = (id: string) => exerciseById(id) ?? null;
const WHO: ShortFor = { aimed: [], sore: "knee", mostTissue: 99 };
const short = (lines: readonly KeptLine[], who: Partial<ShortFor> = {}) =>
  shortForm(lines, exerciseOf, { ...WHO, ...who });
const workSets = (lines: readonly KeptLine[] | null) =>
  (lines ?? []).map((l) => [l.exerciseId, l.sets.filter((s) => s.role === "work").length]);

test("a short day has a set fewer of each line, ramps stay, and support work is left out", () => {
  const lines = keptOf([
    ["hip_abd_standing", EXAMPLES.straight],
    ["lp_horizontal", EXAMPLES.ramp],
    ["curl_seated", { ...EXAMPLES.straight, sets: 2 }],
    ["calf_standing", EXAMPLES.straight],
  ]);
  const made = short(lines);
  expect(workSets(made)).toEqual([
    ["lp_horizontal", 2],
    ["curl_seated", 1],
  ]);
  expect(made?.[0]?.sets.filter((s) => s.role === "ramp")).toEqual(
    lines[1]?.sets.filter((s) => s.role === "ramp"),
  );
  // what stood in the rests of a line that is gone stands alone
  expect(made?.[0]?.sharesRests).toBe(false);
  expect(made?.[0]?.scheme).toMatchObject({ sets: 2 });
  const seconds = shortSeconds(lines, made ?? [], 2400);
  expect(seconds).toBeLessThan(1700);
  expect(seconds).toBeGreaterThan(330);
});

test("two lines stay at least, and what cannot be shortened has no short form", () => {
  const two = keptOf([
    ["lp_horizontal", EXAMPLES.straight],
    ["calf_standing", EXAMPLES.straight],
    ["hip_abd_standing", EXAMPLES.straight],
  ]);
  expect(workSets(short(two)).map(([id]) => id)).toEqual(["lp_horizontal", "calf_standing"]);
  const one = keptOf([["kext_iso_machine", { ...EXAMPLES.holds, effort: { kind: "felt", felt: 5 } }]]);
  expect(short(one)).toBeNull();
  const support = keptOf([["calf_standing", { ...EXAMPLES.straight, sets: 1 }]]);
  expect(short(support)).toBeNull();
});

test("what trains the muscles that the phase is for is no support work. Rule W2", () => {
  const lines = keptOf([
    ["hip_abd_standing", EXAMPLES.straight],
    ["lp_horizontal", EXAMPLES.straight],
    ["curl_seated", EXAMPLES.straight],
  ]);
  const ids = (aimed: ShortFor["aimed"]) => (short(lines, { aimed }) ?? []).map((l) => l.exerciseId);
  expect(ids([])).toEqual(["lp_horizontal", "curl_seated"]);
  expect(ids(["abductors"])).toEqual(["hip_abd_standing", "lp_horizontal", "curl_seated"]);
});

test("sets go until the day fits what this knee takes, and work that is quiet there stays whole. Rule W4", () => {
  const lines = keptOf([
    ["lp_horizontal", EXAMPLES.straight],
    ["curl_seated", EXAMPLES.straight],
    ["calf_standing", EXAMPLES.straight],
  ]);
  const who = { aimed: ["quads", "calves"] as const, sore: "knee" as const };
  const doseOf = (all: readonly KeptLine[] | null) =>
    (all ?? []).reduce((sum, l) => sum + tissueDose(l, exerciseOf(l.exerciseId), "knee"), 0);
  const wide = short(lines, who);
  for (const share of [0.9, 0.6, 0.4]) {
    const mostTissue = share * doseOf(wide);
    const made = short(lines, { ...who, mostTissue });
    expect(doseOf(made)).toBeLessThanOrEqual(mostTissue);
    expect(workSets(made).find(([id]) => id === "calf_standing")).toEqual(
      workSets(wide).find(([id]) => id === "calf_standing"),
    );
  }
  // one line is always left
  expect(short(lines, { ...who, mostTissue: 0 })?.map((l) => l.exerciseId)).toEqual(["calf_standing"]);
});
