import type { DecisionInput } from "./decisionInput";
import { painRule } from "./painRule";

export const ACTIONS = ["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"] as const;
export type Action = (typeof ACTIONS)[number];

/** The actions in words a therapist uses. */
export const ACTION_WORDS: Record<Action, string> = {
  PROGRESS: "Step up",
  HOLD: "Stay",
  REGRESS: "Step back",
  STOP_REFER: "Stop and refer",
};

const STRICTNESS: Record<Action, number> = { PROGRESS: 0, HOLD: 1, REGRESS: 2, STOP_REFER: 3 };
export const stricter = (a: Action, b: Action): Action => (STRICTNESS[a] >= STRICTNESS[b] ? a : b);

export interface FiredRule {
  id: string;
  action: Action;
  /** a sentence a therapist reads: because … */
  reason: string;
}

interface Rule {
  id: string;
  action: Action;
  fires: (c: Context) => boolean;
  reason: (c: Context) => string;
}

interface Context {
  i: DecisionInput;
  /** after surgery or easily stirred up */
  strict: boolean;
  postOp: boolean;
  green: number;
  max: number;
}

const at = (x: number | null): number => x ?? Number.NaN; // comparisons with NaN are false: missing fires nothing but H9

const effusionRise = ({ i }: Context): number =>
  i.effusionApplies ? at(i.effusion) - at(i.effusionBefore) : Number.NaN;
const effusionIs = (c: Context, grade: number): boolean => c.i.effusionApplies && c.i.effusion === grade;
const morningRise = ({ i }: Context): number => at(i.painMorning) - i.usualPain;
/** A missing first answer counts as the usual pain (corrections K8); H9 holds for it all the same. */
const before = ({ i }: Context): number => i.painBefore ?? i.usualPain;
const arrivedRise = ({ i }: Context): number => at(i.painBefore) - i.usualPain;

const stopsForEffusion = (c: Context) => effusionRise(c) >= 2 || effusionIs(c, 4);
const regressesForEffusion = (c: Context) =>
  effusionIs(c, 3) || (effusionRise(c) === 1 && (!effusionIs(c, 1) || c.postOp)) || stopsForEffusion(c);
const trendRises = (c: Context) => at(c.i.weekTrend) >= 1;
const trendCounts = (c: Context) => c.i.irritability !== "low" || c.postOp;

/** The safety layer, dosing rules E2; every rule that fires is kept, the strictest decides. */
const RULES: readonly Rule[] = [
  {
    id: "S1",
    action: "STOP_REFER",
    fires: (c) => c.i.redFlag,
    reason: () => "a warning sign was answered yes",
  },
  {
    id: "S2",
    action: "STOP_REFER",
    fires: stopsForEffusion,
    reason: () => "swelling rose by two grades or is very large",
  },
  {
    id: "S3",
    action: "STOP_REFER",
    fires: (c) => at(c.i.painDuring) >= 7 && c.strict,
    reason: (c) =>
      `joint pain reached ${c.i.painDuring} in a knee that is ${c.postOp ? "after surgery" : "easily stirred up"}`,
  },
  {
    id: "S4",
    action: "STOP_REFER",
    fires: (c) => c.postOp && regressesForEffusion(c) && morningRise(c) >= 2,
    reason: () => "after surgery, swelling and morning pain rose together",
  },
  {
    id: "R1",
    action: "REGRESS",
    fires: (c) => at(c.i.painDuring) >= 7 && !c.strict,
    reason: (c) => `joint pain reached ${c.i.painDuring} during a set`,
  },
  {
    id: "R2",
    action: "REGRESS",
    fires: (c) => at(c.i.painDuring) > c.max && at(c.i.painDuring) < 7,
    reason: (c) => `joint pain of ${c.i.painDuring} during a set is above the limit of ${c.max}`,
  },
  {
    id: "R3",
    action: "REGRESS",
    fires: (c) => at(c.i.painAfter) > before(c) && at(c.i.painAfter) > c.max,
    reason: (c) =>
      `joint pain stayed at ${c.i.painAfter} afterwards, above before and above the limit of ${c.max}`,
  },
  {
    id: "R4",
    action: "REGRESS",
    fires: (c) => morningRise(c) >= 2,
    reason: (c) => `the next morning was ${c.i.painMorning}, two or more above the usual ${c.i.usualPain}`,
  },
  {
    id: "R5",
    action: "REGRESS",
    fires: (c) => regressesForEffusion(c) && !stopsForEffusion(c),
    reason: () => "swelling rose by a grade or is at 2+",
  },
  {
    id: "R6",
    action: "REGRESS",
    fires: (c) => at(c.i.rangePct) < 85,
    reason: (c) => `only ${Math.round(at(c.i.rangePct))} % of the planned range was reached`,
  },
  {
    id: "R7",
    action: "REGRESS",
    fires: (c) => arrivedRise(c) >= 3,
    reason: (c) => `arrived with ${c.i.painBefore}, three or more above the usual ${c.i.usualPain}`,
  },
  {
    id: "R8",
    action: "REGRESS",
    fires: (c) => trendRises(c) && trendCounts(c),
    reason: () => "the weekly mean of pain rose by one or more",
  },
  {
    id: "R9",
    action: "REGRESS",
    fires: (c) => morningRise(c) > 0 && morningRise(c) < 2 && c.strict,
    reason: (c) => `the next morning was ${c.i.painMorning}, above the usual ${c.i.usualPain}`,
  },
  {
    id: "H1",
    action: "HOLD",
    fires: (c) =>
      at(c.i.painDuring) > c.green &&
      at(c.i.painDuring) <= c.max &&
      !(c.i.school === "monitoring" && c.i.irritability === "low"),
    reason: (c) => `joint pain of ${c.i.painDuring} during a set is within the limit but above ${c.green}`,
  },
  {
    id: "H2",
    action: "HOLD",
    fires: (c) => at(c.i.painAfter) > before(c) && at(c.i.painAfter) <= c.max && c.i.school !== "monitoring",
    reason: (c) =>
      `joint pain was ${c.i.painAfter} afterwards, more than the ${before(c)} ${c.i.painBefore === null ? "that is usual" : "before"}`,
  },
  {
    id: "H3",
    action: "HOLD",
    fires: (c) => morningRise(c) > 0 && morningRise(c) < 2 && !c.strict,
    reason: (c) => `the next morning was ${c.i.painMorning}, a little above the usual ${c.i.usualPain}`,
  },
  {
    id: "H4",
    action: "HOLD",
    fires: (c) =>
      (effusionIs(c, 2) && effusionRise(c) <= 0) || (effusionIs(c, 1) && effusionRise(c) === 1 && !c.postOp),
    reason: (c) => (c.i.effusion === 2 ? "swelling is still at 1+" : "a trace of swelling is new"),
  },
  {
    id: "H5",
    action: "HOLD",
    fires: (c) => at(c.i.rangePct) >= 85 && at(c.i.rangePct) < 95,
    reason: (c) => `${Math.round(at(c.i.rangePct))} % of the planned range was reached`,
  },
  {
    id: "H6",
    action: "HOLD",
    fires: (c) => arrivedRise(c) >= 1.5 && arrivedRise(c) < 3,
    reason: (c) => `arrived with ${c.i.painBefore}, above the usual ${c.i.usualPain}`,
  },
  {
    id: "H7",
    action: "HOLD",
    fires: (c) => trendRises(c) && !trendCounts(c),
    reason: () => "the weekly mean of pain rose by one or more",
  },
  {
    id: "H8",
    action: "HOLD",
    fires: (c) => c.i.techniqueStop,
    reason: () => "the position was lost before the end",
  },
  {
    id: "H9",
    action: "HOLD",
    fires: (c) => missing(c.i).length > 0,
    reason: (c) => `not known yet: ${missing(c.i).join(", ")}`,
  },
];

