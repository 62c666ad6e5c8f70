import { settingsOf } from "../equipment/loadSteps";
import { chooseStep, type RoundingPolicy } from "../equipment/roundLoad";
import type { Exercise } from "../rules/exercises";
import { quietMachines } from "../selection/exerciseUse";
import { BODY_WEIGHT, type GymMachine, loadOfStep, realLoads } from "../selection/machineFor";
import { type RangeRow, rowOf, type SheetInput } from "../selection/rangeSheet";
import {
  type Basis,
  type ComputedSetUp,
  directionOf,
  effortLimitPct,
  type KneeWindow,
} from "../selection/row";
import { estimate1RM, type Lift } from "../strength/repetitionMaximum";
import { heldForm } from "./heldForm";
import type { Scheme } from "./scheme";
import {
  holdShare,
  LIFTS_OF_HELD,
  loweredByOneLeg,
  repetitionShare,
  repetitionTarget,
  schemeShare,
} from "./schemeShare";
import { jointOf } from "./sessionFatigue";
import { workingLoad } from "./workingLoad";
import { workKindOf } from "./workKind";

/** A repetition test that stands: what was lifted on which machine. */
export interface RepetitionTest {
  machineName: string;
  twoLegs: boolean;
  loadKg: number;
  reps: number;
  reserve: number;
  /** ISO date */
  takenOn: string;
}

/** Where a line's load comes from; later ones are surer. */
export type LoadBasis = "felt" | "default strength" | "strength test" | "repetition test";

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
  /** the lightest real step is above what is wanted, or above a limit: what, in words */
  tooHeavyBecause: string | null;
}

/** Doubt of a share of strength: a test's error and a default's, as shares of it [own]. */
const TEST_ERROR = 0.1;
const DEFAULT_ERROR = 0.25;
const FELT_ERROR = 0.15;

const liftOf = (e: Exercise): Lift => {
  const kind = workKindOf(e);
  return kind === "press_or_squat" ? "leg_press" : kind === "curl" ? "leg_curl" : "other";
};

/** The real load that the policy allows for a wanted one; null where even the lightest is above it. */
export const stepFor = <T extends { load: number }>(
  loads: readonly T[],
  wanted: number,
  policy: RoundingPolicy,
): T | null => chooseStep(loads, (l) => l.load, wanted, policy);

type Row = Pick<RangeRow, "status" | "changes" | "arc" | "computed">;

/** What is known of who does it. */
interface Person {
  k: number;
  tests: readonly RepetitionTest[];
  policy: RoundingPolicy;
  /** both legs lift at once */
  twoLegs: boolean;
}

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
export const quietMachineOf = (e: Exercise, sheet: SheetInput): GymMachine | null =>
  sheet.machines.find((m) => quietMachines(e.id).includes(m.family)) ?? null;

/** The row of an exercise for a scheme, at the load that the scheme wants; the reasons where limits leave none. */
export function lineLoad(
  exercise: Exercise,
  s: Scheme,
  window: KneeWindow | null,
  sheet: SheetInput,
  person: Person,
): { row: Row; load: LineLoad } | string[] {
  const e = s.kind === "holds" ? heldForm(exercise) : exercise;
  const kind = workKindOf(e);
  const joint = kind ? jointOf(kind) : "knee";
  const wantedHeld = schemeShare(s, joint, person.k);
  const share = wantedHeld ?? 0.5;
  const basis: Basis = s.kind === "carry" ? { kind: "load", kg: s.carriedKg } : { kind: "effort", share };
  const asked = rowOf(e, { ...sheet, basis }, { window });
  if (Array.isArray(asked)) return asked;
  const wantedShare = s.kind === "holds" ? holdShare(s, joint, person.k) : repetitionShare(s);
  const byTest = asked.computed
    ? loadByTest(e, s, window, sheet, person, asked.computed)
    : quietByTest(e, s, sheet, person, asked);
  if (byTest) return { row: byTest.row, load: { ...byTest.load, wantedShare } };
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
      setting: settingOf(computed),
      basis: felt ? "felt" : isTested ? "strength test" : "default strength",
      oneRepMax: null,
      share: achieved,
      wantedShare,
      shareError: felt ? FELT_ERROR : isTested ? TEST_ERROR : DEFAULT_ERROR,
      tooHeavyBecause: computed && tooHeavyWords(computed, share),
    },
  };
}

