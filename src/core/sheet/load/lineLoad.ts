import { type OpenExercise, rowAt, type SheetInput } from "../../selection/rank/rangeSheet";
import { directionOf } from "../../selection/setUp/loadContext";
import { BODY_WEIGHT, realLoads } from "../../selection/setUp/machineFor";
import type { Basis, ComputedSetUp } from "../../selection/setUp/row";
import type { KneeWindow, Station } from "../../selection/setUp/station";
import { type Said, saidWith } from "../../units/said";
import { jointOf } from "../effect/sessionFatigue";
import { workKindOf } from "../line/workKind";
import { loweredByOneLeg } from "../schemes/kinds/twoUpOneDown";
import { LIFTS_OF_HELD } from "../schemes/parts";
import { repetitionShare, type Scheme, schemeShare } from "../schemes/scheme";
import { isByFeel } from "./byFeel";
import {
  type Chosen,
  FELT_ERROR,
  type Found,
  type LineLoad,
  type LineSetting,
  type Person,
} from "./lineSetting";
import { quietLoad } from "./quietLoad";
import { TEST_ERROR, type TestedMax, testedMax } from "./testedMax";

/** Doubt of a default strength, as a share of it [own]. */
const DEFAULT_ERROR = 0.25;

/**
 * What an open exercise is set to for a scheme, at the load that the scheme wants and everything leaves; the reasons
 * where nothing is left. Asked once a line.
 */
export function lineLoad(
  open: OpenExercise,
  s: Scheme,
  window: KneeWindow | null,
  sheet: SheetInput,
  person: Person,
): Found {
  const kind = workKindOf(open.e);
  const joint = kind ? jointOf(kind) : "knee";
  const wantedHeld = schemeShare(s, joint, person.k);
  const isTested = sheet.strength[directionOf(open.e)] !== null;
  const wish: Wish = {
    s,
    isTested,
    wantedHeld,
    wantedShare: s.kind === "holds" ? wantedHeld : repetitionShare(s),
  };
  const max = open.station && maxOf(open.station, s, sheet);
  const basis: Basis = max
    ? { kind: "load", kg: max.wantedKg }
    : s.kind === "carry"
      ? { kind: "load", kg: s.carriedKg }
      : { kind: "effort", share: wantedHeld ?? 0.5 };
  const row = rowAt(
    open,
    { ...sheet, basis },
    {
      window,
      load: open.station ? loadSet(open.station, person.chosen ?? {}) : undefined,
      policy: max ? person.policy : undefined,
    },
  );
  if (Array.isArray(row)) return row;
  const { computed } = row;
  const quiet = computed ? null : quietLoad(open.e, s, sheet, person);
  const load = computed
    ? max
      ? byTest(computed, max, wish)
      : byStrength(computed, wish, sheet)
    : // found by feel it asks what the scheme wants
      {
        ...(quiet ?? NOTHING_SET),
        wantedShare: wish.wantedShare,
        share: quiet?.setting ? quiet.share : wish.wantedShare,
      };
  return { row, load };
}

/** What a scheme asks for: of what can be held at the angle, and in its own terms. */
interface Wish {
  s: Scheme;
  isTested: boolean;
  wantedHeld: number | null;
  wantedShare: number | null;
}

/** Neither a model nor a machine: found by feel. */
const NOTHING_SET: Omit<LineLoad, "wantedShare"> = {
  setUp: null,
  setting: null,
  basis: "felt",
  oneRepMax: null,
  share: null,
  shareError: FELT_ERROR,
  tooHeavyBecause: null,
  brokenCap: null,
  next: null,
  open: null,
};

function settingOf(setUp: ComputedSetUp): LineSetting {
  const { family, machine } = setUp.chosen;
  const isBody = setUp.how === BODY_WEIGHT;
  return {
    load: setUp.load,
    how: setUp.how,
    loads: isBody ? [] : realLoads(machine, family),
    isHelp: family.isReversed ?? false,
  };
}

/** The real load that was set by hand: at most what was asked, with a counterweight at least; none where nothing was set. */
function loadSet({ use, chosen: { machine, family } }: Station, { loadKg: kg }: Chosen): number | undefined {
  if (kg == null || use.isUnloaded || !family.load) return undefined;
  const loads = realLoads(machine, family);
  const step = family.isReversed
    ? (loads.find((l) => l.load >= kg - 1e-6) ?? loads.at(-1))
    : (loads.findLast((l) => l.load <= kg + 1e-6) ?? loads[0]);
  return step?.load;
}

/** What a repetition test on the same machine stands for; a counterweight and the body alone have none. */
function maxOf({ e, use, chosen, isBody }: Station, s: Scheme, sheet: SheetInput): TestedMax | null {
  if (chosen.family.isReversed || isBody) return null;
  return testedMax(e, s, chosen.machine.name, use.share < 1, sheet.repetitionTests);
}

/** The load from a repetition test on the same machine, never above what anything leaves. Dosing rules D2, D3. */
function byTest(set: ComputedSetUp, max: TestedMax, { wantedShare }: Wish): LineLoad {
  // at an equal share of the maximum a press allows more repetitions, a curl fewer
  const shareAt = (kg: number) => (kg / max.wantedKg) * max.wantedShare;
  return {
    setUp: set,
    setting: settingOf(set),
    basis: "repetition_test",
    oneRepMax: { kg: max.kg, error: max.error, takenOn: max.takenOn },
    share: shareAt(set.load),
    wantedShare,
    shareError: max.error,
    tooHeavyBecause:
      set.tooHeavyBecause ?? (set.isAboveWish ? saidWith("line.above_test", { kg: max.wantedKg }) : null),
    brokenCap: set.brokenCap,
    next: set.next && { ...set.next, share: shareAt(set.next.load) },
    open: set.open,
  };
}

/** The load from the knee's own strength, tested or not. */
function byStrength(set: ComputedSetUp, wish: Wish, sheet: SheetInput): LineLoad {
  const { s, isTested, wantedHeld, wantedShare } = wish;
  // without a model the load is found by feel, and then asks what the scheme wants
  const felt = set.effortShare === null || wantedHeld === null;
  return {
    setUp: set,
    setting: isByFeel(s, set, { isTested, isAtHome: sheet.isAtHome ?? false }) ? null : settingOf(set),
    basis: felt ? "felt" : isTested ? "strength_test" : "default_strength",
    oneRepMax: null,
    share: felt
      ? wantedShare
      : s.kind === "holds"
        ? set.effortShare
        : ofOneRepMax(s, set.effortShare as number),
    wantedShare,
    shareError: felt ? FELT_ERROR : isTested ? TEST_ERROR : DEFAULT_ERROR,
    tooHeavyBecause: set.tooHeavyBecause ?? aboveWish(set, wantedHeld ?? 0.5),
    brokenCap: set.brokenCap,
    next: set.next && { ...set.next, share: nextShare(s, set.next.share, wantedHeld) },
    open: set.open,
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
