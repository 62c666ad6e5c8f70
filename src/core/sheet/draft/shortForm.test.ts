import { EXERCISES, exerciseById } from "../../rules/exercises";
import { lineIdOf } from "../../testdata/keptLines";
import { EXAMPLES, line, scoreContext } from "../../testdata/scoreContext";
import { judgeScore } from "../judge/judgeScore";
import { keep } from "../judge/keep";
import type { KeptLine } from "../line/keptLine";
import { legsAllowed } from "../line/legs";
import type { Scheme } from "../schemes/scheme";
import { shortForm, shortSeconds } from "./shortForm";

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
const short = (lines: readonly KeptLine[]) => shortForm(lines, (id) => exerciseById(id) ?? null);
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
