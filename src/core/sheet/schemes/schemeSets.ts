import { STEP_LENGTH_M, STEP_S } from "./carry";
import { repetitionS, repetitionTensionS, type Tempo } from "./repetitionSeconds";
import type { Scheme } from "./scheme";
import { repetitionShare, repetitionTarget } from "./schemeShare";
import {
  ACCUMULATED_REP_S,
  accumulatedSet,
  CLIMB_REST_S,
  CLIMB_STARTS_AT,
  climbSixes,
  DROP_STARTS_AT,
  PIN_CHANGE_S,
  RAMP_REST_S,
  rampShares,
  repetitionsInDrops,
  SIXES,
} from "./specialSets";
import { STRETCH_BREAK_S, stretchPlan } from "./stretchPlan";

/** One set of one leg as it is planned. */
export interface PlannedSet {
  role: "ramp" | "work";
  /** seconds from its start to its end, and those of them under tension */
  workS: number;
  tensionS: number;
  /** seconds to the next set of the same leg */
  restS: number;
  /** null for holds and stretches */
  reps: number | null;
  /** holds inside the set; null for repetitions */
  holds: { reps: number; holdS: number; restS: number } | null;
  /** of the working load: below 1 in a ramp and after a drop, above 1 in a climb */
  loadShare: number;
  /** repetitions planned to be left afterwards; null where that means nothing */
  reserve: number | null;
}

const USUAL: Tempo = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
const LIGHT: Tempo = { liftS: 1, topS: 0, lowerS: 2, bottomS: 0 };
/** Two legs lift, one lowers, both take over at the bottom. */
const twoUp = (lowerS: number): Tempo => ({ liftS: 1, topS: 1, lowerS, bottomS: 1 });
/** Help on the way up, slow on the way down, the next start. */
const lowering = (lowerS: number): Tempo => ({ liftS: 0.5, topS: 0, lowerS, bottomS: 2 });
const PARTIAL_S = 1.5;
const PULSE_S = 1;
/** A climb's step as a share of the maximum before anything is tested: within the 5 to 7 % of dosing rules D7. */
const CLIMB_STEP = 0.06;

/** The sets of a scheme for one leg, in order; the rest of the last one is not used. Dosing rules D, H. */
export function setsOf(s: Scheme): PlannedSet[] {
  const target = repetitionTarget(s);
  switch (s.kind) {
    case "holds":
      return repeat(s.sets, {
        ...held(s.reps, s.holdS, s.restS),
        restS: s.setRestS,
      });
    case "stretch": {
      const plan = stretchPlan(s.totalS, s.toleratedS);
      return plan.holds === 0 ? [] : [{ ...held(plan.holds, plan.eachS, STRETCH_BREAK_S), restS: 0 }];
    }
    case "straight":
      return repeat(s.sets, moved(s.reps, s.tempo, s.restS, s.reserve));
    case "ramp":
      return [
        ...rampShares(repetitionShare(s) as number).map(
          (r): PlannedSet => ({
            ...moved(r.reps, s.tempo, RAMP_REST_S, null),
            role: "ramp",
            loadShare: r.share,
          }),
        ),
        ...repeat(s.sets, moved(s.reps, s.tempo, s.restS, s.reserve)),
      ];
    case "light":
      return repeat(s.sets, moved(s.reps, LIGHT, s.restS, target?.reserve ?? null));
    case "lowering":
      return repeat(s.sets, moved(s.reps, lowering(s.lowerS), s.restS, target?.reserve ?? null));
    case "two_up_one_down":
      return repeat(s.sets, moved(s.reps, twoUp(s.lowerS), s.restS, s.reserve));
    case "partials": {
      const whole = moved(s.reps, USUAL, s.restS, target?.reserve ?? null);
      return repeat(s.sets, longer(whole, s.partials * PARTIAL_S + s.holdS));
    }
    case "pulses": {
      const whole = moved(s.reps, USUAL, s.restS, target?.reserve ?? null);
      return repeat(s.sets, longer(whole, s.reps * s.pulses * PULSE_S));
    }
    case "carry": {
      const steps = Math.ceil(s.distanceM / STEP_LENGTH_M);
      const walked = moved(Math.ceil(steps / 2), USUAL, s.restS, target?.reserve ?? null);
      // half of the steps are the other leg's; both are walked through in one go
      return repeat(s.sets, { ...walked, workS: (steps * STEP_S) / 2, tensionS: (steps * STEP_S) / 2 });
    }
    case "climb":
      return climbSixes(1, CLIMB_STARTS_AT, CLIMB_STEP)
        .sets.filter((c) => c.reserve >= s.reserve)
        .map((c) => ({
          ...moved(SIXES, USUAL, CLIMB_REST_S, c.reserve),
          loadShare: c.load / CLIMB_STARTS_AT,
        }));
    case "accumulated": {
      const set = accumulatedSet(repetitionShare(s) as number, s.restS, s.total);
      if (set.status === "too-heavy") return [];
      const seconds = (reps: number) => reps * ACCUMULATED_REP_S;
      return set.bouts.map((b) => ({
        ...moved(b.reps, USUAL, s.restS, b.reserve),
        workS: seconds(b.reps),
        tensionS: seconds(b.reps),
      }));
    }
    case "drop": {
      const shares = Array.from({ length: s.drops + 1 }, (_, i) => (1 - s.dropPct / 100) ** i);
      const reps = repetitionsInDrops(
        shares.map((share) => share * DROP_STARTS_AT),
        s.reserve,
      );
      return shares.map((loadShare, i) => ({
        ...moved(reps[i] as number, USUAL, PIN_CHANGE_S, s.reserve),
        loadShare,
      }));
    }
  }
}

const repeat = (count: number, set: PlannedSet): PlannedSet[] =>
  Array.from({ length: count }, () => ({ ...set }));

const moved = (reps: number, tempo: Tempo, restS: number, reserve: number | null): PlannedSet => ({
  role: "work",
  workS: reps * repetitionS(tempo),
  tensionS: reps * repetitionTensionS(tempo),
  restS,
  reps,
  holds: null,
  loadShare: 1,
  reserve,
});

const held = (reps: number, holdS: number, restS: number): Omit<PlannedSet, "restS"> => ({
  role: "work",
  workS: reps * holdS + (reps - 1) * restS,
  tensionS: reps * holdS,
  reps: null,
  holds: { reps, holdS, restS },
  loadShare: 1,
  reserve: null,
});

const longer = (set: PlannedSet, seconds: number): PlannedSet => ({
  ...set,
  workS: set.workS + seconds,
  tensionS: set.tensionS + seconds,
});
