import { cleanPercent, type FaultId, type Remedy } from "../rules/faults/faults";
import type { PainRegion } from "../units/painRegion";
import type { DecisionInput } from "./decisionInput";
import { painRule } from "./painRule";

export const ACTIONS = ["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"] as const;
export type Action = (typeof ACTIONS)[number];

/** Under so much of 10 somebody is not sure of a line: it stays, and is asked again. Rule Feel 2. */
export const SURE_ENOUGH = 5;

const STRICTNESS: Record<Action, number> = { PROGRESS: 0, HOLD: 1, REGRESS: 2, STOP_REFER: 3 };
export const stricter = (a: Action, b: Action): Action => (STRICTNESS[a] >= STRICTNESS[b] ? a : b);

/** Because of what a rule fired. */
export type RuleSaid =
  | {
      code: `progression.${
        | "sign"
        | "swelling_two_grades"
        | "swelling_and_morning"
        | "swelling_a_grade"
        | "trend_rises"
        | "swelling_still"
        | "swelling_trace"
        | "position_lost"
        | "second_step_back"
        | "unknown_done"
        | "missed_twice"
        | "missed"
        | "harder"
        | "within"
        | "done_but_harder"
        | "felt_unknown"
        | "spared_unloaded"
        | "spared_elsewhere"}`;
    }
  | { code: "progression.pain_in_strict"; pain: number; isPostOp: boolean }
  | { code: "progression.pain_in"; pain: number }
  | { code: "progression.pain_above"; pain: number; most: number }
  | { code: "progression.pain_stayed"; pain: number; most: number }
  | { code: "progression.morning_much"; pain: number; usual: number }
  | { code: "progression.morning_above"; pain: number; usual: number }
  | { code: "progression.morning_little"; pain: number; usual: number }
  | { code: "progression.range_short"; pct: number }
  | { code: "progression.range_reached"; pct: number }
  | { code: "progression.arrived_much"; pain: number; usual: number }
  | { code: "progression.arrived_above"; pain: number; usual: number }
  | { code: "progression.pain_not_green"; pain: number; green: number }
  | { code: "progression.pain_after"; pain: number; before: number; isUsual: boolean }
  | { code: "progression.at_room"; dose: number; most: number }
  | { code: "progression.not_clean"; pct: number }
  | { code: "progression.fault_again"; fault: FaultId; visits: number; remedy: Remedy }
  | { code: "progression.elsewhere_in"; region: PainRegion; pain: number; most: number }
  | { code: "progression.elsewhere_morning"; region: PainRegion; pain: number; usual: number }
  | { code: "progression.more_aid"; worn: string; help: string }
  | { code: "progression.not_sure"; sure: number; enough: number }
  | { code: "progression.felt_elsewhere"; where: "other" | "joint" | "nowhere"; visits: number }
  | { code: "progression.missing"; facts: readonly MissingFact[] }
  | { code: "progression.banked"; banked: number; of: number }
  | { code: "progression.far_too_easy"; left: number }
  | { code: "progression.done_unsaid"; visits: number }
  | { code: "progression.all_done"; visits: number; isEasy: boolean };

export interface FiredRule {
  id: string;
  action: Action;
  why: RuleSaid;
}

/** What a decision may lack. */
export type MissingFact =
  | "pain_before"
  | "pain_in"
  | "pain_after"
  | "morning"
  | "swelling"
  | "range"
  | "done";

