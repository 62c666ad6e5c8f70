import { chooseStep, type RoundingPolicy } from "../../equipment/chooseStep";
import { settingsOf } from "../../equipment/loadSteps";
import type { Exercise } from "../../rules/exercises";
import { exerciseUse, quietMachines } from "../../selection/fit/exerciseUse";
import { type RangeRow, rowOf, type SheetInput } from "../../selection/rank/rangeSheet";
import { brokenBy, type LoadCap } from "../../selection/setUp/loadCaps";
import { directionOf, liftOf } from "../../selection/setUp/loadContext";
import {
  BODY_WEIGHT,
  type GymMachine,
  loadOfStep,
  machineFor,
  type RealLoad,
  realLoads,
} from "../../selection/setUp/machineFor";
import { heaviestUnder, quietCaps } from "../../selection/setUp/quietCaps";
import type { RepetitionTest } from "../../selection/setUp/repetitionTest";
import type { Basis, ComputedSetUp, KneeWindow, NextStep } from "../../selection/setUp/row";
import type { LoadSpan } from "../../selection/setUp/workingLoad";
import { estimate1RM } from "../../strength/repetitionMaximum";
import { type Said, saidWith } from "../../units/said";
import { jointOf } from "../effect/sessionFatigue";
import { heldForm } from "../line/heldForm";
import type { ScoreLine } from "../line/scoreInput";
import { workKindOf } from "../line/workKind";
import { loweredByOneLeg } from "../schemes/kinds/twoUpOneDown";
import { LIFTS_OF_HELD } from "../schemes/parts";
import { repetitionShare, repetitionTarget, type Scheme, schemeShare } from "../schemes/scheme";
import { isByFeel } from "./byFeel";
import { workingLoad } from "./workingLoad";

/** Where a line's load comes from; later ones are surer. */
export type LoadBasis = "felt" | "default_strength" | "strength_test" | "repetition_test";

/** A real setting and all others of its machine. */
export interface LineSetting {
  load: number;
  how: string;
  /** lightest first; empty where the body alone is the load */
  loads: readonly { load: number; how: string }[];
  /** a counterweight: more of it is easier */
  isHelp: boolean;
}

/** What a line is set to and what that really asks. */
export interface LineLoad {
  /** null where the knee has no model of it */
  setUp: ComputedSetUp | null;
  /** null where nothing is known to be set: found by feel */
  setting: LineSetting | null;
  basis: LoadBasis;
  /** one-repetition maximum that the load is counted from, kg, with its error as a share */
  oneRepMax: { kg: number; error: number; takenOn: string } | null;
  /** of the one-repetition maximum, for holds of what can be held at the angle; null where nothing says */
  share: number | null;
  /** the same as the scheme wants it */
  wantedShare: number | null;
  shareError: number;
  /** the lightest real step is above what is wanted, or above a limit: why */
  tooHeavyBecause: Said | null;
  /** which kind of limit is broken; null: none, or only the scheme's own wish */
  brokenCap: ComputedSetUp["brokenCap"];
  /** the next harder real load, as a share of the scheme's own maximum; null where there is none */
  next: NextStep | null;
  /** what everything that bounds the load leaves of it; null where the body alone is the load or nothing is left */
  open: LoadSpan | null;
}

/** Doubt of a share of strength: a test's error and a default's, as shares of it [own]. */
const TEST_ERROR = 0.1;
const DEFAULT_ERROR = 0.25;
const FELT_ERROR = 0.15;

/** The real load that the policy allows for a wanted one; null where even the lightest is above it. */
export const stepFor = <T extends { load: number }>(
  loads: readonly T[],
  wanted: number,
  policy: RoundingPolicy,
): T | null => chooseStep(loads, (l) => l.load, wanted, policy);

type Row = Pick<RangeRow, "status" | "changes" | "arc" | "computed">;

/** What is known of who does it, and what was chosen by hand. */
interface Person {
  k: number;
  policy: RoundingPolicy;
  /** both legs lift at once */
  twoLegs: boolean;
  chosen?: Chosen;
}

/** What a person or a decision set: a load, one of the clinic's machines, its settings. */
export type Chosen = Pick<ScoreLine, "loadKg" | "machineId" | "settings">;

