import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import {
  afterPause,
  afterRepetitions,
  type DoneSet,
  hardRepetitions,
  RESTED,
  repetitionsLeft,
  type SetFatigue,
} from "../effect/repetitionFatigue";
import { repetitionsPossible } from "../load/workingLoad";

/** Warm-up sets by how heavy the work is: share of the working load, repetitions. Dosing rules D6. */
const RAMPS: readonly { fromShare: number; steps: readonly (readonly [number, number])[] }[] = [
  {
    fromShare: 0.85,
    steps: [
      [0.4, 8],
      [0.6, 5],
      [0.75, 3],
      [0.9, 1],
    ],
  },
  {
    fromShare: 0.65,
    steps: [
      [0.45, 8],
      [0.65, 5],
      [0.85, 3],
    ],
  },
  {
    fromShare: 0,
    steps: [
      [0.5, 8],
      [0.75, 4],
    ],
  },
];
/** No warm-up repetition comes nearer than this to the end of what is possible [own]. */
const RAMP_RESERVE = 5;

/** Rest after a ramp set, s [own]. */
export const RAMP_REST_S = 60;

/** Repetitions of a ramp set at a share of the maximum: none of them hard. */
const rampReps = (wanted: number, shareOfMax: number): number =>
  Math.min(wanted, Math.floor(repetitionsPossible(shareOfMax)) - RAMP_RESERVE);

/** Ramp sets before work at a share of the maximum, as shares of the working load. Dosing rules D6. */
export function rampShares(workShareOfMax: number): { share: number; reps: number }[] {
  const ramp = RAMPS.find((r) => workShareOfMax >= r.fromShare);
  return (ramp?.steps ?? [])
    .map(([share, wanted]) => ({ share, reps: rampReps(wanted, share * workShareOfMax) }))
    .filter((s) => s.reps >= 1);
}

/** Where a climb, an accumulated set and a drop set begin, as shares of the one-repetition maximum. Dosing rules D7, D8, D10. */
export const CLIMB_STARTS_AT = 0.5;
const ACCUMULATED_AT = 0.7;
export const DROP_STARTS_AT = 0.75;

export const CLIMB_REST_S = 90;
const CLIMB_ENDS_AT = 1.5;
const CLIMB_FEW = 3;
const CLIMB_MANY = 8;

export interface Climb {
  sets: { load: number; reserve: number }[];
  status: "ok" | "start_lighter" | "start_heavier";
}

/** So many repetitions, each set a plate heavier, until hardly one is left. Dosing rules D7, X4. */
export function climbing(oneRepMax: number, start: number, plate: number, reps: number): Climb {
  let state = RESTED;
  const sets: Climb["sets"] = [];
  for (let load = start; load < oneRepMax; load += plate) {
    const share = load / oneRepMax;
    const rested = sets.length ? afterPause(state, CLIMB_REST_S) : state;
    const reserve = repetitionsLeft(rested, share) - reps;
    if (reserve < 0) break;
    sets.push({ load, reserve });
    state = afterRepetitions(rested, share, reps);
    if (reserve <= CLIMB_ENDS_AT) break;
  }
  return {
    sets,
    status: sets.length < CLIMB_FEW ? "start_lighter" : sets.length > CLIMB_MANY ? "start_heavier" : "ok",
  };
}

const FIRST_BOUT = { least: 10, most: 12 } as const;
const LATER_MOST = 4;
const MOST_BOUTS = 9;
export const ACCUMULATED_REP_S = 3;

export type AccumulatedSet =
  | { status: "complete" | "stopped"; done: number; bouts: DoneSet[]; seconds: number; hard: number }
  | { status: "too-heavy"; firstBoutPossible: number; suggestShare: number };

/** One set to a total in short bouts with standing rests. Dosing rules D8, X4. */
export function accumulatedSet(shareOfMax: number, restS: number, total: number): AccumulatedSet {
  const first = Math.floor(repetitionsPossible(shareOfMax) - 1);
  if (first < FIRST_BOUT.least)
    return {
      status: "too-heavy",
      firstBoutPossible: first,
      suggestShare: 1 / kFactorUnbounded(FIRST_BOUT.most),
    };
  let state: SetFatigue = RESTED;
  const bouts: DoneSet[] = [];
  let done = 0;
  while (done < total && bouts.length < MOST_BOUTS) {
    if (bouts.length > 0) state = afterPause(state, restS);
    const possible = Math.floor(repetitionsLeft(state, shareOfMax) - 1);
    const left = total - done;
    if (possible < Math.min(2, left)) break;
    const reps = Math.min(left, bouts.length === 0 ? FIRST_BOUT.most : LATER_MOST, possible);
    state = afterRepetitions(state, shareOfMax, reps);
    bouts.push({ reps, reserve: repetitionsLeft(state, shareOfMax) });
    done += reps;
  }
  return {
    status: done >= total ? "complete" : "stopped",
    done,
    bouts,
    seconds: done * ACCUMULATED_REP_S + (bouts.length - 1) * restS,
    hard: bouts.reduce((sum, b) => sum + hardRepetitions(b.reps, b.reserve), 0),
  };
}

/** Lightest share at which an accumulated set is still one. Dosing rules D8 [own]. */
const ACCUMULATED_LEAST = 0.5;

/** The heaviest start of an accumulated set, in hundredths, that leaves so many repetitions after every bout. */
export function accumulatedShare(reserve: number, restS: number, total: number): number {
  for (let share = ACCUMULATED_AT; share > ACCUMULATED_LEAST; share = Math.round(share * 100 - 1) / 100) {
    const set = accumulatedSet(share, restS, total);
    if (set.status === "complete" && set.bouts.every((b) => b.reserve >= reserve)) return share;
  }
  return ACCUMULATED_LEAST;
}

/** Changing a pin in a drop set, s. */
export const PIN_CHANGE_S = 8;

/** Repetitions to the end, or to a reserve, at falling shares of the maximum, with a pin change between. Dosing rules D10. */
export function repetitionsInDrops(sharesOfMax: readonly number[], reserve = 0): number[] {
  let state = RESTED;
  return sharesOfMax.map((share, i) => {
    if (i > 0) state = afterPause(state, PIN_CHANGE_S);
    const reps = Math.max(0, Math.floor(repetitionsLeft(state, share) - reserve));
    state = afterRepetitions(state, share, reps);
    return reps;
  });
}

/** One leg's share of a two-leg maximum: half, and five percent for the two-leg deficit. */
export const ONE_LEG_OF_TWO = 0.5 * 1.05;
/** Lowering takes more than lifting [medium, untrained]. */
const ECCENTRIC = 1.2;

export interface TwoUpOneDown {
  load: number;
  limit: "lowering_leg" | "lift_with_two";
  /** load over one leg's own lifting maximum: above 1 it is true overload */
  overloadVsSingle: number;
}

/** Load lifted by two legs and lowered by one. Not early after surgery, not with pain above 2. Dosing rules D13. */
export function twoUpOneDownLoad(bilateralMax: number, reps = 6, reserve = 2): TwoUpOneDown {
  const single = bilateralMax * ONE_LEG_OF_TWO;
  const lowered = (ECCENTRIC * single) / kFactorUnbounded(reps + reserve);
  const lifted = bilateralMax / kFactorUnbounded(reps + reserve + 3);
  const load = Math.min(lowered, lifted);
  return {
    load,
    limit: lowered <= lifted ? "lowering_leg" : "lift_with_two",
    overloadVsSingle: load / single,
  };
}