interface Rule {
  id: string;
  action: Action;
  fires: (c: Context) => boolean;
  why: (c: Context) => RuleSaid;
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

const morning = ({ i }: Context) => ({ pain: at(i.painMorning), usual: i.usualPain });
const arrived = ({ i }: Context) => ({ pain: at(i.painBefore), usual: i.usualPain });

const stopsForEffusion = (c: Context) => effusionRise(c) >= 2 || effusionIs(c, 4);
const regressesForEffusion = (c: Context) =>
  effusionIs(c, 3) || (effusionRise(c) === 1 && (!effusionIs(c, 1) || c.postOp)) || stopsForEffusion(c);
/** Above what is usual: between none and the usual pain a mean of one or two visits says nothing. */
const trendRises = (c: Context) =>
  at(c.i.weekTrend) >= 1 && (c.i.weekMean == null || c.i.weekMean > c.i.usualPain);
const trendCounts = (c: Context) => c.i.irritability !== "low" || c.postOp;

/** A step up needs so much of what was done clean. Rule Seen 3 [own]. */
const CLEAN_ENOUGH = 0.8;
type FaultAgain = NonNullable<DecisionInput["faultAgain"]>;
/** Remedies that ask less of the line; the others leave it as heavy and as far. */
const GIVES_LESS: ReadonlySet<Remedy> = new Set(["less_arc", "lighter"]);

type Elsewhere = NonNullable<DecisionInput["elsewhere"]>[number];
const elsewhereOf = ({ i }: Context): readonly Elsewhere[] => i.elsewhere ?? [];
const riseIn = (x: Elsewhere): number => at(x.morning) - x.usual;
/** Above what is allowed there, or two and more above its usual the morning after. Rule Region 3. */
const isRegionHurt = (x: Elsewhere): boolean => at(x.pain) > x.most || riseIn(x) >= 2;
const isRegionSore =
  (c: Context) =>
  (x: Elsewhere): boolean =>
    (at(x.pain) > x.green && !(c.i.school === "monitoring" && c.i.irritability === "low")) || riseIn(x) > 0;

function elsewhereSaid(x: Elsewhere, isIn: boolean): RuleSaid {
  const { region, usual } = x;
  return isIn
    ? { code: "progression.elsewhere_in", region, pain: at(x.pain), most: x.most }
    : { code: "progression.elsewhere_morning", region, pain: at(x.morning), usual };
}

/** The safety layer, dosing rules E2; every rule that fires is kept, the strictest decides. */
const RULES: readonly Rule[] = [
  {
    id: "S1",
    action: "STOP_REFER",
    fires: (c) => c.i.redFlag,
    why: () => ({ code: "progression.sign" }),
  },
  {
    id: "S2",
    action: "STOP_REFER",
    fires: stopsForEffusion,
    why: () => ({ code: "progression.swelling_two_grades" }),
  },
  {
    id: "S3",
    action: "STOP_REFER",
    fires: (c) => at(c.i.painDuring) >= 7 && c.strict,
    why: (c) => ({ code: "progression.pain_in_strict", pain: at(c.i.painDuring), isPostOp: c.postOp }),
  },
  {
    id: "S4",
    action: "STOP_REFER",
    fires: (c) => c.postOp && regressesForEffusion(c) && morningRise(c) >= 2,
    why: () => ({ code: "progression.swelling_and_morning" }),
  },
  {
    id: "R1",
    action: "REGRESS",
    fires: (c) => at(c.i.painDuring) >= 7 && !c.strict,
    why: (c) => ({ code: "progression.pain_in", pain: at(c.i.painDuring) }),
  },
  {
    id: "R2",
    action: "REGRESS",
    fires: (c) => at(c.i.painDuring) > c.max && at(c.i.painDuring) < 7,
    why: (c) => ({ code: "progression.pain_above", pain: at(c.i.painDuring), most: c.max }),
  },
  {
    id: "R3",
    action: "REGRESS",
    fires: (c) => at(c.i.painAfter) > before(c) && at(c.i.painAfter) > c.max,
    why: (c) => ({ code: "progression.pain_stayed", pain: at(c.i.painAfter), most: c.max }),
  },
  {
    id: "R4",
    action: "REGRESS",
    fires: (c) => morningRise(c) >= 2,
    why: (c) => ({ code: "progression.morning_much", ...morning(c) }),
  },
  {
    id: "R5",
    action: "REGRESS",
    fires: (c) => regressesForEffusion(c) && !stopsForEffusion(c),
    why: () => ({ code: "progression.swelling_a_grade" }),
  },
  {
    id: "R6",
    action: "REGRESS",
    fires: (c) => at(c.i.rangePct) < 85,
    why: (c) => ({ code: "progression.range_short", pct: at(c.i.rangePct) }),
  },
  {
    id: "R7",
    action: "REGRESS",
    fires: (c) => arrivedRise(c) >= 3,
    why: (c) => ({ code: "progression.arrived_much", ...arrived(c) }),
  },
  {
    id: "R8",
    action: "REGRESS",
    fires: (c) => trendRises(c) && trendCounts(c),
    why: () => ({ code: "progression.trend_rises" }),
  },
  {
    id: "R9",
    action: "REGRESS",
    fires: (c) => morningRise(c) > 0 && morningRise(c) < 2 && c.strict,
    why: (c) => ({ code: "progression.morning_above", ...morning(c) }),
  },
  {
    id: "R10",
    action: "REGRESS",
    fires: ({ i }) => i.faultAgain != null && GIVES_LESS.has(i.faultAgain.remedy),
    why: ({ i }) => ({ code: "progression.fault_again", ...(i.faultAgain as FaultAgain) }),
  },
  {
    id: "R11",
    action: "REGRESS",
    fires: (c) => elsewhereOf(c).some(isRegionHurt),
    why: (c) => {
      const x = elsewhereOf(c).find(isRegionHurt) as Elsewhere;
      return elsewhereSaid(x, at(x.pain) > x.most);
    },
  },
  {
    id: "H1",
    action: "HOLD",
    fires: (c) =>
      at(c.i.painDuring) > c.green &&
      at(c.i.painDuring) <= c.max &&
      !(c.i.school === "monitoring" && c.i.irritability === "low"),
    why: (c) => ({ code: "progression.pain_not_green", pain: at(c.i.painDuring), green: c.green }),
  },
  {
    id: "H2",
    action: "HOLD",
    fires: (c) => at(c.i.painAfter) > before(c) && at(c.i.painAfter) <= c.max && c.i.school !== "monitoring",
    why: (c) => ({
      code: "progression.pain_after",
      pain: at(c.i.painAfter),
      before: before(c),
      isUsual: c.i.painBefore === null,
    }),
  },
  {
    id: "H3",
    action: "HOLD",
    fires: (c) => morningRise(c) > 0 && morningRise(c) < 2 && !c.strict,
    why: (c) => ({ code: "progression.morning_little", ...morning(c) }),
  },
  {
    id: "H4",
    action: "HOLD",
    fires: (c) =>
      (effusionIs(c, 2) && effusionRise(c) <= 0) || (effusionIs(c, 1) && effusionRise(c) === 1 && !c.postOp),
    why: (c) => ({ code: c.i.effusion === 2 ? "progression.swelling_still" : "progression.swelling_trace" }),
  },
  {
    id: "H5",
    action: "HOLD",
    fires: (c) => at(c.i.rangePct) >= 85 && at(c.i.rangePct) < 95,
    why: (c) => ({ code: "progression.range_reached", pct: at(c.i.rangePct) }),
  },
  {
    id: "H6",
    action: "HOLD",
    fires: (c) => arrivedRise(c) >= 1.5 && arrivedRise(c) < 3,
    why: (c) => ({ code: "progression.arrived_above", ...arrived(c) }),
  },
  {
    id: "H7",
    action: "HOLD",
    fires: (c) => trendRises(c) && !trendCounts(c),
    why: () => ({ code: "progression.trend_rises" }),
  },
  {
    id: "H8",
    action: "HOLD",
    fires: (c) => c.i.techniqueStop,
    why: () => ({ code: "progression.position_lost" }),
  },
  {
    id: "H9",
    action: "HOLD",
    fires: (c) => missing(c.i).length > 0,
    why: (c) => ({ code: "progression.missing", facts: missing(c.i) }),
  },
  {
    id: "H11",
    action: "HOLD",
    fires: ({ i }) => i.room != null && i.room.dose >= i.room.most,
    why: ({ i }) => ({
      code: "progression.at_room",
      dose: at(i.room?.dose ?? null),
      most: at(i.room?.most ?? null),
    }),
  },
  {
    id: "H12",
    action: "HOLD",
    fires: ({ i }) => i.cleanShare != null && i.cleanShare < CLEAN_ENOUGH,
    why: ({ i }) => ({ code: "progression.not_clean", pct: cleanPercent(i.cleanShare ?? 0) }),
  },
  {
    id: "H14",
    action: "HOLD",
    fires: (c) => !elsewhereOf(c).some(isRegionHurt) && elsewhereOf(c).some(isRegionSore(c)),
    why: (c) => {
      const x = elsewhereOf(c).find(isRegionSore(c)) as Elsewhere;
      return elsewhereSaid(x, at(x.pain) > x.green);
    },
  },
  {
    id: "H15",
    action: "HOLD",
    fires: ({ i }) => i.moreAid != null,
    why: ({ i }) => ({
      code: "progression.more_aid",
      ...{ worn: i.moreAid?.worn ?? "", help: i.moreAid?.help ?? "" },
    }),
  },
  {
    id: "H13",
    action: "HOLD",
    fires: ({ i }) => i.faultAgain != null && !GIVES_LESS.has(i.faultAgain.remedy),
    why: ({ i }) => ({ code: "progression.fault_again", ...(i.faultAgain as FaultAgain) }),
  },
  {
    id: "H16",
    action: "HOLD",
    fires: ({ i }) => i.sure != null && i.sure < SURE_ENOUGH,
    why: ({ i }) => ({ code: "progression.not_sure", sure: i.sure ?? 0, enough: SURE_ENOUGH }),
  },
  {
    id: "H17",
    action: "HOLD",
    fires: ({ i }) => i.feltElsewhere != null,
    why: ({ i }) => ({
      code: "progression.felt_elsewhere",
      ...{ where: i.feltElsewhere?.where ?? "other", visits: i.feltElsewhere?.visits ?? 0 },
    }),
  },
];

/** Rules that speak of the knee and the day, not of one line: what they found counts for every sheet (docs/rules.md). */
const OF_THE_KNEE: ReadonlySet<string> = new Set(["S2", "S3", "S4", "R1", "R2", "R3", "R4", "R5", "R9"]);

/** Rules of the morning and the day after, which speak of the joint and not of one line. */
const OF_THE_DAY: ReadonlySet<string> = new Set(["R3", "R4", "R5", "R7", "R9"]);

/** A line that loads nothing of what is sore stays where others step back: what was found still lets nothing rise. Rule P6. */
function staying(fired: FiredRule[], i: DecisionInput): FiredRule[] {
  const { spared } = i;
  if (!spared) return fired;
  const isStayed = (r: FiredRule) =>
    r.action === "REGRESS" && r.id !== "R11" && (spared === "unloaded" || OF_THE_DAY.has(r.id));
  if (!fired.some(isStayed)) return fired;
  return [
    ...fired.map((r): FiredRule => (isStayed(r) ? { ...r, action: "HOLD" } : r)),
    { id: "H10", action: "HOLD", why: { code: `progression.spared_${spared}` } },
  ];
}

/** Why no sheet is run before this is decided; null where what fired is a matter of its line. */
export const kneeReason = (fired: readonly FiredRule[]): RuleSaid | null =>
  fired.find((r) => OF_THE_KNEE.has(r.id))?.why ?? null;

/** What is missing for a decision. The weekly trend may be missing. */
export function missing(i: DecisionInput): MissingFact[] {
  const gaps: [MissingFact, boolean][] = [
    ["pain_before", i.painBefore === null],
    ["pain_in", i.painDuring === null],
    ["pain_after", i.painAfter === null],
    ["morning", i.painMorning === null],
    ["swelling", i.effusionApplies && (i.effusion === null || i.effusionBefore === null)],
    ["range", i.rangePct === null],
    ["done", i.repsState === "unknown"],
  ];
  return gaps.filter(([, gap]) => gap).map(([fact]) => fact);
}

/** After surgery any rise in swelling is told to the therapist the same day, whatever else fires (corrections K8). */
export const tellsTherapist = (i: DecisionInput): boolean =>
  i.school === "post_op" && i.effusionApplies && at(i.effusion) - at(i.effusionBefore) >= 1;

/** All safety rules that fire, S5 included: a second step back in a row asks for a clinical review. */
export function safetyRules(i: DecisionInput): FiredRule[] {
  const postOp = i.school === "post_op";
  const rule = painRule(i.school, i.irritability, i.writtenPainLimit ?? null);
  const context: Context = { i, postOp, strict: postOp || i.irritability === "high", ...rule };
  const fired = staying(
    RULES.filter((r) => r.fires(context)).map((r) => ({
      id: r.id,
      action: r.action,
      why: r.why(context),
    })),
    i,
  );
  // what is tried about a fault is no sign that the joint takes less
  const layer = fired
    .filter((r) => r.id !== "R10")
    .reduce<Action>((a, r) => stricter(a, r.action), "PROGRESS");
  if (layer === "REGRESS" && i.prevRegress)
    fired.push({
      id: "S5",
      action: "STOP_REFER",
      why: { code: "progression.second_step_back" },
    });
  return fired;
}
