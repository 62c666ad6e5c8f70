import { z } from "zod";
import { formatMass, type MassUnit } from "../units/mass";
import texts from "./text/en.json";

const kg = z.number().positive().max(1000);

/** More ways to hang plates than this are no gym's, and laying them out costs minutes. */
export const MOST_PLATE_COMBINATIONS = 4096;

/** In how many ways a side can be hung. */
export const plateCombinations = (perSide: Readonly<Record<string, number>>): number =>
  Object.values(perSide).reduce((product, count) => product * (1 + count), 1);

/** What is printed on plates and pieces; every number here is kg all the same. */
const markedIn = z.enum(["kg", "lb"]).optional();

/** What can really be set on a machine. Everything is in kg of mass as printed or weighed. */
export const loadSteps = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("stack"),
    markedIn,
    /** load at pin 1 */
    first: kg,
    step: kg,
    plates: z.number().int().min(1).max(60),
    /** each may be hung on once */
    addOns: z.array(kg).max(6).default([]),
    /** pulley ratio between the stack and the lever, 1 when the pin says what the lever feels */
    pulley: z.number().positive().max(4).default(1),
  }),
  z.object({
    kind: z.literal("pairs"),
    markedIn,
    /** sled or bar */
    base: z.number().nonnegative().max(500),
    /** plate mass -> how many of it are there per side */
    perSide: z
      .record(z.string().regex(/^\d{1,3}(\.\d{1,3})?$/), z.number().int().min(0).max(20))
      .refine((perSide) => plateCombinations(perSide) <= MOST_PLATE_COMBINATIONS, {
        error: "input.many_plates",
      }),
    /** rail angle; the effective load is the mass times its sine */
    angleDeg: z.number().min(5).max(90).optional(),
  }),
  z.object({
    kind: z.literal("list"),
    items: z
      .array(z.object({ label: z.string().min(1).max(40), kg }))
      .min(1)
      .max(60),
  }),
]);
export type LoadSteps = z.infer<typeof loadSteps>;

/** One real setting. `kg` is what counts for the torque, `massKg` what hangs there. */
export interface Setting {
  kg: number;
  massKg: number;
  how: string;
}

/** Every setting that exists, lightest first; of two ways to the same load, the one with fewer parts. */
export function settingsOf(steps: LoadSteps): Setting[] {
  const found =
    steps.kind === "stack"
      ? stackSettings(steps)
      : steps.kind === "pairs"
        ? pairSettings(steps)
        : listSettings(steps);
  const byLoad = new Map<number, { setting: Setting; parts: number }>();
  for (const { setting, parts } of found) {
    const key = Math.round(setting.kg * 1e6);
    const known = byLoad.get(key);
    if (!known || parts < known.parts) byLoad.set(key, { setting, parts });
  }
  return [...byLoad.values()].map((x) => x.setting).sort((a, b) => a.kg - b.kg);
}

/** A piece by what is printed on it. */
const printed = (massKg: number, unit: MassUnit = "kg"): string =>
  unit === "kg" ? String(massKg) : formatMass(massKg, unit, 2);

type Found = { setting: Setting; parts: number }[];

function stackSettings(steps: Extract<LoadSteps, { kind: "stack" }>): Found {
  const found: Found = [];
  const subsets = 1 << steps.addOns.length;
  for (let pin = 1; pin <= steps.plates; pin++) {
    for (let mask = 0; mask < subsets; mask++) {
      const hung = steps.addOns.filter((_, i) => mask & (1 << i));
      const massKg = steps.first + (pin - 1) * steps.step + hung.reduce((a, b) => a + b, 0);
      const how = [`pin ${pin}`, ...hung.map((m) => printed(m, steps.markedIn))].join(" + ");
      found.push({ setting: { kg: massKg * steps.pulley, massKg, how }, parts: hung.length });
    }
  }
  return found;
}

function pairSettings(steps: Extract<LoadSteps, { kind: "pairs" }>): Found {
  const plates = Object.entries(steps.perSide)
    .map(([mass, count]) => ({ mass: Number(mass), count }))
    .filter((p) => p.mass > 0 && p.count > 0)
    .sort((a, b) => b.mass - a.mass);
  const factor = steps.angleDeg === undefined ? 1 : Math.sin((steps.angleDeg * Math.PI) / 180);
  let partial: { perSide: number; hung: number[] }[] = [{ perSide: 0, hung: [] }];
  for (const plate of plates) {
    const next = new Map<number, { perSide: number; hung: number[] }>();
    for (const p of partial) {
      for (let n = 0; n <= plate.count; n++) {
        const perSide = p.perSide + n * plate.mass;
        const hung = [...p.hung, ...Array<number>(n).fill(plate.mass)];
        const key = Math.round(perSide * 1e6);
        const known = next.get(key);
        if (!known || hung.length < known.hung.length) next.set(key, { perSide, hung });
      }
    }
    partial = [...next.values()];
  }
  return partial.map(({ perSide, hung }) => {
    const massKg = steps.base + 2 * perSide;
    const how = hung.length
      ? `${texts.labels.perSide} ${hung.map((m) => printed(m, steps.markedIn)).join("+")}`
      : texts.labels.noPlates;
    return { setting: { kg: massKg * factor, massKg, how }, parts: hung.length };
  });
}

function listSettings(steps: Extract<LoadSteps, { kind: "list" }>): Found {
  return steps.items.map((item) => ({
    setting: { kg: item.kg, massKg: item.kg, how: item.label },
    parts: 1,
  }));
}
