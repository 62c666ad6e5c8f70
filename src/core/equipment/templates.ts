import { massLabel } from "../units/mass";
import { FAMILIES, familyById } from "./families";
import { QUIET_FAMILIES } from "./families/quiet";
import type { LoadSteps } from "./loadSteps";
import type { Machine } from "./machine";

const stack = (first: number, step: number, plates: number, addOns: number[] = []): LoadSteps => ({
  kind: "stack",
  first,
  step,
  plates,
  addOns,
  pulley: 1,
});
const plates = (base: number): LoadSteps => ({
  kind: "pairs",
  base,
  perSide: { "20": 4, "10": 2, "5": 2, "2.5": 1, "1.25": 1 },
});
const list = (...kg: number[]): LoadSteps => ({
  kind: "list",
  items: kg.map((k) => ({ label: massLabel(k), kg: k })),
});

/** What a usual machine of a kind is loaded with. Bars and sleds weigh in the geometry, so plates start at nothing. */
const STEPS: Record<string, LoadSteps> = {
  seated_knee_extension: stack(5, 5, 16, [2.5]),
  seated_press: stack(10, 10, 20, [5]),
  sled_press: plates(0),
  carriage_press: stack(10, 10, 16, [5]),
  hack_squat: plates(0),
  pendulum_squat: plates(0),
  rail_squat: plates(0),
  leg_curl_prone: stack(5, 5, 14, [2.5]),
  leg_curl_seated: stack(5, 5, 14, [2.5]),
  counterweight_curl: stack(5, 5, 12, [2.5]),
  standing_extension: stack(2.5, 2.5, 20),
  ankle_cuff: list(0.5, 1, 1.5, 2, 3, 4, 5, 7.5, 10),
  held_shin: list(2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 25, 30, 35, 40, 50, 60),
  squat_on_floor: list(2, 4, 6, 8, 10, 12, 16, 20),
  split_stance: list(2, 4, 6, 8, 10, 12, 16, 20),
  step: list(2, 4, 6, 8, 10, 12, 16, 20),
};

/** A new machine of a kind with usual numbers, to be measured and named: the catalogue that ships. */
export function templateOf(familyId: string): Machine {
  const family = familyById(familyId);
  return {
    name: family?.name ?? QUIET_FAMILIES.find((f) => f.id === familyId)?.name ?? "",
    place: "",
    family: familyId,
    steps: STEPS[familyId] ?? stack(5, 5, 20),
    geometry: Object.fromEntries((family?.geometry ?? []).map((g) => [g.key, g.usual])),
    cam: "flat",
    notches: {},
    note: "",
  };
}

export interface TemplateEntry {
  family: string;
  name: string;
  about: string;
  /** the model computes what it does to the knee */
  isModelled: boolean;
}

export const TEMPLATES: readonly TemplateEntry[] = [
  ...FAMILIES.map((f) => ({ family: f.id, name: f.name, about: f.about, isModelled: true })),
  ...QUIET_FAMILIES.map((f) => ({ family: f.id, name: f.name, about: f.about, isModelled: false })),
];
