import { whyNext } from "@/words/en/numbers/told";
import { bodyFrom } from "../body/segments";
import { EXERCISES } from "../rules/exercises";
import type { SheetInput } from "../selection/rank/rangeSheet";
import { startCapOf } from "../selection/setUp/startCap";
import { chairRise } from "../selection/tissue/tissues";
import { keptLine } from "../sheet/line/keptLine";
import { untestedStrength } from "../strength/untestedStrength";
import { knownOf, surely } from "../testdata/capacity/known";
import { inWords } from "../testdata/inWords";
import { SOUND } from "../testdata/loadFacts";
import type { Said } from "../units/said";
import { grownStronger, kneecapHere, pressHeavier, stackNumber, type ToldFacts, whyHold } from "./told";

const body = bodyFrom(70, 1.7);
const chair = chairRise(body) as NonNullable<ReturnType<typeof chairRise>>;
const _band = { low: 100, middle: 130, high: 160 };
const all: ToldFacts = {
  chair,
  input: {
    body,
    chair,
    tissue: "kneecap",
    capTimes: null,
    basis: { kind: "effort", share: 0.5 },
    exercises: EXERCISES,
    machines: [],
    motion: { shortOfStraightDeg: null, bendDeg: null },
    goalIds: [],
    later: [],
    limits: {},
    weight: { mostN: null, barsPresses: null },
    startCap: startCapOf({ irritability: "low", isPostOp: false, painAtRest: 0, painAtWorst: 1 }),
    hasBackProblem: false,
    strength: { ...knownOf(untestedStrength(body, SOUND)), extension: surely("extension", 130) },
  } as unknown as SheetInput,
};
const numbers = (says: readonly Said[]): number[] =>
  [
    ...says
      .map(inWords)
      .join(" ")
      .matchAll(/[\d.]*\d/g),
  ].map((m) => Number(m[0]));

test("the press takes several times the force for the same work of the knee, with the client's own numbers", () => {
  const told = pressHeavier(all, 45);
  const [press, extension] = told.sides;
  expect(press?.here.kneeMomentNm).toBeCloseTo(extension?.here.kneeMomentNm ?? 0, 3);
  const ratio = (press?.here.forceN ?? 0) / (extension?.here.forceN ?? 1);
  expect(ratio).toBeGreaterThan(2);
  expect(numbers(told.says)).toContain(Number(ratio.toFixed(1)));
  expect(told.says.map(inWords).join(" ").split(" ").length).toBeLessThan(60);
});

test("the kneecap's numbers follow the angle and say which is kinder", () => {
  const [straight, bent] = [kneecapHere(all, 20), kneecapHere(all, 90)];
  expect(inWords(straight.says.at(-1))).toMatch(/the press is kinder/);
  expect(bent.says).not.toEqual(straight.says);
  expect(kneecapHere(all, 0).says.length).toBeGreaterThan(0);
});

const line = keptLine.parse({
  lineId: "6b6b7a0e-5a1f-4f7d-9a0e-1b1f6f1d2c3a",
  exerciseId: "kext_iso_machine",
  name: "held extension",
  kind: "holds",
  legs: "one",
  sharesRests: false,
  machineId: null,
  machineName: null,
  sets: [
    {
      role: "work",
      workS: 30,
      tensionS: 30,
      restS: 60,
      reps: null,
      holds: { reps: 1, holdS: 30, restS: 60 },
      loadShare: 1,
      reserve: null,
      loadKg: 20,
      how: "pin 4",
    },
  ],
  fromDeg: 60,
  toDeg: 60,
  painMax: 3,
  setUp: [],
  drawing: null,
  checks: [],
  needsPins: false,
  lighter: [],
  isHelp: false,
  aimForceN: null,
  total: null,
  leastReserve: null,
  share: 0.4,
  basis: "strength_test",
  feltAim: 6,
  kneecapChairS: 10,
  hardReps: 0,
});

test("a hold is told by its angle, seconds and what moving would add; a number on a stack by what the knee feels", () => {
  const hold = whyHold(all, line);
  expect(inWords(hold?.says[0])).toMatch(
    /You hold at 60° for 30 seconds: your kneecap carries \d\.\d chair rises/,
  );
  const stack = stackNumber(all, line);
  expect(inWords(stack?.says[0])).toContain("“pin 4”");
  const nm = Math.round(Math.abs(stack?.sides[0]?.here.kneeMomentNm ?? 0));
  expect(inWords(stack?.says[1])).toContain(`${nm} N·m`);
  // what is not held, or has nothing set, is not told as if it were
  expect(whyHold(all, { ...line, kind: "straight" })).toBeNull();
  expect(stackNumber(all, { ...line, isHelp: true })).toBeNull();
});

test("why today is as it is: the reasons of the decision and nothing added to them", () => {
  const says = whyNext({
    line: "held extension",
    action: "REGRESS",
    sentence: "Hold at 55° instead of 60°.",
    reasons: ["the morning was 4.", "swelling rose", "a third"],
  });
  expect(says[0]).toBe("held extension: today is a step back.");
  expect(says.slice(1, 3)).toEqual(["Because the morning was 4.", "Because swelling rose."]);
  expect(says).toContain("Hold at 55° instead of 60°.");
});

test("how strong the leg has become is told in kilograms of push, and only where more than the doubt has changed", () => {
  const grown = (toNm: number, waits = false) => {
    const { strength } = all.input;
    const moved = [100, toNm].map((nm, i) => ({
      on: `2026-01-0${i + 1}`,
      id: `${i}`,
      kind: "sets" as const,
      stationId: null,
      fromNm: nm,
      toNm: nm,
      sd: 0.08,
      odd: waits ? ("waits" as const) : null,
    }));
    const extension = { ...strength.extension, moved, peak: { mean: Math.log(toNm), sd: 0.08 } };
    return grownStronger({ ...all, input: { ...all.input, strength: { ...strength, extension } } });
  };
  const words = (toNm: number) => grown(toNm)?.says.map(inWords).join(" ");
  expect(words(130)).toMatch(/become stronger/);
  expect(words(104)).toMatch(/as much as can be told apart/);
  expect(words(80)).toMatch(/lost some/);
  // what waits for somebody's word was not learnt from
  expect(grown(130, true)).toBeNull();
  expect(grownStronger(all)).toBeNull();
});