function settingOf(setUp: ComputedSetUp | null): LineSetting | null {
  if (!setUp) return null;
  const { family, machine } = setUp.chosen;
  const isBody = setUp.how === BODY_WEIGHT;
  return {
    load: setUp.load,
    how: setUp.how,
    loads: isBody ? [] : realLoads(machine, family),
    isHelp: family.isReversed ?? false,
  };
}

/** The clinic's machine that an exercise without a model is done on. */
export function quietMachineOf(
  e: Exercise,
  sheet: SheetInput,
  wantedId: string | null = null,
): GymMachine | null {
  const fits = sheet.machines.filter((m) => quietMachines(e).includes(m.family));
  return fits.find((m) => m.id === wantedId) ?? fits[0] ?? null;
}

/** The real load that was set by hand: at most what was asked, with a counterweight at least; null where nothing was set. */
function loadSet(e: Exercise, sheet: SheetInput, chosen: Chosen): number | null {
  const use = exerciseUse(e);
  if (chosen.loadKg == null || !use || use.isUnloaded) return null;
  const { machine, family } = machineFor(use, sheet.machines, chosen.machineId);
  if (!family.load) return null;
  const loads = realLoads(machine, family);
  const kg = chosen.loadKg;
  const step = family.isReversed
    ? (loads.find((l) => l.load >= kg - 1e-6) ?? loads.at(-1))
    : (loads.findLast((l) => l.load <= kg + 1e-6) ?? loads[0]);
  return step?.load ?? null;
}

/** The row of an exercise for a scheme, at the load that the scheme wants; the reasons where limits leave none. */
export function lineLoad(
  exercise: Exercise,
  s: Scheme,
  window: KneeWindow | null,
  sheet: SheetInput,
  person: Person,
): { row: Row; load: LineLoad } | Said[] {
  const e = s.kind === "holds" ? heldForm(exercise) : exercise;
  const kind = workKindOf(e);
  const joint = kind ? jointOf(kind) : "knee";
  const wantedHeld = schemeShare(s, joint, person.k);
  const share = wantedHeld ?? 0.5;
  const basis: Basis = s.kind === "carry" ? { kind: "load", kg: s.carriedKg } : { kind: "effort", share };
  const chosen: Chosen = person.chosen ?? {};
  const setKg = loadSet(e, sheet, chosen);
  const how = {
    window,
    machineId: chosen.machineId ?? null,
    ...(chosen.settings ? { settings: chosen.settings } : {}),
    ...(setKg === null ? {} : { load: setKg }),
  };
  const asked = rowOf(e, { ...sheet, basis }, how);
  if (Array.isArray(asked)) return asked;
  const wantedShare = s.kind === "holds" ? schemeShare(s, joint, person.k) : repetitionShare(s);
  const byTest = asked.computed
    ? loadByTest(e, s, how, sheet, person, asked.computed)
    : quietLoad(e, s, sheet, person, asked);
  if (Array.isArray(byTest)) return byTest;
  if (byTest)
    return {
      row: byTest.row,
      // found by feel it asks what the scheme wants
      load: { ...byTest.load, wantedShare, share: byTest.load.setting ? byTest.load.share : wantedShare },
    };
  const { computed } = asked;
  const isTested = sheet.strength[directionOf(e)] !== null;
  // without a model the load is found by feel, and then asks what the scheme wants
  const felt = computed === null || computed.effortShare === null || wantedHeld === null;
  const achieved = felt
    ? wantedShare
    : s.kind === "holds"
      ? computed.effortShare
      : ofOneRepMax(s, computed.effortShare as number);
  return {
    row: asked,
    load: {
      setUp: computed,
      setting: isByFeel(s, computed, { isTested, isAtHome: sheet.isAtHome ?? false })
        ? null
        : settingOf(computed),
      basis: felt ? "felt" : isTested ? "strength_test" : "default_strength",
      oneRepMax: null,
      share: achieved,
      wantedShare,
      shareError: felt ? FELT_ERROR : isTested ? TEST_ERROR : DEFAULT_ERROR,
      tooHeavyBecause: computed && (computed.tooHeavyBecause ?? aboveWish(computed, share)),
      brokenCap: computed?.brokenCap ?? null,
      next: computed?.next
        ? { ...computed.next, share: nextShare(s, computed.next.share, wantedHeld) }
        : null,
      open: computed?.open ?? null,
    },
  };
}

