import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../../body/segments";
import { FAMILIES, familyById } from "../../equipment/families";
import type { MachineFamily } from "../../equipment/families/family";
import { geometryOf, notchesOf } from "../../equipment/machine";
import { templateOf } from "../../equipment/templates";
import { judgeScore } from "../../sheet/judge/judgeScore";
import { EXAMPLES, line, scoreContext } from "../../testdata/scoreContext";
import { type AffineAngle, affineArc, anglesOf, withTrunkTurned } from "./affineArc";
import { STEP_DEG } from "./solveSetUp";
import { STOPS, TRUNK } from "./stops";

const STOPPED: readonly MachineFamily[] = FAMILIES.filter((f: MachineFamily) =>
  f.settings.some((s) => STOPS.has(s.key)),
);

test.each(STOPPED.map((f) => [f.id, f] as const))("%s: stops change no force at any angle", (id, family) => {
  const machine = templateOf(id);
  const usual = Object.fromEntries(family.settings.map((s) => [s.key, s.usual]));
  const body = bodyFrom(75, 1.75);
  const at = (settings: Record<string, number>) =>
    affineArc(
      body,
      family,
      geometryOf(machine),
      { settings, share: 0.5, phase: 0 },
      anglesOf(family, STEP_DEG),
    );
  const base = at(usual).map(numbers);
  for (const stop of family.settings.filter((s) => STOPS.has(s.key)))
    for (const { value } of notchesOf(machine, stop))
      expect(at({ ...usual, [stop.key]: value }).map(numbers)).toEqual(base);
});

const BACKS: readonly MachineFamily[] = FAMILIES.filter((f: MachineFamily) =>
  f.settings.some((s) => TRUNK.has(s.key)),
);

/** Every number of an angle, to a billionth. */
const numbers = (a: AffineAngle): string =>
  JSON.stringify(a, (_, x) => (typeof x === "number" ? Math.round(x * 1e9) / 1e9 + 0 : x));

test.each(BACKS.map((f) => [f.id, f] as const))(
  "%s: a back that is turned turns the hip degree for degree, and nothing else",
  (id, family) => {
    const machine = templateOf(id);
    const usual = Object.fromEntries(family.settings.map((s) => [s.key, s.usual]));
    const back = family.settings.find((s) => TRUNK.has(s.key));
    if (!back) throw new Error("no back");
    for (const body of [bodyFrom(45, 1.45), bodyFrom(75, 1.75), bodyFrom(150, 2.02)]) {
      const at = (value: number) =>
        affineArc(
          body,
          family,
          geometryOf(machine),
          { settings: { ...usual, [back.key]: value }, share: 0.5, phase: 0 },
          anglesOf(family, STEP_DEG),
        );
      const base = at(back.usual);
      for (const { value } of notchesOf(machine, back))
        expect(withTrunkTurned(base, back.usual - value).map(numbers)).toEqual(at(value).map(numbers));
    }
  },
);

test("a press is solved once at each angle, wherever its back and stops are; asked again it is not solved at all", () => {
  const press = familyById("seated_press");
  const back = press?.settings.find((x) => x.key === "backToRailDeg");
  if (!press || !back) throw new Error("no press");
  const solve = jest.spyOn(press, "solve");
  // at each angle with nothing added and with one more
  const once = 2 * anglesOf(press, STEP_DEG).length;
  const plain = scoreContext();
  // with a problem of the back rounding is said at any load
  const context = { ...plain, sheet: { ...plain.sheet, hasBackProblem: true } };
  const backs = notchesOf(templateOf("seated_press"), back);
  // where a back is flat nothing rounds; elsewhere lower feet are looked at as a cure, where it rounds and nowhere else
  const flat = backs.filter((n) => n.value >= 140);
  expect(flat.length).toBeGreaterThan(1);
  const judgeAll = (reps: number, at: typeof backs) => {
    const lines = at.map(({ value }) =>
      line(
        "lp_horizontal",
        { ...EXAMPLES.straight, reps },
        { machineId: "seated_press", settings: { backToRailDeg: value, footM: 0 } },
      ),
    );
    return lines.flatMap((l) => judgeScore([l], context).flatMap((j) => j.cautions));
  };
  judgeAll(10, flat);
  expect(solve.mock.calls.length).toBeLessThanOrEqual(once);
  solve.mockClear();
  judgeAll(8, flat);
  expect(solve).not.toHaveBeenCalled();
  const cautions = judgeAll(8, backs);
  expect(cautions.some((c) => /low back rounds/.test(sayPlainly(c)))).toBe(true);
  expect(solve.mock.calls.length).toBeLessThanOrEqual(3 * once);
  solve.mockRestore();
});
