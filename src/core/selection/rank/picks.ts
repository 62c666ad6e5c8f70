import { GOALS } from "../../rules/goals";
import { type Said, saidWith } from "../../units/said";
import type { BarredRow, RangeRow } from "./rangeSheet";

const PICKS = 3;
/** Of the first muscle group at most so many: the third pick works something else. */
const OF_ONE_GROUP = 2;

/** Rows of one kind: the best of it, and what is nearly alike. */
export interface AlikeRows {
  best: RangeRow;
  others: RangeRow[];
}

/** Whom the first picks are for. */
export interface PicksFor {
  goalIds: readonly string[];
  /** what the goal asks for comes before what a knee asks for */
  isOfTheBack: boolean;
  /** operated, or easily stirred up: of what the goals ask for the easiest forms come first */
  isCareful: boolean;
}

/** Forms that ask for more skill or strength than this are found in the sheet, not put first [own]. */
const MOST_DEMAND = 2;
const EASIEST_DEMAND = 1;

const isFirst = (r: RangeRow): boolean =>
  r.isAtHand &&
  !r.computed?.tooHeavyBecause &&
  !r.e.match.requires_unlock &&
  r.e.match.entry_demand_1_4 <= MOST_DEMAND;

/** The best row of each kind that the goals ask for, in the order in which they ask. */
function forGoals(rows: readonly RangeRow[], { goalIds, isCareful }: PicksFor): RangeRow[] {
  const families = goalIds.flatMap((id) => GOALS.find((g) => g.id === id)?.exercise_families ?? []);
  return [...new Set(families)].flatMap((f) => {
    const open = rows.filter((r) => r.e.family === f && isFirst(r));
    const easy = isCareful ? open.find((r) => r.e.match.entry_demand_1_4 <= EASIEST_DEMAND) : undefined;
    return easy ?? open[0] ?? [];
  });
}

/**
 * The first three that are unalike, of what can be set here and breaks nothing: the sheet's own first row, then what the
 * goals ask for first, then of it another muscle group, hip, calf and trunk too; else the sheet's next. For a back the goals come
 * first. Then every kind in one row. docs/rules.md, "How they meet".
 */
export function picksOf(rows: readonly RangeRow[], who: PicksFor): { picks: RangeRow[]; also: AlikeRows[] } {
  const own = rows.filter((r) => r.computed && isFirst(r));
  const asked = forGoals(rows, who);
  const picks: RangeRow[] = [];
  const take = (from: readonly RangeRow[], most: number, ofOneGroup: number) => {
    for (const r of from) {
      if (picks.length === most) return;
      if (picks.some((p) => p.e.family === r.e.family)) continue;
      if (picks.filter((p) => p.group === r.group).length < ofOneGroup) picks.push(r);
    }
  };
  if (!who.isOfTheBack || asked.length === 0) take(own, 1, 1);
  take(asked, PICKS - 1, OF_ONE_GROUP);
  take(asked, PICKS, 1);
  take(own, PICKS, OF_ONE_GROUP);
  const kinds = new Map<string, RangeRow[]>();
  for (const r of rows) {
    if (picks.includes(r)) continue;
    kinds.set(r.e.family, [...(kinds.get(r.e.family) ?? []), r]);
  }
  const also = [...kinds.values()].flatMap(([best, ...others]) => (best ? [{ best, others }] : []));
  return { picks, also };
}

/** What keeps exercises out today, each kind of reason once, with those that it keeps out; the commonest first. */
export interface KeptOut {
  because: Said;
  rows: BarredRow[];
}

/** Who set it, and how far, are the same reason: "bends the hip past 90° (phase)" is one kind of thing. */
const kindOf = (reason: Said): string => (typeof reason === "string" ? reason : reason.code);

const byNobody = (reason: Said): Said =>
  typeof reason === "string" || !("by" in reason) ? reason : saidWith(reason.code, { ...reason, by: [] });

export function keptOutBy(barred: readonly BarredRow[]): KeptOut[] {
  const kinds = new Map<string, KeptOut>();
  for (const r of barred) {
    const [because] = r.reasons;
    if (because === undefined) continue;
    const kind = kinds.get(kindOf(because)) ?? { because: byNobody(because), rows: [] };
    kind.rows.push(r);
    kinds.set(kindOf(because), kind);
  }
  return [...kinds.values()].sort((a, b) => b.rows.length - a.rows.length);
}
