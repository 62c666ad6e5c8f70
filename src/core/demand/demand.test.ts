import fc from "fast-check";
import { bodyFrom } from "../body/segments";
import { costOf } from "./cost";
import { tasksOfGoals } from "./goalTasks";
import { momentsOf, TASKS, taskId } from "./tasks";

const BODY = bodyFrom(75, 1.75);
const test60 = (torqueNm: number, takenOn = "2026-11-02") => ({ kneeFlexionDeg: 60, torqueNm, takenOn });

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
  const cost = costOf(BODY, { kind: "chair", seatM: 0.46 }, [test60(90)]);
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
          costOf(bodyFrom(kg, heightM), { kind: "chair", seatM }, [test60(nm)]).percent?.value ?? null;
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
        const cost = costOf(body, task, [test60(80)]);
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
  expect(costOf(BODY, { kind: "kneel" }, []).because).toEqual({ code: "work.never_tested" });
  expect(costOf(bodyFrom(80, 2.05), { kind: "chair", seatM: 0.35 }, [test60(80)]).percent?.value ?? 0).toBe(
    0,
  );
  expect(costOf(BODY, { kind: "chair", seatM: 0.4 }, [test60(80)]).isAtLeast).toBe(true);
});

test("down a stair takes more of the leg than up, and tests older than the curve's span do not count", () => {
  const cost = (kind: "stairs_up" | "stairs_down") =>
    costOf(BODY, { kind, riserM: 0.17 }, [test60(90)]).percent?.value ?? 0;
  expect(cost("stairs_down")).toBeGreaterThan(cost("stairs_up"));
  const old = costOf(BODY, { kind: "half_squat" }, [test60(90), test60(10, "2026-08-01")]);
  expect(old.percent?.value).toBeCloseTo(
    costOf(BODY, { kind: "half_squat" }, [test60(90)]).percent?.value ?? 0,
  );
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
