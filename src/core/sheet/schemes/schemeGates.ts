import type { SchemeKind } from "./scheme";

/** What decides whether a scheme may be used for a client today. */
export interface SchemeFacts {
  /** after surgery and not yet in the last two phases */
  isPostOp: boolean;
  isNovice: boolean;
  irritability: "low" | "moderate" | "high";
  /** joint pain at the last session, 0 to 10; null: not known */
  lastPain: number | null;
  /** days since the last accumulated set; null: never */
  daysSinceAccumulated: number | null;
  /** accumulated sets already in this session */
  accumulatedInSession: number;
  /** the exercise can be held, is a machine with steps, is a stretch */
  canBeHeld: boolean;
  isLoadable: boolean;
  isStretch: boolean;
  /** it can be moved: not a hold by its nature */
  isMoved: boolean;
  isOneLeggedMachine: boolean;
  /** it goes over a distance */
  travels: boolean;
}

/** Days between two accumulated sets. Dosing rules G1. */
const ACCUMULATED_EVERY_DAYS = 7;
const LOWERING_PAIN = 2;

type Gate = (f: SchemeFacts) => string | null;

const loadable: Gate = (f) => (f.isLoadable ? null : "it cannot be loaded in steps");
const notEasily: Gate = (f) =>
  f.irritability === "high" ? "the knee is easily stirred up: straight sets or holds first" : null;
const notEarly: Gate = (f) => (f.isPostOp ? "not early after surgery" : null);
const notNovice: Gate = (f) => (f.isNovice ? "not for novices: straight sets first" : null);
const strength: Gate = (f) => (f.isStretch ? "a stretch is not done in sets" : null);
const moved: Gate = (f) => (f.isMoved || f.isStretch ? null : "this exercise is only held: choose holds");
const calmEnough: Gate = (f) =>
  f.lastPain === null
    ? "the last session's pain is not known"
    : f.lastPain > LOWERING_PAIN
      ? `the last session's pain was ${f.lastPain}: at most ${LOWERING_PAIN} for overloaded lowering`
      : null;

/** Gates of each scheme; every kind has its row, so the table is total. Dosing rules D, G1 [own]. */
const GATES: Record<SchemeKind, readonly Gate[]> = {
  holds: [(f) => (f.canBeHeld ? null : "this exercise is not held"), strength],
  straight: [strength, moved],
  ramp: [strength, moved, loadable, notEasily],
  climb: [strength, moved, loadable, notEasily, notEarly, notNovice],
  accumulated: [
    strength,
    moved,
    loadable,
    notEasily,
    notEarly,
    (f) => (f.accumulatedInSession > 0 ? "once in a session is enough" : null),
    (f) =>
      f.daysSinceAccumulated !== null && f.daysSinceAccumulated < ACCUMULATED_EVERY_DAYS
        ? `the last one is ${f.daysSinceAccumulated} days ago: 7 to 10 days apart`
        : null,
  ],
  drop: [strength, moved, loadable, notEasily, notEarly, notNovice],
  partials: [strength, moved, loadable, notEasily, notEarly],
  pulses: [strength, moved, notEasily],
  light: [strength, moved, loadable],
  lowering: [strength, moved, notEasily, notEarly, calmEnough],
  two_up_one_down: [
    strength,
    moved,
    notEasily,
    notEarly,
    notNovice,
    calmEnough,
    (f) => (f.isOneLeggedMachine ? null : "it needs a machine that one leg lowers: take its single-leg form"),
  ],
  carry: [
    strength,
    moved,
    notEasily,
    notEarly,
    (f) => (f.travels ? null : "only what walks over a distance is carried"),
  ],
  stretch: [(f) => (f.isStretch ? null : "this exercise is no stretch")],
};

/** Why a scheme is barred now; empty where it may be used. */
export const schemeBars = (kind: SchemeKind, f: SchemeFacts): string[] =>
  GATES[kind].map((gate) => gate(f)).filter((x) => x !== null);
