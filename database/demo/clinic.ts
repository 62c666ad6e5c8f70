import type { Machine } from "../../src/core/equipment/machine";
import { templateOf } from "../../src/core/equipment/templates";

/** The made-up scenario as data: a cooperative clinic in a made-up harbour town. Nobody and nothing here is real. */
export const CLINIC = { name: "Tidewall Cooperative Clinic", timeZone: "Europe/Amsterdam" };

export const PEOPLE = [
  {
    key: "therapist",
    name: "Ines Marlowick",
    email: "ines@tidewall.example",
    role: "therapist",
    massUnit: "kg",
  },
  {
    key: "colleague",
    name: "Ruta Vanhallow",
    email: "ruta@tidewall.example",
    role: "therapist",
    massUnit: "kg",
  },
  { key: "trainer", name: "Corin Desh", email: "corin@tidewall.example", role: "trainer", massUnit: "kg" },
  { key: "admin", name: "Wout Hallebeek", email: "wout@tidewall.example", role: "admin", massUnit: "lb" },
] as const;

const notches = (unit: string, perUnit: number, ...values: number[]) =>
  values.map((value) => ({ label: `${Math.round(value * perUnit)}${unit}`, value }));
const numbered = (...values: number[]) => values.map((value, i) => ({ label: `${i + 1}`, value }));
const every = (from: number, to: number, step: number): number[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => from + i * step);

const machineOf = (family: string, own: Partial<Machine>): Machine => ({ ...templateOf(family), ...own });

/** The gym: a dozen machines with names of their own, as a small clinic has them. */
export const MACHINES: readonly Machine[] = [
  machineOf("seated_knee_extension", {
    name: "Bay extension",
    place: "window side",
    steps: { kind: "stack", first: 5, step: 5, plates: 20, addOns: [2.5], pulley: 1 },
    geometry: { ratioM: 0.3, frictionShare: 0.06, startLoadKg: 0 },
    cam: [
      [0, 0.72],
      [20, 0.9],
      [45, 1.08],
      [70, 1.14],
      [100, 0.96],
    ],
    notches: {
      backrestDeg: numbered(95, 105, 115, 125),
      padM: numbered(0.25, 0.33, 0.41),
      endDeg: notches("°", 1, ...every(5, 60, 5)),
      startDeg: notches("°", 1, ...every(60, 100, 5)),
    },
    note: "seat 4, back 2, pad 2; axis in line with the knee; lever stop at the hold angle",
  }),
  machineOf("seated_press", {
    name: "Lane press",
    place: "window side",
    steps: { kind: "stack", first: 10, step: 10, plates: 20, addOns: [5], pulley: 1 },
    geometry: { railDeg: 0, plateTiltDeg: -10, friction: 0.04, ratio: 0.94 },
    notches: {
      seatGapM: numbered(...every(0.525, 0.825, 0.025)),
      backToRailDeg: numbered(105, 115, 125, 135, 145),
    },
    note: "the stop under the seat before the client sits down",
  }),
  machineOf("sled_press", {
    name: "Slope sled",
    place: "back wall",
    geometry: { railDeg: 45, plateTiltDeg: 0, friction: 0.03, sledKg: 47 },
    notches: { backToRailDeg: numbered(95, 100, 110, 120) },
  }),
  machineOf("hack_squat", {
    name: "Ramp squat",
    place: "back wall",
    geometry: { inclineDeg: 55, carriageKg: 26, friction: 0.03 },
  }),
  machineOf("rail_squat", { name: "Rail bar", place: "back wall", geometry: { barKg: 17 } }),
  machineOf("leg_curl_prone", {
    name: "Long curl",
    place: "door side",
    geometry: { ratioM: 0.29, frictionShare: 0.07, startLoadKg: 0 },
  }),
  machineOf("leg_curl_seated", {
    name: "Bay curl",
    place: "window side",
    geometry: { ratioM: 0.3, frictionShare: 0.06, startLoadKg: 0 },
  }),
  machineOf("counterweight_curl", { name: "Kneeling rig", place: "mat corner" }),
  machineOf("standing_extension", { name: "Tall cable", place: "door side" }),
  machineOf("hip_abduction", { name: "Outer hip", place: "door side" }),
  machineOf("hip_adduction", { name: "Inner hip", place: "door side" }),
  machineOf("calf_seated", { name: "Calf bench", place: "mat corner" }),
];

export const CUFFS_KG = [0.5, 1, 1.5, 2, 3, 4, 5];
