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

/** Why a scheme is barred now, or null. Gates that several schemes share. Dosing rules D, G1 [own]. */
export type Gate = (f: SchemeFacts) => string | null;

const LOWERING_PAIN = 2;

export const loadable: Gate = (f) => (f.isLoadable ? null : "it cannot be loaded in steps");
export const notEasily: Gate = (f) =>
  f.irritability === "high" ? "the knee is easily stirred up: straight sets or holds first" : null;
export const notEarly: Gate = (f) => (f.isPostOp ? "not early after surgery" : null);
export const notNovice: Gate = (f) => (f.isNovice ? "not for novices: straight sets first" : null);
export const noStretch: Gate = (f) => (f.isStretch ? "a stretch is not done in sets" : null);
export const isMoved: Gate = (f) =>
  f.isMoved || f.isStretch ? null : "this exercise is only held: choose holds";
export const calmEnough: Gate = (f) =>
  f.lastPain === null
    ? "the last session's pain is not known"
    : f.lastPain > LOWERING_PAIN
      ? `the last session's pain was ${f.lastPain}: at most ${LOWERING_PAIN} for overloaded lowering`
      : null;
