import { type Said, saidWith } from "../../units/said";

/** What decides whether a scheme may be used for a client today. */
export interface SchemeFacts {
  /** after surgery and not yet in the last two phases */
  isPostOp: boolean;
  isNovice: boolean;
  /** in a phase that makes strong or keeps what was reached */
  isLate: boolean;
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
export type Gate = (f: SchemeFacts) => Said | null;

const LOWERING_PAIN = 2;

export const loadable: Gate = (f) => (f.isLoadable ? null : { code: "gate.loadable" });
export const notEasily: Gate = (f) => (f.irritability === "high" ? { code: "gate.not_easily" } : null);
export const notEarly: Gate = (f) => (f.isPostOp ? { code: "gate.not_early" } : null);
export const notNovice: Gate = (f) => (f.isNovice ? { code: "gate.not_novice" } : null);
export const lateEnough: Gate = (f) => (f.isLate ? null : { code: "gate.late_enough" });
export const noStretch: Gate = (f) => (f.isStretch ? { code: "gate.no_stretch" } : null);
export const isMoved: Gate = (f) => (f.isMoved || f.isStretch ? null : { code: "gate.is_held" });
export const calmEnough: Gate = (f) =>
  f.lastPain === null
    ? { code: "gate.pain_unknown" }
    : f.lastPain > LOWERING_PAIN
      ? saidWith("gate.pain", { pain: f.lastPain, most: LOWERING_PAIN })
      : null;
