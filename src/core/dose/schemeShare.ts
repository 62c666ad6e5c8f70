import { shareForFeltEffort } from "../isometrics/effortConversion";
import { kFactorUnbounded } from "../strength/repetitionMaximum";
import type { Scheme } from "./scheme";

/** What a muscle lifts slowly, of what it holds (mechanics rules 6 [assumed]). */
const LIFTS_OF_HELD = 0.85;
/** Where an accumulated set, a drop set and a climb begin, as shares of the one-repetition maximum. Dosing rules D7, D8, D10. */
const ACCUMULATED = 0.7;
const DROP = 0.75;
const CLIMB = 0.5;
const USUAL_RESERVE = 2;
const LIGHT_RESERVE = 1;

const ofRepetitions = (reps: number, reserve: number): number =>
  LIFTS_OF_HELD / kFactorUnbounded(reps + reserve);

/**
 * Share of what the knee can hold at its hardest angle that a scheme asks for: what its load is set to before two light
 * sets have found the real one. Null where no load is set. Estimated: the person may differ by a fifth and more.
 */
export function schemeShare(s: Scheme): number | null {
  switch (s.kind) {
    case "holds":
      return shareForFeltEffort("knee", s, s.feltEffort);
    case "straight":
    case "ramp":
      return ofRepetitions(s.reps, s.reserve);
    case "light":
      return ofRepetitions(s.reps, LIGHT_RESERVE);
    case "lowering":
    case "partials":
      return ofRepetitions(s.reps, USUAL_RESERVE);
    case "accumulated":
      return LIFTS_OF_HELD * ACCUMULATED;
    case "drop":
      return LIFTS_OF_HELD * DROP;
    case "climb":
      return LIFTS_OF_HELD * CLIMB;
    case "stretch":
      return null;
  }
}
