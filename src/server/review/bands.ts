import "server-only";
import { type BoundKind, boundKind, boundWord } from "@/core/bounds/kinds";
import type { Band } from "@/core/review/facts";
import { conditionById } from "@/core/rules/conditions";
import { daysAfter } from "@/core/units/days";
import { type Ctx, dayOf } from "../base/context";
import type { PastEpisode } from "./episode";

/** Phases as they were confirmed, from the record, and limits as somebody wrote them, each as long as it held. */
export async function bandsOf(ctx: Ctx, e: PastEpisode): Promise<Band[]> {
  return [...(await phaseBands(ctx, e)), ...(await limitBands(ctx, e))];
}

async function phaseBands(ctx: Ctx, e: PastEpisode): Promise<Band[]> {
  const conditions = await ctx.tx`
    select condition_id, phase_id, began_on, ended_on from episode_condition where episode_id = ${e.episodeId}
    order by set_at, condition_id`;
  const confirmed = await ctx.tx`
    select at, after ->> 'condition' as condition, before ->> 'phase' as before, after ->> 'phase' as phase from audit
    where deed = 'phase.confirm' and subject_id = ${e.episodeId} order by at, id`;
  return conditions.flatMap((c) => {
    const condition = conditionById(c.condition_id);
    const now = condition?.phases.find((p) => p.id === c.phase_id)?.name ?? "";
    const changes = confirmed.filter((a) => a.condition === condition?.name && a.before !== a.phase);
    const names = [...changes.map((a) => a.before as string), now];
    const starts = [c.began_on as string, ...changes.map((a) => dayOf(ctx, a.at))];
    const prefix = conditions.length > 1 && condition ? `${condition.name}: ` : "";
    return names.map(
      (name, i): Band => ({
        id: `${c.condition_id} ${i}`,
        kind: "phase",
        words: `${prefix}${name}`,
        from: starts[i] as string,
        to: starts[i + 1] ?? (c.ended_on as string | null),
      }),
    );
  });
}

async function limitBands(ctx: Ctx, e: PastEpisode): Promise<Band[]> {
  const rows = await ctx.tx`
    select l.id, l.kind, lower(l.bound) as low, upper(l.bound) as high, l.word, l.origin, l.ends_on, l.set_at,
      (select r.set_at from episode_limit r where r.replaces = l.id) as replaced_at
    from episode_limit l where l.episode_id = ${e.episodeId} and not l.is_lifted
    order by l.set_at, l.kind, l.bound, l.id`;
  return rows.map((r): Band => {
    const ends = [r.ends_on && daysAfter(r.ends_on, 1), r.replaced_at && dayOf(ctx, r.replaced_at)]
      .filter(Boolean)
      .sort();
    const spec = boundKind(r.kind as BoundKind);
    const unit = "unit" in spec ? spec.unit : "";
    const bound =
      r.word !== null
        ? boundWord(r.kind as BoundKind, r.word)
        : r.low === null || r.low === 0
          ? `at most ${r.high}${unit}`
          : r.high === null
            ? `at least ${r.low}${unit}`
            : `${r.low} to ${r.high}${unit}`;
    return {
      id: r.id,
      kind: "limit",
      words: `${spec.name} ${bound}, ${r.origin}`,
      from: dayOf(ctx, r.set_at),
      to: ends[0] ?? null,
    };
  });
}
