import { exerciseSeconds } from "./holdSeconds";
import { hardRepetitions } from "./repetitionFatigue";
import { repetitionSeconds, type Tempo } from "./repetitionSeconds";
import type { Scheme } from "./scheme";
import { accumulatedSet } from "./specialSets";
import { stretchPlan } from "./stretchPlan";

/** What a scheme takes and gives, for one side. */
export interface SchemeTotals {
  seconds: number;
  /** repetitions with four or fewer left; null where that means nothing: holds and stretches */
  hard: number | null;
  /** seconds under tension of one side */
  tensionS: number;
}

const USUAL: Tempo = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
const LIGHT: Tempo = { liftS: 1, topS: 0, lowerS: 2, bottomS: 0 };
const LIGHT_RESERVE = 1;
const LOWERING_RESERVE = 2;
const PARTIAL_S = 1.5;
/** Sets of a climb before it ends, and of drops with their pin changes. */
const CLIMB_SETS = 6;
const CLIMB_REPS = 6;
const CLIMB_REST_S = 90;
const CLIMB_LAST_RESERVE = 0.6;
const DROP_REPS = 10;
const PIN_CHANGE_S = 8;
/** Where an accumulated set starts, as a share of the maximum. Dosing rules D8. */
const ACCUMULATED_SHARE = 0.7;

/** Seconds, hard repetitions and tension of a scheme before anything is measured on the client. Dosing rules D9, H. */
export function schemeTotals(s: Scheme, sides: 1 | 2): SchemeTotals {
  switch (s.kind) {
    case "holds":
      return { seconds: exerciseSeconds(s, sides), hard: null, tensionS: s.sets * s.reps * s.holdS };
    case "straight":
    case "ramp":
      return ofSets(s.sets, s.reps, s.reserve, s.tempo, s.restS, sides);
    case "light":
      return ofSets(s.sets, s.reps, LIGHT_RESERVE, LIGHT, s.restS, sides);
    case "lowering":
      return ofSets(
        s.sets,
        s.reps,
        LOWERING_RESERVE,
        { liftS: 0.5, topS: 0, lowerS: s.lowerS, bottomS: 2 },
        s.restS,
        sides,
      );
    case "partials": {
      const whole = ofSets(s.sets, s.reps, 2, USUAL, s.restS, sides);
      const more = s.sets * (s.partials * PARTIAL_S + s.holdS);
      return { ...whole, seconds: whole.seconds + more * sides, tensionS: whole.tensionS + more };
    }
    case "climb": {
      const t = ofSets(CLIMB_SETS, CLIMB_REPS, 8, USUAL, CLIMB_REST_S, sides);
      return { ...t, hard: hardRepetitions(CLIMB_REPS, CLIMB_LAST_RESERVE) + 1 };
    }
    case "accumulated": {
      const set = accumulatedSet(ACCUMULATED_SHARE, s.restS, s.total);
      const seconds = set.status === "too-heavy" ? 0 : set.seconds;
      return {
        seconds: 30 + seconds * sides + (sides - 1) * 10,
        hard: set.status === "too-heavy" ? 0 : set.hard,
        tensionS: s.total * 3,
      };
    }
    case "drop": {
      const setS = DROP_REPS * (USUAL.liftS + USUAL.lowerS);
      const oneSide = (s.drops + 1) * setS + s.drops * PIN_CHANGE_S;
      return {
        seconds: 30 + oneSide * sides + (sides - 1) * 10,
        hard: (s.drops + 1) * hardRepetitions(DROP_REPS, 0),
        tensionS: (s.drops + 1) * setS,
      };
    }
    case "stretch": {
      const plan = stretchPlan(s.totalS, s.toleratedS);
      return { seconds: 30 + plan.seconds * sides, hard: null, tensionS: plan.totalS };
    }
  }
}

function ofSets(
  sets: number,
  reps: number,
  reserve: number,
  tempo: Tempo,
  restS: number,
  sides: 1 | 2,
): SchemeTotals {
  const timing = { sets, reps, tempo, setRestS: restS, sides, inTurns: sides === 2 };
  return {
    seconds: repetitionSeconds(timing),
    hard: sets * hardRepetitions(reps, reserve),
    tensionS: sets * reps * (tempo.liftS + tempo.topS + tempo.lowerS),
  };
}
