import fc from "fast-check";
import { bodyFrom } from "../body/segments";
import { holdWindow } from "../bounds/window";
import { loadSteps, settingsOf } from "../equipment/loadSteps";
import { seatedKneeExtensionMachine } from "../equipment/seatedKneeExtension";
import { fitTorqueAngle } from "../strength/fitTorqueAngle";
import { bounded } from "../testdata/bounded";
import { type DoseContext, doseHold } from "./doseHold";
import { type HoldPlan, holdPlan } from "./holdPlan";

const machine = seatedKneeExtensionMachine.parse({
  name: "Bay extension",
  steps: { kind: "stack", first: 5, step: 5, plates: 20, addOns: [2.5] },
  ratioM: 0.3,
  cam: "flat",
  padDistanceM: 0.33,
  frictionShare: 0.06,
  backrestDeg: 105,
  usableFromDeg: 5,
  usableToDeg: 100,
  angleNotchDeg: 5,
});
const cuffs = loadSteps.parse({
  kind: "list",
  items: [0.5, 1, 2, 3].map((kg) => ({ label: `${kg} kg`, kg })),
});
const NOT_MEASURED = { shortOfStraightDeg: null, bendDeg: null };
const contextFor = (peakNm: number, over: Partial<DoseContext> = {}): DoseContext => ({
  body: bodyFrom(70, 1.7),
  fit: fitTorqueAngle("knee_extension", [{ kneeFlexionDeg: 65, torqueNm: peakNm }]),
  testedOn: "test",
  machine,
  cuffs,
  window: holdWindow({}, NOT_MEASURED, { fromDeg: 5, toDeg: 100 }),
  bounds: {},
  meansBarred: { machine: null, cuff: null, strap: null },
  school: "monitoring",
  irritability: "low",
  personal: { k: 1, holds: 0 },
  ...over,
});
const plan: HoldPlan = {
  side: "right",
  kneeFlexionDeg: 60,
  effort: { kind: "felt", felt: 7 },
  means: "machine",
  pattern: { holdS: 45, reps: 5, restS: 120, sets: 1, setRestS: 0 },
  ladderFromDeg: 60,
  ladderToDeg: 90,
};
const bars = (p: HoldPlan, c: DoseContext) =>
  doseHold(p, c)
    .notices.filter((n) => n.kind === "bars")
    .map((n) => n.sentence);

test("felt effort 7 over five holds of 45 s is about 36 % of maximum, and both are shown", () => {
  const d = doseHold(plan, contextFor(150));
  expect(d.wantedShare.value).toBeCloseTo(0.36, 2);
  expect(d.wantedShare.low).toBeLessThan(d.wantedShare.value);
  expect(d.achieved?.felt.value).toBeLessThanOrEqual(7.3);
});

test("felt effort and percent of maximum are kept apart: the same number means very different loads", () => {
  const felt = doseHold({ ...plan, effort: { kind: "felt", felt: 6.5 } }, contextFor(150));
  const percent = doseHold({ ...plan, effort: { kind: "percent", percent: 65 } }, contextFor(150));
  expect(percent.targetTorque.value).toBeGreaterThan(1.8 * felt.targetTorque.value);
});

test("45 s at 70 % is barred with what a knee can hold and what to do", () => {
  const [sentence] = bars({ ...plan, effort: { kind: "percent", percent: 70 } }, contextFor(200));
  expect(sentence).toMatch(
    /of maximum a knee holds \d+ to \d+ s\. Hold \d+ is predicted to fail after \d+ s, even in somebody/,
  );
  expect(sentence).toMatch(/Hold \d+ s or less/);
  const cautions = doseHold({ ...plan, effort: { kind: "percent", percent: 70 } }, contextFor(200)).notices;
  expect(cautions.some((n) => /Was felt effort meant/.test(n.sentence))).toBe(true);
});

test("what is set is a real step, never more than 5 % above the target, and the numbers agree with each other", () => {
  const real = settingsOf(machine.steps).map((s) => s.kg);
  fc.assert(
    fc.property(
      fc.double({ min: 30, max: 320, noNaN: true }),
      fc.integer({ min: 10, max: 100 }),
      fc.double({ min: 2, max: 9, noNaN: true }),
      (peak, deg, felt) => {
        const d = doseHold(
          { ...plan, kneeFlexionDeg: deg, effort: { kind: "felt", felt } },
          contextFor(peak),
        );
        const set = d.byMeans.machine;
        if (!set.possible) {
          expect(set.why).toMatch(/lightest step|heaviest step|own weight/);
          return;
        }
        expect(real).toContain(set.loadKg);
        expect(set.torqueNm).toBeLessThanOrEqual(d.targetTorque.value * 1.05 + 1e-9);
        expect(set.torqueNm).toBeCloseTo(d.limbTorqueNm + set.shinForceN * machine.padDistanceM, 6);
        expect(d.achieved?.shareOfMax).toBeCloseTo(set.torqueNm / d.capacity.value, 9);
      },
    ),
  );
});

