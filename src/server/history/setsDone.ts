import "server-only";
import { z } from "zod";
import { keptSet } from "@/core/sheet/line/keptLine";
import { effectiveBase, effectiveDone } from "@/core/sheet/schemes/effectiveSets";
import { scheme } from "@/core/sheet/schemes/scheme";
import { type Ctx, dayOf } from "../base/context";
import { untilChanged } from "../base/untilChanged";
import { stands } from "./records";

/** Effective sets of one exercise on one day at the clinic, by what was logged. Rule D1. */
export interface SetsDone {
  on: string;
  exerciseId: string;
  sets: number;
  /** the same, as a week's growth is counted from it. Rule W1 */
  base: number;
  /** of its scheme */
  kind: string;
  receivedAt: Date;
}

/** The most that anybody may ask back. */
export const MOST_DAYS_BACK = 49;
const DAY_MS = 86_400_000;
const before = (at: Date, days: number): Date => new Date(at.getTime() - days * DAY_MS);

const row = z.object({
  started_at: z.date(),
  received_at: z.date(),
  exercise_id: z.string(),
  kind: z.string(),
  sets: keptSet.array(),
  scheme: scheme.optional().catch(undefined),
  share: z.number().nullable(),
  legs: z.number(),
  done: z.array(
    z
      .tuple([z.number(), z.number().nullable(), z.number().nullable(), z.string().nullable()])
      .transform(([setNo, reps, reserve, early]) => ({ setNo, reps, reserve, early })),
  ),
});

const kept = untilChanged<readonly SetsDone[]>("sets done", 240);

/** Effective sets of one leg that were done in so many days back. */
export async function setsDoneWithin(ctx: Ctx, episodeId: string, days: number): Promise<SetsDone[]> {
  const all = await kept(ctx, episodeId, () => readSets(ctx, episodeId));
  const since = before(ctx.now, Math.min(days, MOST_DAYS_BACK));
  return all.filter((x) => x.receivedAt > since);
}

async function readSets(ctx: Ctx, episodeId: string): Promise<SetsDone[]> {
  const rows = await ctx.tx`
    select v.started_at, v.received_at, l.exercise_id, l.scheme_kind as kind, l.kept -> 'sets' as sets, l.kept -> 'scheme' as scheme,
      (l.kept ->> 'share')::float8 as share,
      count(distinct r.leg)::int as legs,
      json_agg(json_build_array(r.set_no, r.reps, r.reserve, r.early) order by r.started_at, r.id) as done
    from visit v join sheet_line l on l.version_id = v.version_id and l.kept is not null
    join set_record r on r.visit_id = v.id and r.line_id = l.line_id and r.exercise_id = l.exercise_id
    where v.episode_id = ${episodeId} and v.received_at > ${before(ctx.now, MOST_DAYS_BACK)}
      and ${stands(ctx)}
    group by v.id, l.version_id, l.line_id order by v.started_at, v.id, l.line_id`;
  return z
    .array(row)
    .parse(rows.map((r) => ({ ...r, scheme: r.scheme ?? undefined })))
    .map((r) => ({
      on: dayOf(ctx, r.started_at),
      exerciseId: r.exercise_id,
      kind: r.kind,
      receivedAt: r.received_at,
      sets: effectiveDone(r, r.done) / Math.max(1, r.legs),
      base: effectiveBase(r, r.done) / Math.max(1, r.legs),
    }));
}
