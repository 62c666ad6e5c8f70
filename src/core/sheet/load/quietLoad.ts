import type { StationLearnt } from "../../capacity/learn";
import { type Care, lowOf, zOf } from "../../capacity/shows";
import { settingsOf } from "../../equipment/loadSteps";
import type { Exercise } from "../../rules/exercises";
import { quietMachines } from "../../selection/fit/exerciseUse";
import type { SheetInput } from "../../selection/rank/rangeSheet";
import { brokenBy, type LoadCap } from "../../selection/setUp/loadCaps";
import { type GymMachine, loadOfStep, type RealLoad } from "../../selection/setUp/machineFor";
import { heaviestUnder, quietCaps, quietStationIdOf } from "../../selection/setUp/quietCaps";
import type { NextStep } from "../../selection/setUp/row";
import { saidWith } from "../../units/said";
import { repetitionShare, type Scheme } from "../schemes/scheme";
import { FELT_ERROR, type LineLoad, type Person, stepFor } from "./lineSetting";

/** The clinic's machine that an exercise without a model is done on. */
export function quietMachineOf(
  e: Exercise,
  sheet: SheetInput,
  wantedId: string | null = null,
): GymMachine | null {
  const fits = sheet.machines.filter((m) => quietMachines(e).includes(m.family));
  return fits.find((m) => m.id === wantedId) ?? fits[0] ?? null;
}

/**
 * The load of a machine without a model of the knee: set by hand, else from what was shown on it; never above what
 * bounds it. Null where neither says: found by feel, under the same bounds.
 */
export function quietLoad(
  e: Exercise,
  s: Scheme,
  sheet: SheetInput,
  person: Person,
): Omit<LineLoad, "wantedShare"> | null {
  const machine = quietMachineOf(e, sheet, person.chosen?.machineId);
  if (!machine) return null;
  const loads = settingsOf(machine.steps).map((x) => ({ load: loadOfStep(machine.steps, x), how: x.how }));
  const lightest = loads[0] as RealLoad;
  const { twoLegs } = person;
  const shown = sheet.strength.quiet[quietStationIdOf(machine.id, twoLegs)] ?? null;
  const caps = quietCaps({ e, loads, twoLegs, shown }, sheet);
  const most = shown && mostOf(shown, s, sheet.strength.care);
  const setKg = person.chosen?.loadKg ?? null;
  const heaviest = heaviestUnder(loads, caps);
  // what a person set stays as it was set and is judged; what is computed keeps to the bounds
  const wanted =
    setKg !== null
      ? (stepFor(loads, setKg) ?? lightest)
      : most && atMost(stepFor(loads, most.wantedKg), heaviest);
  const set = wanted ?? lightest;
  const broken = brokenBy(caps, set.load);
  return {
    setUp: null,
    setting: setKg === null && !most ? null : { ...set, loads, isHelp: false },
    basis: most ? "sets" : "felt",
    oneRepMax: shown && most && { kg: most.onceKg, error: shown.shown.sd, takenOn: shown.lastOn },
    share: most && set.load / most.onceKg,
    shareError: shown && most ? shown.shown.sd : FELT_ERROR,
    tooHeavyBecause:
      broken?.why(set.load) ??
      (most && wanted === null && setKg === null ? saidWith("line.above_test", { kg: most.wantedKg }) : null),
    brokenCap: broken?.kind ?? null,
    next: quietNext(loads, set.load, caps, (kg) => most && kg / most.onceKg),
    open: heaviest && { least: 0, most: heaviest.load },
  };
}

/** What can be lifted once, and what a scheme wants of it, as far below the middle as the doubt asks; null where it asks no share. */
function mostOf(
  { shown, proved }: StationLearnt,
  s: Scheme,
  care: Care,
): { onceKg: number; wantedKg: number } | null {
  const share = repetitionShare(s);
  if (share === null || s.kind === "carry" || s.kind === "two_up_one_down") return null;
  const onceKg = Math.exp(shown.mean);
  return { onceKg, wantedKg: lowOf(shown, zOf(shown.sd, care), proved) * share };
}

/** The next heavier step of a machine without a model of the knee. */
function quietNext(
  loads: readonly RealLoad[],
  kg: number,
  caps: readonly LoadCap[],
  shareAt: (kg: number) => number | null,
): NextStep | null {
  const next = loads.find((l) => l.load > kg + 1e-6);
  return next
    ? { ...next, because: brokenBy(caps, next.load)?.why(next.load) ?? null, share: shareAt(next.load) }
    : null;
}

/** The lighter of two real loads; null where one of them is not there. */
const atMost = (a: RealLoad | null, b: RealLoad | null): RealLoad | null =>
  a && b ? (a.load <= b.load ? a : b) : null;
