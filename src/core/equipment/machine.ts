import { z } from "zod";
import { cam } from "../mechanics/camCurve";
import { wrong } from "../units/wrong";
import { FAMILIES, familyById } from "./families";
import { type MachineGeometry, type SettingSpec, usualNotches } from "./families/family";
import { QUIET_FAMILIES } from "./families/quiet";
import { loadSteps } from "./loadSteps";

const FAMILY_IDS = [...FAMILIES.map((f) => f.id), ...QUIET_FAMILIES.map((f) => f.id)];

/** A place where a setting clicks in: what the machine says there, and the value it means. */
export const notch = z.object({
  label: z
    .string()
    .trim()
    .min(1, { error: "input.notch_label" })
    .max(14, { error: "input.notch_label_long" }),
  value: z.number({ error: "input.notch_number" }),
});
export type Notch = z.infer<typeof notch>;

/** A machine as the clinic enters it. Values are SI and degrees; the family says which there are and how far they go. */
export const machine = z
  .object({
    name: z
      .string()
      .trim()
      .min(2, { error: "input.machine_name" })
      .max(60, { error: "input.machine_name_long" }),
    place: z.string().trim().max(60, { error: "input.machine_place_long" }),
    family: z.string().refine((id) => FAMILY_IDS.includes(id), { error: "input.choose_machine_kind" }),
    steps: loadSteps,
    geometry: z.record(z.string(), z.number({ error: "input.enter_number" })),
    cam,
    notches: z.record(
      z.string(),
      z.array(notch).min(1, { error: "input.setting_notches" }).max(80, { error: "input.many_notches" }),
    ),
    note: z.string().trim().max(300, { error: "input.machine_note_long" }),
  })
  .superRefine((m, ctx) => {
    const family = familyById(m.family);
    const problem = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: "custom", path, message });
    for (const g of family?.geometry ?? []) {
      const value = m.geometry[g.key];
      if (value === undefined) problem(["geometry", g.key], wrong("input.geometry_number", { what: g.name }));
      else if (value < g.least || value > g.most)
        problem(
          ["geometry", g.key],
          wrong("input.geometry_range", {
            what: capital(g.name),
            least: shown(g.least, g.unit),
            most: shown(g.most, g.unit),
          }),
        );
    }
    for (const key of Object.keys(m.geometry))
      if (!family?.geometry.some((g) => g.key === key)) problem(["geometry", key], "input.kind_number");
    for (const [key, notches] of Object.entries(m.notches)) {
      const spec = family?.settings.find((s) => s.key === key);
      if (!spec) problem(["notches", key], "input.kind_setting");
      else if (notches.some((n) => n.value < spec.from - 1e-9 || n.value > spec.to + 1e-9))
        problem(
          ["notches", key],
          wrong("input.notch_range", {
            what: capital(spec.name),
            least: shown(spec.from, spec.unit),
            most: shown(spec.to, spec.unit),
          }),
        );
      if (new Set(notches.map((n) => n.value)).size !== notches.length)
        problem(["notches", key], "input.notches_same");
    }
  });
export type Machine = z.infer<typeof machine>;

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const shown = (value: number, unit: string): string =>
  unit === "cm"
    ? `${Math.round(value * 1000) / 10} cm`
    : unit === ""
      ? `${value}`
      : `${value} ${unit}`.replace(" °", "°");

/** Words for a value of a setting, without a machine's own labels. */
export function settingWords(spec: SettingSpec, value: number): string {
  return spec.words?.[value] ?? shown(value, spec.unit);
}

/** Notches of a setting on a machine: its own, or those of a usual one, in rising order. */
export function notchesOf(m: Pick<Machine, "notches">, spec: SettingSpec): Notch[] {
  const own = m.notches[spec.key];
  const all = own ?? usualNotches(spec).map((value) => ({ label: settingWords(spec, value), value }));
  return [...all].sort((a, b) => a.value - b.value);
}

/** The notch nearest to a wanted value; of two equally near ones the lower. */
export function nearestNotch(notches: readonly Notch[], wanted: number): Notch {
  return notches.reduce((best, n) =>
    Math.abs(n.value - wanted) < Math.abs(best.value - wanted) - 1e-9 ? n : best,
  );
}

export const geometryOf = (m: Pick<Machine, "geometry" | "cam">): MachineGeometry => ({
  values: m.geometry,
  cam: m.cam,
});
