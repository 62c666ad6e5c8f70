import { anchoredModel, type FatigueModel } from "../../isometrics/fatigueModel";
import type { EnduranceJoint } from "../../isometrics/joints";
import { simulateHolds } from "../../isometrics/simulateHolds";
import { CREDITS, type Muscle, type WorkKind } from "../../schedule/balance";
import type { PlannedSet } from "../schemes/contract";
import type { RunStep } from "../time/runThrough";
import { afterPause, afterRepetitions, RESTED, repetitionsLeft, type SetFatigue } from "./repetitionFatigue";

/** What a line of a session asks of the muscles. Plain data: it goes to a worker and back. */
export interface FatigueLine {
  id: string;
  kind: WorkKind;
  sets: readonly PlannedSet[];
  /** share of the one-repetition maximum, or for holds of what can be held at the angle */
  share: number;
  /** how far the share may be off, as a share of itself */
  shareError: number;
}

/** What is expected of one set of one leg. */
export interface SetPrediction {
  lineId: string;
  set: number;
  leg: "both" | "first" | "second";
  /** felt effort at its end, 0 to 10, with the spread between people and tests */
  effort: { value: number; low: number; high: number };
  /** felt effort at the end of each hold; null for repetitions */
  byHold: number[] | null;
  /** repetitions left afterwards; null for holds */
  repetitionsLeft: number | null;
  /** share of the muscle that is not yet tired, 0 to 1 */
  remaining: number;
  /** the repetition, or the hold and its second, at which it is predicted to end early */
  endsAt: { repetition: number } | { hold: number; second: number } | null;
}

/** Which endurance constants a kind of work goes by. Hips are not in the source: the general ones, low confidence. */
export function jointOf(kind: WorkKind): EnduranceJoint {
  switch (kind) {
    case "press_or_squat":
    case "extension":
    case "curl":
      return "knee";
    case "calf":
      return "ankle";
    case "trunk":
      return "trunk";
    case "hinge":
    case "bridge":
    case "abduction":
    case "adduction":
      return "general";
  }
}

type Leg = "first" | "second";
type States = Map<string, SetFatigue>;
interface Guess {
  /** personal factor of endurance */
  k: number;
  /** -1 the share is lower than thought, 0 as thought, 1 higher */
  side: -1 | 0 | 1;
}
interface Outcome {
  effort: number;
  byHold: number[] | null;
  repetitionsLeft: number | null;
  remaining: number;
  endsAt: SetPrediction["endsAt"];
}

/** No share is carried further than this: the model has no meaning at the maximum itself. */
const MOST_SHARE = 0.99;

/**
 * Felt effort, reserve and early ends of every set of a session, one state of fatigue per muscle and leg carried from
 * timer to timer. Helping muscles tire by their credit [own]. Beyond some minutes of work it is rough. Dosing rules B, D5, G3.
 *
 * @param spread factor between people's endurance (1.5 untested, 1.2 once timed)
 */
export function simulateSession(
  steps: readonly RunStep[],
  lines: readonly FatigueLine[],
  person: { k: number; spread: number },
): SetPrediction[] {
  const models = new Map<string, FatigueModel>();
  const middle = pass(steps, lines, { k: person.k, side: 0 }, models);
  const low = pass(steps, lines, { k: person.k * person.spread, side: -1 }, models);
  const high = pass(steps, lines, { k: person.k / person.spread, side: 1 }, models);
  return middle.map(({ step, outcome }, i) => ({
    lineId: step.lineId as string,
    set: step.set as number,
    leg: step.leg as SetPrediction["leg"],
    ...outcome,
    effort: {
      value: outcome.effort,
      low: low[i]?.outcome.effort ?? outcome.effort,
      high: high[i]?.outcome.effort ?? outcome.effort,
    },
  }));
}

