import { chooseStep, type RoundingPolicy } from "../equipment/chooseStep";
import { type LoadSteps, type Setting, settingsOf } from "../equipment/loadSteps";
import { CURVE_VALID_FROM, CURVE_VALID_TO, plannedEnduranceS } from "../isometrics/enduranceTime";
import type { EnduranceJoint } from "../isometrics/joints";
import {
  afterPause,
  afterRepetitions,
  type DoneSet,
  RESTED,
  repetitionsLeft,
} from "../sheet/effect/repetitionFatigue";
import type { Legs } from "../sheet/line/legs";
import { effectiveSets } from "../sheet/schemes/effectiveSets";
import {
  repetitionS,
  repetitionTensionS,
  restLeftInTurnsS,
  type Tempo,
} from "../sheet/schemes/repetitionSeconds";
import { type Scheme, setsOf } from "../sheet/schemes/scheme";
import { hardOf, type SchemeTotals, tensionOf } from "../sheet/schemes/schemeTotals";
import { groupSteps, runSeconds } from "../sheet/time/runThrough";
import { SET_UP_S, SIDE_CHANGE_S } from "../sheet/time/timing";
import { roundTo } from "../units/clamp";

// What the reference cases ask for by name, made of the product's own parts: the product itself asks for the parts.

export type RoundedLoad =
  | {
      load: number;
      massKg: number;
      how: string;
      /** achieved minus target, kg */
      error: number;
      errorPct: number;
      /** coarse: more than 5 % away from what was wanted */
      flag: "ok" | "coarse";
    }
  | { load: null; flag: "lightest setting is already above target"; lightest: number; heaviest: number };

const COARSE_PCT = 5;

/**
 * The real setting for a wanted load (kg). Always reports what is achieved and the error; a target below the
 * lightest setting gives null with the lightest, never a silent step up. Source: dosing rules D3.
 */
export function roundLoad(steps: LoadSteps, targetKg: number, policy: RoundingPolicy): RoundedLoad {
  const settings = settingsOf(steps);
  const lightest = settings[0] as Setting;
  const heaviest = settings[settings.length - 1] as Setting;
  const chosen = chooseStep(settings, (s) => s.kg, targetKg, policy);
  if (!chosen)
    return {
      load: null,
      flag: "lightest setting is already above target",
      lightest: roundTo(lightest.kg, 3),
      heaviest: roundTo(heaviest.kg, 3),
    };
  const errorPct = ((chosen.kg - targetKg) / targetKg) * 100;
  return {
    load: roundTo(chosen.kg, 3),
    massKg: chosen.massKg,
    how: chosen.how,
    error: roundTo(chosen.kg - targetKg, 3),
    errorPct: roundTo(errorPct, 2),
    flag: Math.abs(errorPct) > COARSE_PCT ? "coarse" : "ok",
  };
}

export type HoldFlag = "ok" | "below-curve-range" | "above-curve-range" | "shorter-than-5-s";

/** Seconds of hold that use a share of the endurance, in whole 5 s downwards. Dosing rules A4. */
export function holdForShare(
  joint: EnduranceJoint,
  shareOfMax: number,
  share: number,
  k = 1,
): { rawS: number; holdS: number; flag: HoldFlag } {
  const rawS = share * plannedEnduranceS(joint, shareOfMax, k);
  const holdS = Math.floor(rawS / 5 + 1e-9) * 5;
  return { rawS, holdS, flag: curveFlag(shareOfMax) ?? (holdS < 5 ? "shorter-than-5-s" : "ok") };
}

function curveFlag(shareOfMax: number): HoldFlag | null {
  if (shareOfMax < CURVE_VALID_FROM) return "below-curve-range";
  if (shareOfMax > CURVE_VALID_TO) return "above-curve-range";
  return null;
}

/** Sets at one load, each to a reserve, with rests between: how many repetitions each reaches. */
export function setsToReserve(shareOfMax: number, sets: number, restS: number, reserve: number): DoneSet[] {
  let state = RESTED;
  return Array.from({ length: sets }, (_, i) => {
    if (i > 0) state = afterPause(state, restS);
    const reps = Math.max(0, Math.floor(repetitionsLeft(state, shareOfMax) - reserve));
    state = afterRepetitions(state, shareOfMax, reps);
    return { reps, reserve: repetitionsLeft(state, shareOfMax) };
  });
}

export interface RepetitionTiming {
  sets: number;
  reps: number;
  tempo: Tempo;
  setRestS: number;
  sides: 1 | 2;
  /** one side after the other, or set by set in turns */
  inTurns: boolean;
}

/** Time under tension of one side; the rest at the bottom does not count. Dosing rules H2. */
export const tensionPerSideS = (t: RepetitionTiming): number => t.sets * t.reps * repetitionTensionS(t.tempo);

/** Seconds that an exercise takes. In turns one leg's set is the other's rest. Dosing rules H3. */
export function repetitionSeconds(t: RepetitionTiming): number {
  const setS = t.reps * repetitionS(t.tempo);
  const oneSide = t.sets * setS + (t.sets - 1) * t.setRestS;
  if (t.sides === 1) return SET_UP_S + oneSide;
  if (!t.inTurns) return SET_UP_S + 2 * (oneSide + SIDE_CHANGE_S);
  return SET_UP_S + t.sets * 2 * (setS + SIDE_CHANGE_S) + (t.sets - 1) * restLeftInTurnsS(t.setRestS, setS);
}

/** Seconds, hard repetitions and tension of a scheme before anything is measured on the client. Dosing rules D9, H. */
export function schemeTotals(s: Scheme, legs: Legs): SchemeTotals {
  const sets = setsOf(s);
  const line = { id: "", legs, sharesRests: false, machine: null, sets };
  return {
    seconds: runSeconds(groupSteps([line])),
    hard: hardOf(sets),
    effective: effectiveSets({ scheme: s, sets, share: null }),
    tensionS: tensionOf(sets),
  };
}
