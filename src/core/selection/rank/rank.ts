import { type InForce, isStricter } from "../../bounds/inForce";
import type { Exercise } from "../../rules/exercises";
import { type Said, saidWith } from "../../units/said";
import { needsPins } from "../fit/needsPins";
import type { ComputedSetUp } from "../setUp/row";
import type { Tissue } from "../tissue/tissues";

/** The terms of a row's rank, each 1 where it is neutral. Their product ranks. */
export interface RankTerms {
  works: number;
  effort: number;
  range: number;
  goal: number;
  tissue: number;
  ease: number;
}

/** Below half a reference task, less tissue load is no longer worth training [own]. */
const LEAST_TIMES = 0.5;
/** An arc from here on counts as wide [own]. */
const WIDE_DEG = 90;
/** A hold trains one angle; where holds come first it leads [own]. */
const HOLD_RANGE = 0.6;
const HOLD_FIRST = 1.6;
/** What an exercise without a model of the knee reaches, by its least load [own]. */
const EFFORT_BY_FLOOR = { limb: 0.4, light: 0.6, machine: 0.8 } as const;
const PER_GOAL = 0.25;
/** With nobody near, what can come down on the client stands behind what cannot. Rule Alone [own]. */
const ALONE_BENEATH = 0.6;

export interface RankInput {
  e: Exercise;
  /** muscle emphasis 0 to 3 in the row's group */
  emphasis: number;
  computed: ComputedSetUp | null;
  isFitted: boolean;
  isAtHand: boolean;
  goalsServed: number;
  /** the share that rows are compared at */
  basisShare: number;
  limits: InForce;
  /** nobody is near at work. Rule Alone */
  isAlone: boolean;
}

/** Rank of a row: training value per worst tissue load, with penalties. docs/rules.md, "How they meet" [own weights]. */
export function rankTerms(r: RankInput): RankTerms {
  const { e, computed } = r;
  const width = computed ? computed.arc.toDeg - computed.arc.fromDeg : WIDE_DEG;
  const range = e.match.static_hold
    ? isStricter(r.limits, "holds_first", "no")
      ? HOLD_FIRST
      : HOLD_RANGE
    : Math.max(0.05, Math.min(1, width / WIDE_DEG));
  const effort = computed
    ? Math.min(
        1,
        (e.match.static_hold ? (computed.effortShare ?? 0) : (computed.meanShare ?? 0)) / r.basisShare,
      )
    : EFFORT_BY_FLOOR[e.match.load_floor];
  return {
    works: Math.max(0.1, r.emphasis / 3),
    effort: Math.max(0.05, effort),
    range,
    goal: 1 + PER_GOAL * Math.min(2, r.goalsServed),
    tissue: 1 / Math.max(LEAST_TIMES, computed ? computed.peakTimes : 1),
    ease:
      (1 - 0.08 * (e.match.entry_demand_1_4 - 1)) *
      (1 - 0.08 * e.balance_demand_0_3) *
      (r.isAtHand ? 1 : 0.6) *
      (e.match.requires_unlock ? 0.6 : 1) *
      (e.tier === "extended" ? 0.9 : 1) *
      // without a model of the knee nobody knows what it loads
      (computed ? 1 : 0.8) *
      // what hands hold is dosed less exactly
      (computed?.chosen.family.isHeldByHand ? 0.7 : 1) *
      (computed?.tooHeavyBecause ? 0.3 : 1) *
      (r.isFitted ? 0.97 : 1) *
      (r.isAlone && needsPins(e) ? ALONE_BENEATH : 1),
  };
}

/** The product of the terms; what differs in the ninth digit only is the rounding of some machine, and equal. */
export const scoreOf = (t: RankTerms): number =>
  Math.round(t.works * t.effort * t.range * t.goal * t.tissue * t.ease * 1e9);

const SPEAKS_FOR = ["works", "effort", "range", "goal", "tissue"] as const satisfies (keyof RankTerms)[];

/** One of the terms of a row's rank, to be said for it or against it. */
export type TermSaid =
  | { term: "works"; emphasis: number }
  | { term: "effort"; isComputed: boolean; meanShare: number | null }
  | { term: "range"; isHold: boolean; widthDeg: number | null }
  | { term: "goal"; goal: string | null }
  | { term: "tissue"; tissue: Tissue; peak: number | null }
  | { term: "ease"; because: "by_hand" | "not_here" | "unlock" | "alone" | "demanding" | { tooHeavy: Said } };

/** The two terms that lift a row most above its group, and the one that holds it back most. */
export function rankSaid(
  r: RankInput,
  terms: RankTerms,
  groupMean: RankTerms,
  tissue: Tissue,
  goalNames: readonly string[],
): Said {
  const lift = (k: keyof RankTerms) => Math.log(terms[k] / groupMean[k]);
  // ease is a penalty: it can speak against a row, never for it
  // and what no goal decides speaks for nothing
  const byLift = SPEAKS_FOR.filter((k) => k !== "goal" || goalNames.length > 0).sort(
    (a, b) => lift(b) - lift(a),
  );
  const said = (k: keyof RankTerms) => termSaid(k, r, tissue, goalNames);
  const [first, second] = byLift as [keyof RankTerms, keyof RankTerms];
  const last = [...SPEAKS_FOR, "ease" as const].sort((a, b) => lift(a) - lift(b))[0] as keyof RankTerms;
  return saidWith("choose.ranked", {
    lifts: [said(first), said(second)],
    against: lift(last) < -0.05 ? said(last) : null,
  });
}

function termSaid(k: keyof RankTerms, r: RankInput, tissue: Tissue, goalNames: readonly string[]): TermSaid {
  const { computed } = r;
  switch (k) {
    case "works":
      return { term: k, emphasis: r.emphasis };
    case "effort":
      return { term: k, isComputed: computed !== null, meanShare: computed?.meanShare ?? null };
    case "range":
      return {
        term: k,
        isHold: r.e.match.static_hold,
        widthDeg: computed && computed.arc.toDeg - computed.arc.fromDeg,
      };
    case "goal":
      return { term: k, goal: goalNames[0] ?? null };
    case "tissue":
      return { term: k, tissue, peak: computed?.peak ?? null };
    case "ease": {
      if (computed?.tooHeavyBecause) return { term: k, because: { tooHeavy: computed.tooHeavyBecause } };
      if (computed?.chosen.family.isHeldByHand) return { term: k, because: "by_hand" };
      if (!r.isAtHand) return { term: k, because: "not_here" };
      if (r.isAlone && needsPins(r.e)) return { term: k, because: "alone" };
      return { term: k, because: r.e.match.requires_unlock ? "unlock" : "demanding" };
    }
  }
}
