import { z } from "zod";
import type { Limit } from "../bounds/limit";
import { asKept, saidWith } from "../units/said";

/** Schools of the pain rule; `post_op` applies after surgery until the last two phases. */
export const school = z.enum(["pain_free", "monitoring", "post_op"]);
export type School = z.infer<typeof school>;

/** How little stirs the joint up and how long it stays stirred up. */
export const irritability = z.enum(["low", "moderate", "high"]);
export type Irritability = z.infer<typeof irritability>;

export interface PainRule {
  /** joint pain up to here lets work go on as planned */
  green: number;
  /** joint pain above this ends the exercise */
  max: number;
}

const RULES: Record<School, Record<Irritability, PainRule>> = {
  pain_free: { low: { green: 2, max: 2 }, moderate: { green: 2, max: 2 }, high: { green: 1, max: 2 } },
  monitoring: { low: { green: 2, max: 5 }, moderate: { green: 2, max: 4 }, high: { green: 2, max: 3 } },
  post_op: { low: { green: 2, max: 2 }, moderate: { green: 1, max: 2 }, high: { green: 1, max: 2 } },
};

/**
 * Largest joint pain during work, after Thomeé 1997 [high for the idea, own for the numbers at moderate and high
 * irritability]. A limit written for the client (phase, surgeon, therapist) wins where it is stricter. Dosing rules E1.
 */
export function painRule(s: School, i: Irritability, writtenLimit: number | null = null): PainRule {
  const rule = RULES[s][i];
  const max = writtenLimit === null ? rule.max : Math.min(rule.max, writtenLimit);
  return { green: Math.min(rule.green, max), max };
}

/**
 * The pain rule as a limit like all others, so that the strictest of it, a phase and what somebody wrote is one number
 * everywhere. Where irritability lowers what the school allows, the reason says both (corrections K10).
 */
export function painLimit(s: School, i: Irritability): Limit {
  const { max } = RULES[s][i];
  const most = RULES[s].low.max;
  return {
    id: "pain-rule",
    kind: "joint_pain",
    low: null,
    high: max,
    word: null,
    names: [],
    origin: "clinic",
    reason: asKept(saidWith("bound.pain_rule", { school: s, irritability: i, max, most })),
    endsOn: null,
  };
}
