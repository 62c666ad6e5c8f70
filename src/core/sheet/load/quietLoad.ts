import type { StationLearnt } from "../../capacity/learn";
import { type Care, lowOf, zOf } from "../../capacity/shows";
import { demandNm } from "../../capacity/station";
import { settingsOf } from "../../equipment/loadSteps";
import type { Exercise } from "../../rules/exercises";
import { quietMachines } from "../../selection/fit/exerciseUse";
import type { SheetInput } from "../../selection/rank/rangeSheet";
import { brokenBy, type LoadCap } from "../../selection/setUp/loadCaps";
import { type GymMachine, loadOfStep, type RealLoad } from "../../selection/setUp/machineFor";
import { type FreeWeight, freeWeightOf } from "../../selection/setUp/quiet/freeWeights";
import { heaviestUnder, kgOf, quietCaps, quietStationIdOf } from "../../selection/setUp/quiet/quietCaps";
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

/** Where an exercise without a model of the knee gets its kilograms from: a machine of the clinic, or free weights. */
interface QuietOn {
  id: string;
  loads: readonly RealLoad[];
  /** null: a machine, whose kilograms are learnt as they are */
  free: FreeWeight | null;
}

function quietOn(e: Exercise, sheet: SheetInput, wantedId: string | null): QuietOn | null {
  const machine = quietMachineOf(e, sheet, wantedId);
  if (machine) {
    const loads = settingsOf(machine.steps).map((x) => ({ load: loadOfStep(machine.steps, x), how: x.how }));
    return { id: machine.id, loads, free: null };
  }
  const free = freeWeightOf(e, sheet.body.massKg);
  // at home nobody knows what there is to hold
  return free && { id: free.id, loads: sheet.isAtHome ? free.loads.slice(0, 1) : free.loads, free };
}

/**
 * The load of an exercise without a model of the knee: set by hand, else from what was shown there; never above what
 * bounds it. Where neither says, a machine is found by feel, under the same bounds; the body alone needs nothing.
 */
export function quietLoad(
  e: Exercise,
  s: Scheme,
  sheet: SheetInput,
  person: Person,
): Omit<LineLoad, "wantedShare"> | null {
  const on = quietOn(e, sheet, person.chosen?.machineId ?? null);
  if (!on) return null;
  const { loads, free } = on;
  const lightest = loads[0] as RealLoad;
  const { twoLegs } = person;
  const shown = sheet.strength.quiet[quietStationIdOf(on.id, twoLegs)] ?? null;
  const caps = quietCaps({ e, loads, twoLegs, shown, free }, sheet);
  const most = shown && mostOf(shown, s, sheet.strength.care, free);
  const setKg = person.chosen?.loadKg ?? null;
  const heaviest = heaviestUnder(loads, caps);
  // what a person set stays as it was set and is judged; what is computed keeps to the bounds
  const wanted =
    setKg !== null
      ? (stepFor(loads, setKg) ?? lightest)
      : most && atMost(stepFor(loads, most.wantedKg), heaviest);
  const set = wanted ?? lightest;
  const broken = brokenBy(caps, set.load);
  const isFound = setKg === null && !most;
  const shareAt = (kg: number) => most && demandOf(kg, free) / most.once;
  return {
    setUp: null,
    setting: isFound && !free ? null : { ...set, loads: loads.length > 1 ? loads : [], isHelp: false },
    basis: most ? "sets" : "felt",
    oneRepMax: shown && most && { kg: most.onceKg, error: shown.shown.sd, takenOn: shown.lastOn },
    // the body alone, of which nothing is known, is taken to ask what the scheme wants
    share: most ? shareAt(set.load) : isFound && free ? repetitionShare(s) : null,
    shareError: shown && most ? shown.shown.sd : FELT_ERROR,
    tooHeavyBecause:
      broken?.why(set.load) ??
      (most && wanted === null && setKg === null && !free
        ? saidWith("line.above_test", { kg: most.wantedKg })
        : null),
    brokenCap: broken?.kind ?? null,
    next: quietNext(loads, set.load, caps, shareAt),
    open: heaviest && { least: 0, most: heaviest.load },
  };
}

const demandOf = (kg: number, free: FreeWeight | null): number => (free ? demandNm(free.lift, kg) : kg);

/** What can be lifted once, and what a scheme wants of it, as far below the middle as the doubt asks; null where it asks no share. */
function mostOf(
  { shown, proved }: StationLearnt,
  s: Scheme,
  care: Care,
  free: FreeWeight | null,
): { once: number; onceKg: number; wantedKg: number } | null {
  const share = repetitionShare(s);
  if (share === null || s.kind === "carry" || s.kind === "two_up_one_down") return null;
  const once = Math.exp(shown.mean);
  return {
    once,
    onceKg: Math.max(0, kgOf(once, free)),
    wantedKg: kgOf(lowOf(shown, zOf(shown.sd, care), proved) * share, free),
  };
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
