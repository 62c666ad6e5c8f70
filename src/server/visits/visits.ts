import "server-only";
import type { Action } from "@/core/progression/safetyRules";
import type { Side } from "@/core/units/fields";
import type { SetRecord } from "@/core/visit/setRecord";
import { type Ctx, once } from "../base/context";
import { type SheetVersion, versionsById } from "../sheets/sheets";
import { recordsOf } from "./records";

export interface Morning {
  id: string;
  pain: number;
  swelling: number | null;
  stiffnessMin: number | null;
  enteredAt: Date;
  enteredBy: string;
}

export interface TakenDecision {
  /** null: one decision for all lines */
  lineId: string | null;
  action: Action;
  banks: boolean;
  sentence: string;
  byOrderOf: string | null;
  by: string;
  at: Date;
}

/** One run of one sheet version on one day, with what was logged in it. */
export interface Visit {
  id: string;
  sheet: SheetVersion;
  firstSide: Side;
  startedAt: Date;
  startedBy: string;
  records: SetRecord[];
  end: {
    endedAt: Date;
    painAtStart: number | null;
    painAtEnd: number | null;
    stopped: string | null;
  } | null;
  morning: Morning | null;
  decisions: TakenDecision[];
}

/** Pages show the last visits; nothing asks for all of a client's history at once. */
const RECENT = 12;

/** The last visits of an episode, oldest first. */
export const recentVisits = (ctx: Ctx, episodeId: string): Promise<Visit[]> =>
  once(ctx, `visits ${episodeId}`, async () => {
    const rows = await ctx.tx`
      select v.id from visit v where v.episode_id = ${episodeId} order by v.received_at desc, v.id limit ${RECENT}`;
    return visitsById(
      ctx,
      rows.map((r) => r.id),
    );
  });

/** Visits with all that belongs to them, oldest first. */
export async function visitsById(ctx: Ctx, ids: readonly string[]): Promise<Visit[]> {
  if (ids.length === 0) return [];
  const rows = await ctx.tx`
    select v.id, v.version_id, v.first_side, v.started_at, starter.name as started_by, e.ended_at, e.pain_at_start,
      e.pain_at_end, e.stopped, m.id as morning_id, m.pain, m.swelling, m.stiffness_min, m.answered_at,
      entrant.name as entered_by
    from visit v
    join person starter on starter.id = v.started_by
    left join visit_end e on e.visit_id = v.id
    left join lateral (
      select * from response where visit_id = v.id order by answered_at desc, id limit 1) m on true
    left join person entrant on entrant.id = m.entered_by
    where v.id = any(${[...ids]}::uuid[]) order by v.received_at, v.id`;
  const [records, versions, decisions] = await Promise.all([
    recordsOf(ctx, ids),
    versionsById(
      ctx,
      rows.map((r) => r.version_id),
    ),
    decisionsOf(ctx, ids),
  ]);
  return rows.map((r) => ({
    id: r.id,
    sheet: versions.get(r.version_id) as SheetVersion,
    firstSide: r.first_side,
    startedAt: r.started_at,
    startedBy: r.started_by,
    records: records.get(r.id) ?? [],
    end: r.ended_at
      ? { endedAt: r.ended_at, painAtStart: r.pain_at_start, painAtEnd: r.pain_at_end, stopped: r.stopped }
      : null,
    morning: r.morning_id
      ? {
          id: r.morning_id,
          pain: r.pain,
          swelling: r.swelling,
          stiffnessMin: r.stiffness_min,
          enteredAt: r.answered_at,
          enteredBy: r.entered_by,
        }
      : null,
    decisions: decisions.get(r.id) ?? [],
  }));
}

async function decisionsOf(ctx: Ctx, ids: readonly string[]): Promise<Map<string, TakenDecision[]>> {
  const rows = await ctx.tx`
    select d.visit_id, d.line_id, d.action, d.banks, d.sentence, d.by_order_of, d.decided_at, p.name
    from decision d join person p on p.id = d.decided_by where d.visit_id = any(${[...ids]}::uuid[])`;
  const byVisit = new Map<string, TakenDecision[]>();
  for (const r of rows) {
    const all = byVisit.get(r.visit_id) ?? [];
    all.push({
      lineId: r.line_id,
      action: r.action,
      banks: r.banks,
      sentence: r.sentence,
      byOrderOf: r.by_order_of,
      by: r.name,
      at: r.decided_at,
    });
    byVisit.set(r.visit_id, all);
  }
  return byVisit;
}

/** Lines of a finished visit that nobody has decided; none while it runs. */
export function undecidedLines(v: Visit): string[] {
  if (!v.end || v.decisions.some((d) => d.lineId === null)) return [];
  return v.sheet.lines.map((l) => l.plan.lineId).filter((id) => !v.decisions.some((d) => d.lineId === id));
}

/** The decision that stands for a visit in one word: the strictest of its lines; null while lines wait. */
export function strictestOf(v: Visit): TakenDecision | null {
  const order: Action[] = ["STOP_REFER", "REGRESS", "HOLD", "PROGRESS"];
  if (undecidedLines(v).length > 0) return null;
  return order.map((a) => v.decisions.find((d) => d.action === a)).find((d) => d) ?? null;
}
