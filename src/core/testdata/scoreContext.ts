import { bodyFrom } from "../body/segments";
import type { InForce } from "../bounds/inForce";
import { demandNm } from "../capacity/station";
import { TEMPLATES, templateOf } from "../equipment/templates";
import { EXERCISES } from "../rules/exercises";
import { testStation } from "../selection/setUp/testStation";
import { chairRise, type ReferenceTask } from "../selection/tissue/tissues";
import type { ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import type { Scheme, SchemeKind } from "../sheet/schemes/scheme";
import { type ShownSet, surely, withShown } from "./capacity/known";
import { loadFacts } from "./loadFacts";

/** The same with sets that were shown on machines. */
export function withTests(context: ScoreContext, tests: readonly ShownSet[]): ScoreContext {
  const { sheet } = context;
  const strength = tests.reduce((known, t) => {
    const machine = sheet.machines.find((m) => m.name === t.machineName);
    const found = machine && testStation(machine, t.twoLegs, sheet.body, known);
    if (!found) return known;
    const { station, direction } = found;
    const set = { ...t, machineId: machine.id };
    return withShown(
      known,
      set,
      (kg) => demandNm(station, kg),
      direction ?? "extension",
      station.repetitionsFactor,
    );
  }, sheet.strength);
  return { ...context, sheet: { ...sheet, strength } };
}

/** A made-up client for tests: everything a session is judged by. */
export function scoreContext(limits: InForce = {}, over: Partial<ScoreContext> = {}): ScoreContext {
  const body = bodyFrom(72, 1.7);
  const facts = loadFacts(body);
  return {
    sheet: {
      exercises: EXERCISES,
      machines: TEMPLATES.map((t) => ({ ...templateOf(t.family), id: t.family })),
      motion: { shortOfStraightDeg: null, bendDeg: null },
      goalIds: [],
      later: [],
      ...facts,
      limits,
      strength: {
        ...facts.strength,
        extension: surely("extension", 140),
        flexion: surely("flexion", 75),
      },
      chair: chairRise(body) as ReferenceTask,
      tissue: "kneecap",
      capTimes: null,
      basis: { kind: "effort", share: 0.5 },
    },
    known: {
      isPostOp: false,
      isNovice: false,
      irritability: "low",
      lastPain: 0,
      daysSinceAccumulated: null,
      isLate: true,
    },
    personal: { k: 1, holds: 0 },
    ...over,
  };
}

const TEMPO = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
/** One of every scheme. */
export const EXAMPLES: { [K in SchemeKind]: Extract<Scheme, { kind: K }> } = {
  holds: {
    kind: "holds",
    sets: 1,
    reps: 5,
    holdS: 45,
    restS: 120,
    setRestS: 0,
    effort: { kind: "felt", felt: 7 },
    atDeg: 60,
  },
  straight: { kind: "straight", sets: 3, reps: 10, reserve: 2, tempo: TEMPO, restS: 90 },
  ramp: { kind: "ramp", sets: 3, reps: 6, reserve: 2, tempo: TEMPO, restS: 120 },
  climb: { kind: "climb", reps: 6, plateKg: 5, reserve: 1 },
  accumulated: { kind: "accumulated", total: 25, restS: 20, reserve: 1 },
  drop: { kind: "drop", drops: 2, dropPct: 20, reserve: 0 },
  partials: { kind: "partials", sets: 2, reps: 10, partials: 5, end: "stretched", holdS: 15, restS: 90 },
  pulses: { kind: "pulses", sets: 2, reps: 10, pulses: 2, end: "short", restS: 90 },
  light: { kind: "light", sets: 2, reps: 32, reserve: 1, restS: 60 },
  slow: { kind: "slow", sets: 4, reps: 12, reserve: 2, restS: 120 },
  power: { kind: "power", sets: 3, reps: 6, percent: 50, restS: 120 },
  lowering: { kind: "lowering", sets: 3, reps: 5, lowerS: 5, restS: 120 },
  two_up_one_down: { kind: "two_up_one_down", sets: 3, reps: 6, reserve: 2, lowerS: 4, restS: 120 },
  carry: { kind: "carry", sets: 2, distanceM: 10, carriedKg: 8, restS: 90 },
  stretch: { kind: "stretch", totalS: 120, toleratedS: 45 },
};

export const line = (exerciseId: string, scheme: Scheme, over: Partial<ScoreLine> = {}): ScoreLine => ({
  exerciseId,
  scheme,
  legs: "together",
  window: null,
  sharesRests: false,
  ...over,
});
