import { z } from "zod";
import { familyById } from "@/core/equipment/families";
import type { GeometrySpec, SettingSpec } from "@/core/equipment/families/family";
import type { Machine, Notch } from "@/core/equipment/machine";
import { kgFromLb, lbFromKg, type MassUnit, massLabel, trimZeros } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";

const typed = z.string();

/** A machine as its form holds it: everything as it is typed, lengths in centimetres. */
export const machineDraft = z.object({
  name: typed,
  place: typed,
  note: typed,
  geometry: z.record(typed, typed),
  /** "1: 52.5, 2: 55", or "52.5, 55" where the numbers are the labels; empty: usual notches */
  notches: z.record(typed, typed),
  stepsKind: z.enum(["stack", "pairs", "list"]),
  /** in what the numbers of the load below are typed: as they are printed there */
  markedIn: z.enum(["kg", "lb"]).default("kg"),
  first: typed,
  step: typed,
  plates: typed,
  addOns: typed,
  pulley: typed,
  /** "20 x 4, 10 x 2": what there is per side */
  perSide: typed,
  base: typed,
  /** "0.5, 1, 2" */
  items: typed,
});
export type MachineDraft = z.infer<typeof machineDraft>;

const perUnit = (unit: GeometrySpec["unit"] | SettingSpec["unit"]): number => (unit === "cm" ? 100 : 1);
const trim = (n: number): string => String(Math.round(n * 1000) / 1000);

/** A printed number for a mass: pounds that were typed come back as they were. */
const printed = (kg: number, unit: MassUnit): string =>
  unit === "kg" ? trim(kg) : trimZeros(lbFromKg(kg).toFixed(2));
/** A mass from what is printed, to the gram. */
const massOf = (typedNumber: number, unit: MassUnit): number =>
  unit === "kg" ? typedNumber : Math.round(kgFromLb(typedNumber) * 1000) / 1000;

export function draftOf(m: Machine): MachineDraft {
  const family = familyById(m.family);
  const { steps } = m;
  const markedIn = steps.kind === "list" ? "kg" : (steps.markedIn ?? "kg");
  return {
    name: m.name,
    place: m.place,
    note: m.note,
    geometry: Object.fromEntries(
      (family?.geometry ?? []).map((g) => [g.key, trim((m.geometry[g.key] ?? g.usual) * perUnit(g.unit))]),
    ),
    notches: Object.fromEntries(
      (family?.settings ?? []).map((s) => [s.key, notchText(m.notches[s.key] ?? [], s)]),
    ),
    stepsKind: steps.kind,
    markedIn,
    first: steps.kind === "stack" ? printed(steps.first, markedIn) : "5",
    step: steps.kind === "stack" ? printed(steps.step, markedIn) : "5",
    plates: steps.kind === "stack" ? String(steps.plates) : "20",
    addOns: steps.kind === "stack" ? steps.addOns.map((kg) => printed(kg, markedIn)).join(", ") : "",
    pulley: steps.kind === "stack" ? trim(steps.pulley) : "1",
    perSide:
      steps.kind === "pairs"
        ? Object.entries(steps.perSide)
            .sort((a, b) => Number(b[0]) - Number(a[0]))
            .map(([kg, n]) => `${printed(Number(kg), markedIn)} x ${n}`)
            .join(", ")
        : "20 x 4, 10 x 2, 5 x 2, 2.5 x 1, 1.25 x 1",
    base: steps.kind === "pairs" ? printed(steps.base, markedIn) : "0",
    items: steps.kind === "list" ? steps.items.map((i) => trim(i.kg)).join(", ") : "1, 2, 3",
  };
}

export function notchText(notches: readonly Notch[], spec: SettingSpec): string {
  return notches.map((n) => `${n.label}: ${trim(n.value * perUnit(spec.unit))}`).join(", ");
}

/** Notches from what was typed; a part that is no number is reported, not dropped. */
export function readNotches(text: string, spec: SettingSpec): Notch[] | string {
  const parts = text
    .split(",")
    .map((p) => p.trim())
    .filter(Boolean);
  const found: Notch[] = [];
  for (const part of parts) {
    const [left, right] = part.includes(":") ? part.split(":").map((x) => x.trim()) : [null, part];
    const value = readNumber(right ?? "");
    if (Number.isNaN(value)) return `"${part}" is no notch. Write label: number, for example 1: 52.5, 2: 55.`;
    const label =
      left || `${trim(value)}${spec.unit === "" ? "" : spec.unit === "°" ? "°" : ` ${spec.unit}`}`;
    found.push({ label, value: Math.round((value / perUnit(spec.unit)) * 1e6) / 1e6 });
  }
  return found;
}

const numbers = (text: string): number[] =>
  text
    .split(",")
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => Number(p.replace(",", ".")));

function stepsOf(d: MachineDraft): unknown {
  const mass = (n: number) => massOf(n, d.markedIn);
  const marked = d.markedIn === "kg" ? {} : { markedIn: d.markedIn };
  if (d.stepsKind === "stack")
    return {
      kind: "stack",
      ...marked,
      first: mass(readNumber(d.first)),
      step: mass(readNumber(d.step)),
      plates: readNumber(d.plates),
      addOns: numbers(d.addOns).map(mass),
      pulley: readNumber(d.pulley),
    };
  if (d.stepsKind === "pairs")
    return {
      kind: "pairs",
      ...marked,
      base: mass(readNumber(d.base)),
      perSide: Object.fromEntries(
        d.perSide
          .split(",")
          .map((p) => p.trim())
          .filter(Boolean)
          .map((p) => {
            const [plate = "", n] = p.split("x").map((x) => x.trim());
            return [d.markedIn === "kg" ? plate : trim(mass(readNumber(plate))), Number(n)];
          }),
      ),
    };
  return { kind: "list", items: numbers(d.items).map((n) => itemOf(n, d.markedIn)) };
}

const itemOf = (n: number, unit: MassUnit) =>
  unit === "kg" ? { label: massLabel(n), kg: n } : { label: `${trim(n)} lb`, kg: massOf(n, unit) };

/** What is sent, to be parsed by the core's schema; or the problems by field. */
export function machineOfDraft(
  d: MachineDraft,
  before: Machine,
): { machine: unknown; problems: Record<string, string> } {
  const family = familyById(before.family);
  const problems: Record<string, string> = {};
  const notches: Record<string, Notch[]> = {};
  for (const s of family?.settings ?? []) {
    const read = readNotches(d.notches[s.key] ?? "", s);
    if (typeof read === "string") problems[`notches.${s.key}`] = read;
    else if (read.length > 0) notches[s.key] = read;
  }
  return {
    problems,
    machine: {
      name: d.name,
      place: d.place,
      note: d.note,
      family: before.family,
      cam: before.cam,
      steps: stepsOf(d),
      notches,
      geometry: Object.fromEntries(
        (family?.geometry ?? []).map((g) => {
          const value = readNumber(d.geometry[g.key] ?? "");
          return [g.key, value / perUnit(g.unit)];
        }),
      ),
    },
  };
}
