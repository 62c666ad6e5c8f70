import { settingsOf } from "../../equipment/loadSteps";
import type { Exercise } from "../../rules/exercises";
import { quietMachines } from "../../selection/fit/exerciseUse";
import type { SheetInput } from "../../selection/rank/rangeSheet";
import { brokenBy, type LoadCap } from "../../selection/setUp/loadCaps";
import { type GymMachine, loadOfStep, type RealLoad } from "../../selection/setUp/machineFor";
import { heaviestUnder, quietCaps } from "../../selection/setUp/quietCaps";
import type { NextStep } from "../../selection/setUp/row";
import { saidWith } from "../../units/said";
import type { Scheme } from "../schemes/scheme";
import { FELT_ERROR, type LineLoad, type Person, stepFor } from "./lineSetting";
import { testedMax } from "./testedMax";

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
 * The load of a machine without a model of the knee: set by hand, else from a repetition test on it; never above what
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
  const test =
    sheet.repetitionTests.find((t) => t.machineName === machine.name && t.twoLegs === twoLegs) ?? null;
  const caps = quietCaps({ e, loads, twoLegs, test }, sheet);
  const max = testedMax(e, s, machine.name, twoLegs, sheet.repetitionTests);
  const setKg = person.chosen?.loadKg ?? null;
  const heaviest = heaviestUnder(loads, caps);
  // what a person set stays as it was set and is judged; what is computed keeps to the bounds
  const wanted =
    setKg !== null
      ? (stepFor(loads, setKg, "down") ?? lightest)
      : max && atMost(stepFor(loads, max.wantedKg, person.policy), heaviest);
  const set = wanted ?? lightest;
  const broken = brokenBy(caps, set.load);
  const basis = max ? ("repetition_test" as const) : ("felt" as const);
  return {
    setUp: null,
    setting: setKg === null && !max ? null : { ...set, loads, isHelp: false },
    basis,
    oneRepMax: max && { kg: max.kg, error: max.error, takenOn: max.takenOn },
    share: max && (set.load / max.wantedKg) * max.wantedShare,
    shareError: max ? max.error : FELT_ERROR,
    tooHeavyBecause:
      broken?.why(set.load) ??
      (max && wanted === null && setKg === null ? saidWith("line.above_test", { kg: max.wantedKg }) : null),
    brokenCap: broken?.kind ?? null,
    next: quietNext(loads, set.load, caps, (kg) => max && (kg / max.wantedKg) * max.wantedShare),
    open: heaviest && { least: 0, most: heaviest.load },
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
