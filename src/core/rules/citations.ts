import { z } from "zod";
import { CONDITIONS } from "./conditions";
import { EXERCISES } from "./exercises";
import { GOALS } from "./goals";
import { RED_FLAGS } from "./redFlags";
import { GENERAL_STANCES } from "./stances";

/** A citation of the rule base, with how many rules rest on it. All were cited from memory; none was looked up. */
export interface Citation {
  citation: string;
  rules: number;
}

/** "Jette 2020; Bade 2017" are two. */
export const citationsIn = (source: string): string[] =>
  source
    .split(";")
    .map((s) => s.trim())
    .filter(Boolean);

const exerciseSource = z.object({ source: z.string() });

/** Every citation of the rule base, the one that carries most rules first. */
export function allCitations(): Citation[] {
  const sources = [
    ...CONDITIONS.flatMap((c) => [
      ...c.phases.map((p) => p.source),
      ...c.schools.flatMap((s) => s.options.map((o) => o.source)),
    ]),
    ...RED_FLAGS.map((f) => f.source),
    ...GOALS.flatMap((g) => g.needs.map((n) => n.source)),
    ...EXERCISES.flatMap((e) => exerciseSource.safeParse(e).data?.source ?? []),
    ...GENERAL_STANCES.map((s) => s.source),
  ];
  const counts = new Map<string, number>();
  for (const c of sources.flatMap(citationsIn)) counts.set(c, (counts.get(c) ?? 0) + 1);
  return [...counts]
    .map(([citation, rules]) => ({ citation, rules }))
    .sort((a, b) => b.rules - a.rules || a.citation.localeCompare(b.citation));
}

/** What stands behind a source: unverified until every citation in it was checked; those that are not, where some are. */
export function citationState(
  source: string,
  checked: readonly string[],
): { isChecked: boolean; open: string[] } {
  const parts = citationsIn(source);
  const open = parts.filter((p) => !checked.includes(p));
  return { isChecked: parts.length > 0 && open.length === 0, open: open.length < parts.length ? open : [] };
}
