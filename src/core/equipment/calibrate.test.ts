import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { GRAVITY_M_S2 } from "../units/mass";
import { issueSaid } from "../units/wrong";
import { type CalibrationReading, calibrate, calibrationInput } from "./calibrate";
import { machine } from "./machine";
import { TEMPLATES, templateOf } from "./templates";

const ANGLES = [10, 35, 60, 90];
const LOADS = [10, 40];

function readings(
  ratioM: number,
  startKg: number,
  factors: readonly number[],
  noise: (i: number) => number = () => 1,
): CalibrationReading[] {
  return ANGLES.flatMap((deg, a) =>
    LOADS.map((loadKg, l) => ({
      kneeFlexionDeg: deg,
      loadKg,
      leverM: 0.35,
      forceN:
        (((loadKg + startKg) * GRAVITY_M_S2 * ratioM * (factors[a] as number)) / 0.35) * noise(a * 2 + l),
    })),
  );
}

test("true ratio, start load and curve come back from readings without noise", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 0.6, noNaN: true }),
      fc.double({ min: -5, max: 15, noNaN: true }),
      fc.array(fc.double({ min: 0.5, max: 1.5, noNaN: true }), { minLength: 4, maxLength: 4 }),
      (ratioM, startKg, factors) => {
        const mean = factors.reduce((sum, f) => sum + f, 0) / 4;
        const found = calibrate(readings(ratioM, startKg, factors));
        expect(found.ratioM).toBeCloseTo(ratioM * mean, 4);
        expect(found.startLoadKg).toBeCloseTo(startKg, 3);
        expect(found.worstPct).toBeLessThan(0.01);
        if (!Array.isArray(found.cam)) throw new Error("no curve");
        for (const [i, [deg, factor]] of found.cam.entries()) {
          expect(deg).toBe(ANGLES[i]);
          expect(factor).toBeCloseTo((factors[i] as number) / mean, 3);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test("noise of two percent stays in the residuals, and a slipped strap is seen", () => {
  const wobble = [1.02, 0.98, 1.01, 0.99, 0.98, 1.02, 1, 1.01];
  const noisy = calibrate(readings(0.28, 2, [0.9, 1.1, 1.1, 0.9], (i) => wobble[i] as number));
  expect(noisy.ratioM).toBeCloseTo(0.28, 1);
  expect(noisy.worstPct).toBeLessThan(4);
  const slipped = calibrate(readings(0.28, 2, [0.9, 1.1, 1.1, 0.9], (i) => (i === 2 ? 0.6 : 1)));
  expect(slipped.worstPct).toBeGreaterThan(8);
});

test("one pin cannot tell the lever's own weight: it is taken as none, and readings without load are refused", () => {
  const one = readings(0.3, 5, [1, 1, 1, 1]).filter((r) => r.loadKg === 40);
  expect(calibrate(one).startLoadKg).toBe(0);
  expect(() => calibrate(one.map((r) => ({ ...r, loadKg: 0 })))).toThrow("input.unloaded_readings");
  expect(() => calibrate(one.map((r) => ({ ...r, forceN: 0.001 })))).toThrow("input.no_lever");
});

test("bad readings are refused with a sentence", () => {
  const few = calibrationInput.safeParse({ id: crypto.randomUUID(), baseVersion: 0, readings: [] });
  expect(few.error?.issues.map((i) => sayPlainly(issueSaid(i))).join()).toContain("four readings");
});

test.each(TEMPLATES.map((t) => [t.family]))(
  "the template of %s is a whole machine once it has a name",
  (family) => {
    expect(machine.safeParse(templateOf(family)).success).toBe(true);
  },
);

test("numbers and notches outside what the model is valid for are refused, each with a sentence", () => {
  const press = templateOf("seated_press");
  const bad = machine.safeParse({
    ...press,
    geometry: { ...press.geometry, railDeg: 80, wings: 2 },
    notches: { footM: [{ label: "1", value: 0.9 }], sails: [{ label: "1", value: 1 }] },
  });
  expect(bad.error?.issues.map((i) => i.path.join("."))).toEqual(
    expect.arrayContaining(["geometry.railDeg", "geometry.wings", "notches.footM", "notches.sails"]),
  );
  expect(machine.safeParse({ ...press, family: "spaceship" }).success).toBe(false);
  const twice = [
    { label: "1", value: 0.1 },
    { label: "2", value: 0.1 },
  ];
  expect(
    machine
      .safeParse({ ...press, notches: { footM: twice } })
      .error?.issues.map((i) => sayPlainly(issueSaid(i)))
      .join(),
  ).toContain("same value");
});