/** Why the lightest there is is too heavy: a limit, or no more than the scheme's own wish. */
function tooHeavyWords(c: ComputedSetUp, wantedShare: number): string | null {
  if (c.tooHeavyBecause === null || c.isOverLimit) return c.tooHeavyBecause;
  return `it asks for ${Math.round((c.effortShare ?? 0) * 100)} % of its strength; this scheme wants ${Math.round(wantedShare * 100)} %`;
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
  person: Person,
): TestedMax | null {
  const share = repetitionShare(s);
  if (share === null || s.kind === "carry" || s.kind === "two_up_one_down") return null;
  const test = person.tests.find((t) => t.machineName === machineName && t.twoLegs === twoLegs);
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

/** The load from a repetition test on a machine without a model of the knee; null without one. */
function quietByTest(
  e: Exercise,
  s: Scheme,
  sheet: SheetInput,
  person: Person,
  row: Row,
): { row: Row; load: Omit<LineLoad, "wantedShare"> } | null {
  const machine = quietMachineOf(e, sheet);
  const max = machine && testedMax(e, s, machine.name, person.twoLegs, person);
  if (!machine || !max) return null;
  const loads = settingsOf(machine.steps).map((x) => ({ load: loadOfStep(machine.steps, x), how: x.how }));
  const step = stepFor(loads, max.wantedKg, person.policy);
  const set = step ?? (loads[0] as { load: number; how: string });
  return {
    row,
    load: {
      setUp: null,
      setting: { ...set, loads, isHelp: false },
      basis: "repetition test",
      oneRepMax: { kg: max.kg, error: max.error, takenOn: max.takenOn },
      share: (set.load / max.wantedKg) * max.wantedShare,
      shareError: max.error,
      tooHeavyBecause: step
        ? null
        : `its lightest step is above the ${Math.round(max.wantedKg)} kg that the test leaves`,
    },
  };
}

/** The load from a repetition test on the same machine, never above what limits leave. Dosing rules D2, D3. */
function loadByTest(
  e: Exercise,
  s: Scheme,
  window: KneeWindow | null,
  sheet: SheetInput,
  person: Person,
  computed: ComputedSetUp,
): { row: Row; load: Omit<LineLoad, "wantedShare"> } | null {
  const { family, machine } = computed.chosen;
  if (family.isReversed || !family.load) return null;
  const max = testedMax(e, s, machine.name, computed.share < 1, person);
  if (!max) return null;
  const wanted = max.wantedKg;
  const loads = realLoads(machine, family);
  const lightest = loads[0] as { load: number; how: string };
  // a share that limits leave is a share of this maximum; what the strength curve and the weight on the leg leave comes on top
  const limitPct = effortLimitPct(e, sheet.limits);
  const most = limitPct === null ? Number.POSITIVE_INFINITY : (max.kg * limitPct) / 100;
  const wish = stepFor(loads, Math.min(wanted, most), wanted > most ? "down" : person.policy);
  const isChecked = sheet.strength[directionOf(e)] !== null || sheet.weight.mostN !== null;
  const tries = wish ? loads.filter((l) => l.load <= wish.load).reverse() : [];
  const rows = function* () {
    for (const l of tries.length ? tries : [lightest]) {
      const row = rowOf(e, sheet, { window, load: l.load });
      if (!Array.isArray(row)) yield { row, load: l.load };
    }
  };
  let found: { row: Row; load: number } | null = null;
  for (const candidate of rows()) {
    found = candidate;
    if (!isChecked || candidate.row.computed?.tooHeavyBecause == null) break;
  }
  if (!found) return null;
  const heavy = isChecked ? (found.row.computed?.tooHeavyBecause ?? null) : null;
  return {
    row: found.row,
    load: {
      setUp: found.row.computed,
      setting: settingOf(found.row.computed),
      basis: "repetition test",
      oneRepMax: { kg: max.kg, error: max.error, takenOn: max.takenOn },
      // at an equal share of the maximum a press allows more repetitions, a curl fewer
      share: (found.load / wanted) * max.wantedShare,
      shareError: max.error,
      tooHeavyBecause:
        heavy ??
        (wish
          ? null
          : `its lightest step is above the ${Math.round(Math.min(wanted, most))} kg that the test and the limits leave`),
    },
  };
}