/** Rules that speak of the knee and the day, not of one line: what they found counts for every sheet (docs/rules.md). */
const OF_THE_KNEE: ReadonlySet<string> = new Set(["S2", "S3", "S4", "R1", "R2", "R3", "R4", "R5", "R9"]);

/** Why no sheet is run before this is decided, in words; null where what fired is a matter of its line. */
export const kneeReason = (fired: readonly FiredRule[]): string | null =>
  fired.find((r) => OF_THE_KNEE.has(r.id))?.reason ?? null;

/** What is missing for a decision, in words. The weekly trend may be missing. */
export function missing(i: DecisionInput): string[] {
  const gaps: [string, boolean][] = [
    ["pain before the first set", i.painBefore === null],
    ["pain during the sets", i.painDuring === null],
    ["pain after the sets", i.painAfter === null],
    ["the next morning", i.painMorning === null],
    ["swelling", i.effusionApplies && (i.effusion === null || i.effusionBefore === null)],
    ["the range reached", i.rangePct === null],
    ["what was done", i.repsState === "unknown"],
  ];
  return gaps.filter(([, gap]) => gap).map(([words]) => words);
}

/** What is said beside the decision where `tellsTherapist` holds. */
export const TELL_TODAY = "Swelling rose after surgery: tell the therapist today.";

/** After surgery any rise in swelling is told to the therapist the same day, whatever else fires (corrections K8). */
export const tellsTherapist = (i: DecisionInput): boolean =>
  i.school === "post_op" && i.effusionApplies && at(i.effusion) - at(i.effusionBefore) >= 1;

/** All safety rules that fire, S5 included: a second step back in a row asks for a clinical review. */
export function safetyRules(i: DecisionInput): FiredRule[] {
  const postOp = i.school === "post_op";
  const rule = painRule(i.school, i.irritability, i.writtenPainLimit ?? null);
  const context: Context = { i, postOp, strict: postOp || i.irritability === "high", ...rule };
  const fired = RULES.filter((r) => r.fires(context)).map((r) => ({
    id: r.id,
    action: r.action,
    reason: r.reason(context),
  }));
  const layer = fired.reduce<Action>((a, r) => stricter(a, r.action), "PROGRESS");
  if (layer === "REGRESS" && i.prevRegress)
    fired.push({
      id: "S5",
      action: "STOP_REFER",
      reason: "the last decision was a step back too: clinical review",
    });
  return fired;
}