test("after surgery the load is never above the target at all", () => {
  fc.assert(
    fc.property(fc.double({ min: 60, max: 250, noNaN: true }), (peak) => {
      const d = doseHold(plan, contextFor(peak, { school: "post_op" }));
      const set = d.byMeans.machine;
      if (set.possible) expect(set.torqueNm).toBeLessThanOrEqual(d.targetTorque.value + 1e-9);
    }),
  );
});

test("a lightest step that is too heavy is said, and cuff or strap are offered instead", () => {
  const weak = contextFor(38);
  const at45 = { ...plan, kneeFlexionDeg: 45 };
  const d = doseHold(at45, weak);
  expect(d.byMeans.machine).toMatchObject({ possible: false, short: "lightest step is too heavy" });
  expect(bars(at45, weak)[0]).toMatch(
    /lightest step of Bay extension, 5 kg, already asks for .* ankle cuff or the strap/,
  );
  expect(d.byMeans.cuff.possible).toBe(true);
  expect(d.byMeans.strap.possible).toBe(true);
  expect(bars({ ...at45, means: "cuff" }, weak)).toEqual([]);
  const strap = d.byMeans.strap;
  if (strap.possible) expect(strap.errorPct).toBeCloseTo(0, 9);
});

test("an angle outside the limits is barred by the core with its reason", () => {
  const bounds = bounded({
    knee_flexion_under_load: { low: 45, high: 90, origin: "surgeon", reason: "to protect the graft" },
  });
  const window = holdWindow(bounds, NOT_MEASURED, { fromDeg: 5, toDeg: 100 });
  expect(bars({ ...plan, kneeFlexionDeg: 30 }, contextFor(150, { window }))[0]).toMatch(
    /to protect the graft \(surgeon\)/,
  );
});

test("a hold may not use more of the maximum than a condition allows", () => {
  const bounds = bounded({ hold_effort: { high: 30, origin: "condition", reason: "graft, week 5" } });
  const hard = { ...plan, effort: { kind: "felt" as const, felt: 7 } };
  expect(bars(hard, contextFor(150, { bounds }))[0]).toMatch(
    /holds may use 30 % at most, because graft, week 5/,
  );
  expect(bars({ ...plan, effort: { kind: "felt", felt: 4 } }, contextFor(150, { bounds }))).toEqual([]);
});

test.each([
  ["holdS", 0],
  ["holdS", Number.NaN],
  ["reps", 2.5],
  ["reps", 1e9],
  ["restS", -1],
])("a pattern with %s = %p is refused", (field, value) => {
  const parsed = holdPlan.safeParse({ ...plan, pattern: { ...plan.pattern, [field]: value } });
  expect(parsed.success).toBe(false);
});

test("rest between sets must be longer than between holds", () => {
  const parsed = holdPlan.safeParse({ ...plan, pattern: { ...plan.pattern, sets: 2, setRestS: 60 } });
  expect(parsed.error?.issues[0]?.message).toMatch(/longer than the rest between holds/);
});

test("felt effort above a limit is barred, planned or predicted, and the means that choosing bars are barred here", () => {
  const bounds = bounded({ felt_effort: { high: 5, reason: "a bad week" } });
  const felt = (n: number) => ({ ...plan, effort: { kind: "felt" as const, felt: n } });
  expect(bars(felt(7), contextFor(150, { bounds })).join()).toMatch(
    /Felt effort 7 is above 5, the most that is allowed, because a bad week \(therapist\)/,
  );
  expect(bars(felt(4), contextFor(150, { bounds }))).toEqual([]);
  const percent = { ...plan, effort: { kind: "percent" as const, percent: 45 } };
  expect(bars(percent, contextFor(150, { bounds })).join()).toMatch(/predicted to feel like \d/);
  const meansBarred = { machine: "The machine is barred.", cuff: null, strap: null };
  expect(bars(felt(4), contextFor(150, { meansBarred }))).toEqual(["The machine is barred."]);
});
