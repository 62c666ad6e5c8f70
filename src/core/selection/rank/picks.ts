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

/**
 * The first three that are unalike, of what can be set here and breaks nothing, in the order of the sheet; then every kind
 * in one row. Nothing is ranked anew: the picks are the sheet's own first rows.
 */
export function picksOf(rows: readonly RangeRow[]): { picks: RangeRow[]; also: AlikeRows[] } {
  const picks: RangeRow[] = [];
  for (const r of rows) {
    if (picks.length === PICKS) break;
    if (!r.computed || r.computed.tooHeavyBecause || !r.isAtHand) continue;
    if (picks.some((p) => p.e.family === r.e.family)) continue;
    if (picks.filter((p) => p.group === r.group).length >= OF_ONE_GROUP) continue;
    picks.push(r);
  }
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