/** A share of what can be held at the next step in the terms of the scheme. */
function nextShare(s: Scheme, ofHeld: number | null, wantedHeld: number | null): number | null {
  if (ofHeld === null || wantedHeld === null) return null;
  return s.kind === "holds" ? ofHeld : ofOneRepMax(s, ofHeld);
}

/** A machine's lightest step asks for more than the scheme wants: no line is set by it. The body alone is a caution. */
function aboveWish(c: ComputedSetUp, wantedShare: number): Said | null {
  if (!c.isAboveWish || c.how === BODY_WEIGHT) return null;
  return saidWith("line.above_wish", {
    asks: c.effortBand?.high ?? c.effortShare ?? 0,
    wants: wantedShare,
    isTested: c.effortBand === null,
  });
}

/** A share of what can be held as a share of the one-repetition maximum; lowering on one leg takes more. */
function ofOneRepMax(s: Scheme, ofHeld: number): number {
  const lifted = ofHeld / LIFTS_OF_HELD;
  if (s.kind !== "two_up_one_down") return lifted;
  const target = repetitionShare(s) as number;
  return lifted * (target / loweredByOneLeg(s.reps, s.reserve).overloadVsSingle);
}

interface TestedMax {
  kg: number;
  error: number;
  takenOn: string;
  /** what the scheme wants of it */
  wantedKg: number;
  wantedShare: number;
}

/** The maximum that a repetition test on a machine stands for, and what a scheme wants of it; null without either. Dosing rules D2. */
function testedMax(
  e: Exercise,
  s: Scheme,
  machineName: string,
  twoLegs: boolean,
  tests: readonly RepetitionTest[],
): TestedMax | null {
  const share = repetitionShare(s);
  if (share === null || s.kind === "carry" || s.kind === "two_up_one_down") return null;
  const test = tests.find((t) => t.machineName === machineName && t.twoLegs === twoLegs);
  if (!test) return null;
  const lift = liftOf(e);
  const max = estimate1RM(test.loadKg, test.reps, test.reserve, lift);
  if (max.value === null) return null;
  const target = repetitionTarget(s);
  return {
    kg: max.value,
    error: max.error ?? TEST_ERROR,
    takenOn: test.takenOn,
    wantedKg: target ? workingLoad(max.value, target.reps, target.reserve, lift) : max.value * share,
    wantedShare: share,
  };
}

/**
 * The load of a machine without a model of the knee: set by hand, else from a repetition test on it; never above what
 * bounds it. Null where neither says: found by feel, under the same bounds.
 */
function quietLoad(
  e: Exercise,
  s: Scheme,
  sheet: SheetInput,
  person: Person,
  row: Row,
): { row: Row; load: Omit<LineLoad, "wantedShare"> } | null {
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
    row,
    load: {
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
    },
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

/** The load from a repetition test on the same machine, never above what anything leaves. Dosing rules D2, D3. */
function loadByTest(
  e: Exercise,
  s: Scheme,
  how: { window: KneeWindow | null; machineId: string | null; load?: number },
  sheet: SheetInput,
  person: Person,
  computed: ComputedSetUp,
): { row: Row; load: Omit<LineLoad, "wantedShare"> } | Said[] | null {
  const { family, machine } = computed.chosen;
  if (family.isReversed || !family.load || computed.how === BODY_WEIGHT) return null;
  const max = testedMax(e, s, machine.name, computed.share < 1, sheet.repetitionTests);
  if (!max) return null;
  const row = rowOf(
    e,
    { ...sheet, basis: { kind: "load", kg: max.wantedKg } },
    { ...how, policy: person.policy },
  );
  if (Array.isArray(row)) return row;
  const set = row.computed as ComputedSetUp;
  return {
    row,
    load: {
      setUp: set,
      setting: settingOf(set),
      basis: "repetition_test",
      oneRepMax: { kg: max.kg, error: max.error, takenOn: max.takenOn },
      // at an equal share of the maximum a press allows more repetitions, a curl fewer
      share: (set.load / max.wantedKg) * max.wantedShare,
      shareError: max.error,
      tooHeavyBecause:
        set.tooHeavyBecause ?? (set.isAboveWish ? saidWith("line.above_test", { kg: max.wantedKg }) : null),
      brokenCap: set.brokenCap,
      next: set.next && { ...set.next, share: (set.next.load / max.wantedKg) * max.wantedShare },
      open: set.open,
    },
  };
}
