import { familyById } from "@/core/equipment/families";
import { machine } from "@/core/equipment/machine";
import { TEMPLATES, templateOf } from "@/core/equipment/templates";
import { draftOf, machineOfDraft, readNotches } from "./machineDraft";

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
