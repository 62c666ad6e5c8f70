import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../body/segments";
import { daysBetween } from "../units/days";
import { InputError } from "../units/inputError";
import { issueSaid } from "../units/wrong";
import { capacityNm, fitTorqueAngle } from "./fitTorqueAngle";
import { muscleTorqueNm } from "./forceToTorque";
import { evaluateTest, strengthTestInput } from "./testInput";
import { painStopsTest } from "./testRules";
import { retestDue, testsForCurve } from "./testsForCurve";
import { torqueAngleShape } from "./torqueAngleShape";

const id = "6f7c0f1e-1c1a-4b5e-9d58-0a1b2c3d4e5f";

test("pain above the limit in any push stops a test; at the limit, or unasked, it goes on", () => {
  expect(painStopsTest([1, null, undefined, 3], 3)).toBeNull();
  expect(painStopsTest([], 0)).toBeNull();
  expect(painStopsTest([4, 0], 3)).toMatchObject({ pain: 4, most: 3 });
  expect(painStopsTest([1], 0)).not.toBeNull();
});

describe("from a test at one angle to another", () => {
  const fit = fitTorqueAngle("knee_extension", [{ kneeFlexionDeg: 60, torqueNm: 120 }]);
  test("a test at 60 degrees says what the leg can at 30", () => {
    const expected = (120 * torqueAngleShape("knee_extension", 30)) / torqueAngleShape("knee_extension", 60);
    expect(capacityNm(fit, 30)).toBeCloseTo(expected, 9);
    expect(capacityNm(fit, 30)).toBeCloseTo(86.9, 1);
  });
});

test("a fit through points of the curve itself gives the curve back", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 350, noNaN: true }),
      fc.shuffledSubarray([20, 35, 50, 65, 80, 95], { minLength: 1 }),
      (peak, degs) => {
        const tests = degs.map((deg) => ({
          kneeFlexionDeg: deg,
          torqueNm: peak * torqueAngleShape("knee_extension", deg),
        }));
        const fit = fitTorqueAngle("knee_extension", tests);
        expect(fit.peakTorqueNm).toBeCloseTo(peak, 4);
        expect(fit.rmsNm).toBeLessThan(1e-4);
      },
    ),
  );
});

test("without a test there is no curve, with a sentence", () => {
  expect(() => fitTorqueAngle("knee_extension", [])).toThrow("input.no_test");
});

test("zeroing with the leg relaxed leaves its weight out", () => {
  const at = (zeroedRelaxed: boolean) =>
    muscleTorqueNm({
      movement: "knee_extension",
      forceN: 300,
      leverArmM: 0.35,
      pullAngleDeg: 90,
      kneeFlexionDeg: 60,
      zeroedRelaxed,
      body: bodyFrom(80, 1.7, 0.43),
    });
  expect(at(true)).toBeCloseTo(105, 9);
  expect(at(false)).toBeCloseTo(111.237, 3);
});

describe("a strength test as it is sent", () => {
  const good = {
    id,
    movement: "knee_extension",
    jointAngleDeg: null,
    side: "right",
    kneeFlexionDeg: 60,
    leverArmM: 0.33,
    pullAngleDeg: 90,
    zeroedRelaxed: false,
    trials: [
      { id, source: "typed", forceN: 300 },
      { id, source: "typed", forceN: 310 },
    ],
  };
  test("two typed trials that agree make a result", () => {
    const parsed = strengthTestInput.parse(good);
    expect(evaluateTest(parsed, bodyFrom(71, 1.68)).result).toMatchObject({ status: "ok" });
  });
  test.each([
    ["kneeFlexionDeg", 200, /between 0 and 130/],
    ["kneeFlexionDeg", Number.NaN, /as a number in degrees/],
    ["kneeFlexionDeg", -5, /between 0 and 130/],
    ["leverArmM", 17, /between 0.1 and 0.6 m/],
    ["leverArmM", 0, /between 0.1 and 0.6 m/],
    ["leverArmM", undefined, /as a number in m/],
    ["pullAngleDeg", "square", /as a number/],
    ["trials", [], /at least two trials/],
    ["trials", [{ id, source: "typed", forceN: 1e9 }], /between 1 and 3000 N/],
    ["trials", [{ id, source: "typed", forceN: 0 }], /between 1 and 3000 N/],
    ["trials", [{ id, source: "load_cell", trace: { timeS: [0, 0], forceN: [1, 2] } }], /10 samples/],
  ])("%s = %p is refused with a sentence", (field, value, sentence) => {
    const parsed = strengthTestInput.safeParse({ ...good, [field]: value });
    expect(parsed.success).toBe(false);
    expect(parsed.error?.issues.map((i) => sayPlainly(issueSaid(i))).join(" ")).toMatch(sentence);
  });
});

describe("which tests make the curve", () => {
  const on = (takenOn: string, kneeFlexionDeg: number, torqueNm: number) => ({
    takenOn,
    kneeFlexionDeg,
    torqueNm,
  });
  test("the newest at each angle, none older than four weeks before the newest", () => {
    const chosen = testsForCurve([
      on("2026-03-01", 60, 90),
      on("2026-04-20", 60, 110),
      on("2026-04-02", 90, 95),
      on("2026-01-01", 30, 60),
    ]);
    expect(chosen.map((t) => t.torqueNm)).toEqual([110, 95]);
  });
  test("a test outside the curve is kept on record and feeds no curve", () => {
    expect(testsForCurve([on("2026-03-01", 5, 40), on("2026-03-01", 120, 60)])).toEqual([]);
    expect(retestDue([on("2026-03-01", 120, 60)], "2026-03-02")).toEqual({ code: "due.no_test" });
  });
  test("a re-test falls due after six weeks", () => {
    expect(retestDue([], "2026-05-01")).toEqual({ code: "due.no_test" });
    expect(retestDue([on("2026-04-01", 60, 100)], "2026-05-13")).toBeNull();
    expect(retestDue([on("2026-04-01", 60, 100)], "2026-05-14")).toEqual({ code: "due.old_test", days: 43 });
  });
  test("days are counted over the change to summer time", () => {
    expect(daysBetween("2026-03-28", "2026-03-30")).toBe(2);
    expect(() => daysBetween("yesterday", "2026-03-30")).toThrow(InputError);
  });
});
