import { familyById } from "@/core/equipment/families";
import { loadSteps, settingsOf } from "@/core/equipment/loadSteps";
import { machine } from "@/core/equipment/machine";
import { TEMPLATES, templateOf } from "@/core/equipment/templates";
import { draftOf, type MachineDraft, machineOfDraft, readNotches } from "./machineDraft";

test.each(TEMPLATES.map((t) => [t.family]))("%s goes through its form unchanged", (family) => {
  const before = templateOf(family);
  const read = machineOfDraft(draftOf(before), before);
  expect(read.problems).toEqual({});
  expect(machine.parse(read.machine)).toEqual(before);
});

const feet = familyById("seated_press")?.settings.find((s) => s.key === "footM");
if (!feet) throw new Error("no feet");

test("notches are read with labels or with their own numbers, in centimetres", () => {
  expect(readNotches("1: 5, 2: 7.5", feet)).toEqual([
    { label: "1", value: 0.05 },
    { label: "2", value: 0.075 },
  ]);
  expect(readNotches(" 10 , 12.5", feet)).toEqual([
    { label: "10 cm", value: 0.1 },
    { label: "12.5 cm", value: 0.125 },
  ]);
  expect(readNotches("", feet)).toEqual([]);
  expect(readNotches("1: high", feet)).toContain('"1: high" is no notch');
});

test("a broken field is a problem at its place, nothing is dropped silently", () => {
  const before = templateOf("seated_press");
  const draft = draftOf(before);
  const read = machineOfDraft({ ...draft, notches: { ...draft.notches, footM: "low, high" } }, before);
  expect(read.problems["notches.footM"]).toContain("is no notch");
  const bad = machineOfDraft({ ...draft, geometry: { ...draft.geometry, railDeg: "steep" } }, before);
  expect(machine.safeParse(bad.machine).success).toBe(false);
});

const extension = { ...templateOf("seated_extension"), name: "Extension" };
const stepsOf = (change: Partial<MachineDraft>) => {
  const made = machineOfDraft({ ...draftOf(extension), ...change }, extension).machine as { steps: unknown };
  return loadSteps.parse(made.steps);
};

test("a stack that is printed in pounds is typed, kept in kilograms, said and typed again in pounds", () => {
  const steps = stepsOf({
    stepsKind: "stack",
    markedIn: "lb",
    first: "10",
    step: "10",
    plates: "20",
    addOns: "1.25",
  });
  const all = settingsOf(steps);
  expect(all[0]?.massKg).toBeCloseTo(4.536, 6);
  expect(all.at(-1)?.massKg).toBeCloseTo(4.536 * 20 + 0.567, 6);
  expect(all[1]?.how).toBe("pin 1 + 1.25 lb");
  const again = draftOf({ ...extension, steps });
  expect(again).toMatchObject({ markedIn: "lb", first: "10", step: "10", addOns: "1.25" });
});

test("plates in pounds hang by what is printed on them", () => {
  const steps = stepsOf({ stepsKind: "pairs", markedIn: "lb", base: "45", perSide: "45 x 2, 25 x 1" });
  const all = settingsOf(steps);
  expect(all.map((s) => s.how)).toContain("per side 45 lb+25 lb");
  expect(all.at(-1)?.massKg).toBeCloseTo(20.412 + 2 * (2 * 20.412 + 11.34), 6);
  expect(draftOf({ ...extension, steps })).toMatchObject({ base: "45", perSide: "45 x 2, 25 x 1" });
});

test("what is printed in kilograms stays as it was", () => {
  expect(stepsOf({})).toEqual(extension.steps);
  expect(stepsOf({ stepsKind: "list", items: "0.5, 2" })).toEqual({
    kind: "list",
    items: [
      { label: "0.5 kg", kg: 0.5 },
      { label: "2 kg", kg: 2 },
    ],
  });
});