function pass(
  steps: readonly RunStep[],
  lines: readonly FatigueLine[],
  guess: Guess,
  models: Map<string, FatigueModel>,
): { step: RunStep; outcome: Outcome }[] {
  const byId = new Map(lines.map((l) => [l.id, l]));
  const states: States = new Map();
  const found: { step: RunStep; outcome: Outcome }[] = [];
  for (const step of steps) {
    const line = step.kind === "work" && step.lineId !== null ? byId.get(step.lineId) : undefined;
    const set = line?.sets[step.set ?? -1];
    const working = line && set ? worked(line, set, step, states, guess, models) : null;
    for (const [key, state] of states)
      if (!working?.keys.has(key)) states.set(key, afterPause(state, step.seconds));
    if (working) found.push({ step, outcome: working.outcome });
  }
  return found;
}

/** Does a set: changes the states of its muscles, says how it went. */
function worked(
  line: FatigueLine,
  set: PlannedSet,
  step: RunStep,
  states: States,
  guess: Guess,
  models: Map<string, FatigueModel>,
): { outcome: Outcome; keys: Set<string> } {
  const legs: Leg[] = step.leg === "both" ? ["first", "second"] : [step.leg as Leg];
  const credits = Object.entries(CREDITS[line.kind]) as [Muscle, number][];
  const share = Math.min(MOST_SHARE, line.share * set.loadShare * (1 + guess.side * line.shareError));
  const keys = new Set<string>();
  let worst: Outcome | null = null;
  for (const leg of legs) {
    const at = (muscle: Muscle) => states.get(`${muscle} ${leg}`) ?? RESTED;
    const prime = credits
      .filter(([, credit]) => credit === 1)
      .map(([muscle]) => at(muscle))
      .reduce((a, b) => (b.fast + b.slow > a.fast + a.slow ? b : a));
    const { outcome, end } = set.holds
      ? heldSet(jointOf(line.kind), share, set.holds, prime, guess.k, models)
      : movedSet(share, set.reps ?? 0, prime);
    for (const [muscle, credit] of credits) {
      const before = at(muscle);
      keys.add(`${muscle} ${leg}`);
      states.set(`${muscle} ${leg}`, {
        fast: Math.max(0, before.fast + credit * (end.fast - prime.fast)),
        slow: Math.max(0, before.slow + credit * (end.slow - prime.slow)),
      });
    }
    if (!worst || outcome.effort > worst.effort) worst = outcome;
  }
  return { outcome: worst as Outcome, keys };
}

function movedSet(share: number, reps: number, from: SetFatigue): { outcome: Outcome; end: SetFatigue } {
  const left = repetitionsLeft(from, share);
  const done = Math.max(0, Math.min(reps, Math.floor(left)));
  const end = afterRepetitions(from, share, done);
  const reserve = left - reps;
  return {
    outcome: {
      effort: Math.max(1, Math.min(10, 10 - reserve)),
      byHold: null,
      repetitionsLeft: Math.max(0, reserve),
      remaining: Math.max(0, 1 - end.fast - end.slow),
      endsAt: done < reps ? { repetition: done } : null,
    },
    end,
  };
}

function heldSet(
  joint: EnduranceJoint,
  share: number,
  holds: NonNullable<PlannedSet["holds"]>,
  from: SetFatigue,
  k: number,
  models: Map<string, FatigueModel>,
): { outcome: Outcome; end: SetFatigue } {
  const key = `${joint} ${share} ${k}`;
  const model = models.get(key) ?? anchoredModel(joint, share, k);
  models.set(key, model);
  const run = simulateHolds(joint, share, { ...holds, sets: 1, setRestS: 0 }, { k, model, from });
  return {
    outcome: {
      effort: run.effort10,
      byHold: run.holds.map((h) => h.effortEnd),
      repetitionsLeft: null,
      remaining: run.remaining,
      endsAt: run.failBout === null ? null : { hold: run.failBout, second: run.failSecondS ?? 0 },
    },
    end: run.end,
  };
}
