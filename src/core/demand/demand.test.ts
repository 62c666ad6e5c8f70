import fc from "fast-check";
import { bodyFrom } from "../body/segments";
import type { CurveCan } from "../capacity/capacityAt";
import { learn } from "../capacity/learn";
import { curveCan } from "../selection/setUp/strengthKnown";
import { torqueAngleShape } from "../strength/torqueAngleShape";
import { untestedStrength } from "../strength/untestedStrength";
import { knownOf, surely } from "../testdata/capacity/known";
import { costOf } from "./cost";
import { tasksOfGoals } from "./goalTasks";
import { momentsOf, TASKS, taskId } from "./tasks";

const BODY = bodyFrom(75, 1.75);
/** A leg of which only its torque at 60° is known, and that surely. */
const can60 = (torqueNm: number): CurveCan => ({
  movement: "knee_extension",
  ...surely("extension", torqueNm),
});
const NOTHING = { chair: false, stairs: false };
const costAt = (body: Parameters<typeof costOf>[0], task: Parameters<typeof costOf>[1], torqueNm: number) =>
  costOf(body, task, can60(torqueNm), NOTHING);

/** The calculation of docs/model.md, "A chair by hand": nothing of the product's own code in it. */
function byHand(massKg: number, heightM: number, seatM: number, torqueAt60Nm: number) {
  const [thigh, shank, ankle] = [0.245 * heightM, 0.246 * heightM, 0.039 * heightM];
  const rad = (deg: number) => (deg * Math.PI) / 180;
  const lean = (deg: number) => Math.min(35, Math.max(8, 20 + 0.4 * (deg - 90)));
  const hip = (deg: number) =>
    ankle + shank * Math.cos(rad(lean(deg))) + thigh * Math.cos(rad(deg - lean(deg)));
  let [low, high] = [5, 125];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (hip(middle) > seatM + 0.085) low = middle;
    else high = middle;
  }
  const kneeM = shank * Math.sin(rad(lean(low)));
  const momentNm = 0.5 * massKg * 9.81 * (kneeM - 0.02) - 0.061 * massKg * 9.81 * 0.606 * kneeM;
  const shape = (deg: number) => Math.cos(1.258 * (rad(deg) - 1.133));
  const canNm = (torqueAt60Nm * shape(low)) / shape(60);
  return { deg: low, momentNm, canNm, percent: (100 * momentNm) / canNm };
}

test("the chair's percentage is what the documents compute by hand", () => {
  const hand = byHand(75, 1.75, 0.46, 90);
  const cost = costAt(BODY, { kind: "chair", seatM: 0.46 }, 90);
  expect(cost.hardestDeg).toBeCloseTo(hand.deg, 6);
  expect(cost.percent?.value).toBeCloseTo(hand.percent, 6);
  // the figures that docs/model.md prints
  expect(hand.deg.toFixed(1)).toBe("103.6");
  expect(hand.momentNm.toFixed(1)).toBe("55.6");
  expect(hand.canNm.toFixed(1)).toBe("59.8");
  expect(hand.percent.toFixed(0)).toBe("93");
});

test("a lower seat, a heavier body or a weaker leg never makes it easier, whatever the body", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 40, max: 160, noNaN: true }),
      fc.double({ min: 1.4, max: 2.05, noNaN: true }),
      fc.double({ min: 20, max: 300, noNaN: true }),
      (massKg, heightM, torqueNm) => {
        const at = (kg: number, seatM: number, nm: number) =>
          costAt(bodyFrom(kg, heightM), { kind: "chair", seatM }, nm).percent?.value ?? null;
        const usual = at(massKg, 0.5, torqueNm);
        const lower = at(massKg, 0.46, torqueNm);
        // a path that ends at the curve is met at other angles by another seat
        if (usual !== null && lower !== null) expect(lower).toBeGreaterThanOrEqual(usual * 0.99);
        if (usual === null) return;
        expect(at(massKg + 5, 0.5, torqueNm)).toBeGreaterThan(usual);
        expect(at(massKg, 0.5, torqueNm * 1.2)).toBeLessThan(usual);
      },
    ),
  );
});

