import { type StationLearnt, shownOn } from "../../capacity/learn";
import { onceKg } from "../../capacity/station";
import type { Exercise } from "../../rules/exercises";
import { type OpenExercise, rowAt, type SheetInput } from "../../selection/rank/rangeSheet";
import { directionOf } from "../../selection/setUp/loadContext";
import { BODY_WEIGHT, realLoads } from "../../selection/setUp/machineFor";
import type { Basis, ComputedSetUp } from "../../selection/setUp/row";
import type { KneeWindow, Station } from "../../selection/setUp/station";
import { capacityStation, loadedOn } from "../../selection/setUp/stationModel";
import { type KnownStrength, stationKnown } from "../../selection/setUp/strengthKnown";
import { LIFTS_OF_HELD } from "../../strength/liftsOfHeld";
import { type Said, saidWith } from "../../units/said";
import { jointOf } from "../effect/sessionFatigue";
import { workKindOf } from "../line/workKind";
import { loweredByOneLeg } from "../schemes/kinds/twoUpOneDown";
import { repetitionShare, type Scheme, schemeShare } from "../schemes/scheme";
import { isByFeel } from "./byFeel";
import { asUsualLift, liftFactor } from "./liftFactor";
import {
  type Chosen,
  FELT_ERROR,
  type Found,
  type LineLoad,
  type LineSetting,
  type Person,
} from "./lineSetting";
import { quietLoad } from "./quietLoad";

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
  const wish = wishOf(open.e, s, person);
  const basis: Basis =
    s.kind === "carry"
      ? { kind: "load", kg: s.carriedKg }
      : { kind: "effort", share: wish.wantedHeld ?? UNKNOWN_SHARE };
  const load = open.station ? loadSet(open.station, person.chosen ?? {}) : undefined;
  const row = rowAt(open, { ...sheet, basis }, { window, load });
  if (Array.isArray(row)) return row;
  if (open.station && row.computed) return { row, load: byStrength(open.station, row.computed, wish, sheet) };
  const quiet = quietLoad(open.e, s, sheet, person);
  return {
    row,
    load: {
      ...(quiet ?? NOTHING_SET),
      wantedShare: wish.wantedShare,
      // found by feel it asks what the scheme wants
      share: quiet?.setting ? quiet.share : wish.wantedShare,
    },
  };
}

/** What rows are compared at, where a scheme says no share. */
const UNKNOWN_SHARE = 0.5;

function wishOf(e: Exercise, s: Scheme, person: Person): Wish {
  const kind = workKindOf(e);
  const held = schemeShare(s, kind ? jointOf(kind) : "knee", person.k);
  const isHeld = s.kind === "holds";
  return {
    e,
    s,
    wantedHeld: held === null ? null : held * (isHeld ? 1 : liftFactor(e, s)),
    wantedShare: isHeld ? held : repetitionShare(s),
  };
}

/** What a scheme asks for: of what can be held at the angle, and in its own terms. */
interface Wish {
  e: Exercise;
  s: Scheme;
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

/** The load from what the leg can do on this station, as far as it is known. Rule L6. */
function byStrength(station: Station, set: ComputedSetUp, wish: Wish, sheet: SheetInput): LineLoad {
  const { s, wantedHeld, wantedShare } = wish;
  const direction = directionOf(station.e);
  const known = sheet.strength[direction];
  const on = loadedOn(station);
  const there = stationKnown(sheet.strength, direction, on);
  const isShown = there !== null && there.visits > 0;
  const isTested = isShown || known.from !== "prior";
  // without a model the load is found by feel, and then asks what the scheme wants
  const felt = set.effortShare === null || wantedHeld === null;
  const { sd } = shownOn(known, on);
  return {
    setUp: set,
    setting: isByFeel(s, set, { isTested, isAtHome: sheet.isAtHome ?? false }) ? null : settingOf(set),
    basis: felt
      ? "felt"
      : isShown || known.from === "sets"
        ? "sets"
        : known.from === "trials"
          ? "strength_test"
          : "default_strength",
    oneRepMax: isShown ? onceOf(station, there, sheet.strength) : null,
    share: felt
      ? wantedShare
      : s.kind === "holds"
        ? set.effortShare
        : ofOneRepMax(wish, set.effortShare as number),
    wantedShare,
    shareError: felt ? FELT_ERROR : sd,
    tooHeavyBecause: set.tooHeavyBecause ?? aboveWish(set, wantedHeld ?? UNKNOWN_SHARE),
    brokenCap: set.brokenCap,
    next: set.next && { ...set.next, share: nextShare(wish, set.next.share) },
    open: set.open,
  };
}

/** What can be lifted once there, kg, with its doubt; null for help and where the curve says nothing. */
function onceOf(station: Station, there: StationLearnt, known: KnownStrength): LineLoad["oneRepMax"] {
  const model = capacityStation(station, known);
  const kg = model && onceKg(model, Math.exp(there.shown.mean));
  return kg === null ? null : { kg, error: there.shown.sd, takenOn: there.lastOn };
}

/** A share of what can be held at the next step in the terms of the scheme. */
function nextShare(wish: Wish, ofHeld: number | null): number | null {
  if (ofHeld === null || wish.wantedHeld === null) return null;
  return wish.s.kind === "holds" ? ofHeld : ofOneRepMax(wish, ofHeld);
}

/** A machine's lightest step asks for more than the scheme wants: no line is set by it. The body alone is a caution. */
function aboveWish(c: ComputedSetUp, wantedShare: number): Said | null {
  if (!c.isAboveWish || c.how === BODY_WEIGHT) return null;
  // what was tested or shown is judged by its middle: a doubt of some percent closes no machine
  if (c.effortBand === null && c.effortShare !== null && c.effortShare <= wantedShare + 1e-9) return null;
  return saidWith("line.above_wish", {
    asks: c.effortBand?.high ?? c.effortShare ?? 0,
    wants: wantedShare,
    isTested: c.effortBand === null,
  });
}

/** A share of what can be held as a share of the one-repetition maximum; lowering on one leg takes more. */
function ofOneRepMax({ e, s }: Wish, ofHeld: number): number {
  const lifted = asUsualLift(e, ofHeld / LIFTS_OF_HELD);
  if (s.kind !== "two_up_one_down") return lifted;
  const target = repetitionShare(s) as number;
  return lifted * (target / loweredByOneLeg(s.reps, s.reserve).overloadVsSingle);
}
