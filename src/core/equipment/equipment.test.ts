import fc from "fast-check";
import { camFactor, EXTENSION_ARC, monotoneCubic } from "../mechanics/camCurve";
import { leverTorqueNm } from "../mechanics/lever";
import { roundLoad } from "../testdata/byFormula";
import { bandFor } from "./bands";
import { type LoadSteps, loadSteps, settingsOf } from "./loadSteps";

const anySteps: fc.Arbitrary<LoadSteps> = fc
  .oneof(
    fc.record({
      kind: fc.constant("stack" as const),
      first: fc.constantFrom(2.5, 5, 7, 10),
      step: fc.constantFrom(2.5, 5, 7.5, 10),
      plates: fc.integer({ min: 1, max: 20 }),
      addOns: fc.constantFrom([], [2.5], [1.25, 2.5]),
      pulley: fc.constantFrom(0.5, 1),
    }),
    fc.record({
      kind: fc.constant("pairs" as const),
      base: fc.constantFrom(0.5, 20, 40),
      perSide: fc.constantFrom({ "5": 2, "10": 1 }, { "20": 4, "2.5": 1 }, { "1.25": 2 }),
      angleDeg: fc.constantFrom(30, 45, undefined),
    }),
    fc.record({
      kind: fc.constant("list" as const),
      items: fc.constantFrom(
        [{ label: "1 kg", kg: 1 }],
        [
          { label: "2", kg: 2 },
          { label: "0.5", kg: 0.5 },
        ],
      ),
    }),
  )
  .map((s) => loadSteps.parse(s));

test("an achieved load is always a real step, with its true error, and never silently above the target", () => {
  fc.assert(
    fc.property(
      anySteps,
      fc.double({ min: 0.1, max: 250, noNaN: true }),
      fc.constantFrom("down", "nearest"),
      (steps, target, policy) => {
        const real = settingsOf(steps);
        const r = roundLoad(steps, target, policy as "down");
        if (r.load === null) {
          expect(target).toBeLessThan(Math.min(...real.map((s) => s.kg)) + 1e-9);
          return;
        }
        const load = r.load;
        expect(real.some((s) => Math.abs(s.kg - load) < 6e-4)).toBe(true);
        expect(r.error).toBeCloseTo(load - target, 2);
        expect(load).toBeLessThanOrEqual(target * (policy === "down" ? 1 : 1.05) + 1e-3);
        // nothing real lies between a load rounded down and its target
        if (policy === "down") expect(real.some((s) => s.kg > load + 1e-3 && s.kg <= target)).toBe(false);
        // errorPct is rounded for people, so at the border itself either word is right
        if (Math.abs(Math.abs(r.errorPct) - 5) > 0.011)
          expect(r.flag).toBe(Math.abs(r.errorPct) > 5 ? "coarse" : "ok");
      },
    ),
  );
});

test("settings rise and name what hangs there", () => {
  const steps = loadSteps.parse({ kind: "stack", first: 5, step: 5, plates: 3, addOns: [2.5] });
  expect(settingsOf(steps).map((s) => `${s.how} = ${s.kg}`)).toEqual([
    "pin 1 = 5",
    "pin 1 + 2.5 = 7.5",
    "pin 2 = 10",
    "pin 2 + 2.5 = 12.5",
    "pin 3 = 15",
    "pin 3 + 2.5 = 17.5",
  ]);
});

test("a tie between two steps goes to the lighter one", () => {
  const steps = loadSteps.parse({ kind: "stack", first: 50, step: 2, plates: 5 });
  expect(roundLoad(steps, 53, "nearest")).toMatchObject({ load: 52 });
});

test.each([
  { kind: "stack", first: 0, step: 5, plates: 10 },
  { kind: "stack", first: 5, step: -5, plates: 10 },
  { kind: "pairs", base: 20, perSide: { abc: 2 } },
  { kind: "list", items: [] },
  { kind: "list", items: [{ label: "x", kg: 1e9 }] },
])("strange machines are refused: %j", (steps) => {
  expect(loadSteps.safeParse(steps).success).toBe(false);
});

test("named cams have mean 1 over the lift", () => {
  for (const shape of ["flat", "ascending", "descending", "bell"] as const) {
    let sum = 0;
    for (let i = 0; i < 1000; i++) sum += camFactor(shape, (i + 0.5) / 10, EXTENSION_ARC);
    expect(sum / 1000).toBeCloseTo(1, 3);
  }
});

test("a measured cam passes its points, never overshoots and is held outside", () => {
  const points = [
    [0, 0.7],
    [30, 1.05],
    [60, 1.2],
    [100, 0.9],
  ] as [number, number][];
  for (const [deg, factor] of points) expect(monotoneCubic(points, deg)).toBeCloseTo(factor, 9);
  expect(monotoneCubic(points, 130)).toBe(0.9);
  for (let deg = 0; deg <= 100; deg++) {
    expect(monotoneCubic(points, deg)).toBeGreaterThanOrEqual(0.7 - 1e-9);
    expect(monotoneCubic(points, deg)).toBeLessThanOrEqual(1.2 + 1e-9);
  }
});

test("more load never lowers the torque, and lifting is harder than lowering", () => {
  const geometry = { ratioM: 0.3, cam: "bell" as const, frictionShare: 0.05 };
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 200, noNaN: true }),
      fc.double({ min: 0, max: 120, noNaN: true }),
      (kg, deg) => {
        const torque = leverTorqueNm(geometry, kg, deg);
        expect(leverTorqueNm(geometry, kg + 1, deg)).toBeGreaterThan(torque);
        expect(leverTorqueNm(geometry, kg, deg, 1)).toBeGreaterThan(leverTorqueNm(geometry, kg, deg, -1));
      },
    ),
  );
});

test("a band gives at most the force that is asked for, inside its stretch, and none where none does", () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 600, noNaN: true }), (forceN) => {
      const found = bandFor(forceN);
      if (!found) {
        expect(forceN < 5 + 1 || forceN > 200).toBe(true);
        return;
      }
      expect(found.forceN).toBeLessThanOrEqual(forceN + 1e-9);
      expect(found.forceN).toBeGreaterThan(forceN - 0.01 * found.band.stiffnessNPerM - 1e-9);
      expect(found.stretchM).toBeLessThanOrEqual(found.band.restLengthM);
    }),
  );
  expect(bandFor(30)).toMatchObject({ stretchM: 0.3, band: { name: "thin band" } });
  expect(bandFor(120)?.band.name).toBe("thick band");
});