test("what the curve or the model does not reach is not known, with the reason; nothing is carried beyond", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 40, max: 160, noNaN: true }),
      fc.double({ min: 1.4, max: 2.05, noNaN: true }),
      fc.constantFrom(...TASKS),
      (massKg, heightM, task) => {
        const body = bodyFrom(massKg, heightM);
        const cost = costAt(body, task, 80);
        const deepest = momentsOf(body, task)?.[0]?.kneeFlexionDeg ?? null;
        if (deepest === null) expect(cost.because).toEqual({ code: "work.too_low" });
        else if (cost.percent) {
          expect(cost.isAtLeast).toBe(deepest > 110);
          expect(cost.hardestDeg).toBeLessThanOrEqual(110);
          expect(cost.percent.value).toBeGreaterThan(0);
          expect(cost.percent.doubt).toBeGreaterThan(0);
          expect(cost.hardestDeg).toBeLessThanOrEqual(deepest);
        }
      },
    ),
  );
  expect(costAt(bodyFrom(80, 2.05), { kind: "chair", seatM: 0.35 }, 80).percent?.value ?? 0).toBe(0);
  expect(costAt(BODY, { kind: "chair", seatM: 0.4 }, 80).isAtLeast).toBe(true);
});

test("down a stair takes more of the leg than up", () => {
  const cost = (kind: "stairs_up" | "stairs_down") =>
    costAt(BODY, { kind, riserM: 0.17 }, 90).percent?.value ?? 0;
  expect(cost("stairs_down")).toBeGreaterThan(cost("stairs_up"));
});

test("what a leg can do is learnt from all it did: stronger in sets makes the same chair cheaper, and a guess says it is one", () => {
  const event = { kind: "trial" as const, on: "2026-01-06", id: "t", torqueNm: 200, shape: 1 };
  const prior = { peakNm: 100, sd: 0.3 };
  const with_ = (events: (typeof event)[]): CurveCan => ({
    movement: "knee_extension",
    ...learn(prior, events, "2026-01-07"),
    ...{ peakDeg: null, testedDeg: [] },
  });
  const chair = { kind: "chair", seatM: 0.5 } as const;
  const guess = costOf(BODY, chair, with_([]), NOTHING);
  const tested = costOf(BODY, chair, with_([event]), NOTHING);
  expect(tested.percent?.value ?? 0).toBeLessThan(0.7 * (guess.percent?.value ?? 0));
  expect(guess.percent?.working.inputs[1]).toMatchObject({
    origin: "default",
    from: { code: "work.can_prior" },
  });
  const doubt = (c: typeof guess) => (c.percent?.doubt ?? 0) / (c.percent?.value ?? 1);
  expect(doubt(guess)).toBeGreaterThan(1.3 * doubt(tested));
});

test("who rises without hands and climbs without a rail never needs more than they have, whatever the body (C)", () => {
  let spared = 0;
  fc.assert(
    fc.property(
      fc.double({ min: 40, max: 160, noNaN: true }),
      fc.double({ min: 1.4, max: 2.05, noNaN: true }),
      fc.integer({ min: 18, max: 95 }),
      fc.boolean(),
      (massKg, heightM, ageYears, isWeak) => {
        const body = bodyFrom(massKg, heightM);
        const does = { chair: true, stairs: true };
        const known = knownOf(
          untestedStrength(body, {
            ...{ ageYears, normSex: "female", weeksAfterSurgery: isWeak ? 8 : null, daily: does },
            has: { arthritis: isWeak, kneecapOrTendonPain: false, back: false, longInactivity: isWeak },
          }),
        );
        for (const task of TASKS) {
          const cost = costOf(body, task, curveCan(known, "extension"), does);
          if (cost.spared === null) continue;
          spared++;
          expect(cost.percent?.value ?? 0).toBeGreaterThan(100);
          // a day's bound is a bound and not a value: it may stay a little under what the day asks
          expect(cost.spared.percent.value).toBeLessThan(116);
          expect(cost.spared.percent.value).toBeLessThan(cost.percent?.value ?? 0);
          expect(cost.spared.share).toBeGreaterThanOrEqual(task.kind === "chair" ? 0.3 : 0.7);
        }
      },
    ),
  );
  expect(spared).toBeGreaterThan(20);
  // who does not do it is not said to
  expect(costAt(BODY, { kind: "chair", seatM: 0.46 }, 60).spared).toBeNull();
  const low = costOf(BODY, { kind: "chair", seatM: 0.4 }, can60(60), { chair: true, stairs: true });
  expect(low.spared).toBeNull();
  // the least that makes it fit, and no less of the leg
  const usual = costOf(BODY, { kind: "chair", seatM: 0.46 }, can60(76), { chair: true, stairs: true });
  expect(usual.spared?.share).toBeCloseTo(0.45);
  expect(torqueAngleShape("knee_extension", 60)).toBeGreaterThan(0.9);
});

test("the tasks of goals come first, each once, and every task has its own name", () => {
  expect(tasksOfGoals(["kneel", "low_chair", null, "run"]).map(taskId)).toEqual([
    "kneel",
    "chair_40",
    "chair_46",
    "stairs_up",
  ]);
  expect(new Set(TASKS.map(taskId)).size).toBe(TASKS.length);
});
