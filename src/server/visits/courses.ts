import "server-only";
import { type CourseOf, type CoursePoint, courseOf, coursePoint } from "@/core/decision/lineCourse";
import { nextLine, rungsOf } from "@/core/decision/nextLine";
import { stepSizes } from "@/core/progression/stepSizes";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import { keptLine } from "@/core/sheet/line/keptLine";
import type { Said } from "@/core/units/said";
import { changesWords } from "@/words/en/changes";
import { type Ctx, dayOf } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { contextOfSheet } from "../facts/sheetFacts";
import { bankedNow } from "../history/past";
import { recordsOf } from "../history/records";
import { sheetsOf } from "../versions/sheets";

/** The way of one line so far, and what stands before its next step. */
export interface LineCourse {
  lineId: string;
  sheetId: string;
  sheet: string;
  name: string;
  of: CourseOf;
  points: CoursePoint[];
  /** rungs of its ladder, deg; empty without one */
  rungs: number[];
  painMax: number;
  /** what a step up would be, in words, and what bars it now; null where nothing does */
  next: string;
  bars: Said | null;
  /** good visits on this step, and how many it takes */
  good: number;
  needed: number;
}

const MOST_POINTS = 40;

/** The courses of every line of the sheets in force. */
export async function coursesOf(ctx: Ctx, client: ClientEpisode): Promise<LineCourse[]> {
  const { school, irritability } = client;
  const needed = stepSizes(school, irritability).sessionsPerStep;
  const found: LineCourse[] = [];
  for (const sheet of await sheetsOf(ctx, client.episodeId)) {
    const context = await contextOfSheet(ctx, client, sheet);
    for (const { plan, kept } of sheet.lines) {
      if (!kept) continue;
      const of = courseOf(kept, plan.ladder?.of ?? null);
      const visits = await ctx.tx`
        select v.id, v.started_at, l.kept from visit v
        join sheet_line l on l.version_id = v.version_id and l.line_id = ${plan.lineId}
        where v.episode_id = ${client.episodeId} and l.kept is not null
          and exists (select 1 from visit_end e where e.visit_id = v.id)
        order by v.received_at desc, v.id limit ${MOST_POINTS}`;
      const points = await Promise.all(
        visits.map(async (v) =>
          coursePoint(of, dayOf(ctx, v.started_at), keptLine.parse(v.kept), await recordsOf(ctx, v.id)),
        ),
      );
      const up = nextLine(plan, "PROGRESS", null, { school, irritability, context, usedKg: null });
      const [judged] = up.line ? judgeScore([{ ...plan, ...up.line, sharesRests: false }], context) : [];
      found.push({
        lineId: plan.lineId,
        sheetId: sheet.sheetId,
        sheet: sheet.name,
        name: kept.name,
        of,
        points: points.reverse(),
        rungs: rungsOf(plan, null, client),
        painMax: kept.painMax,
        next: changesWords(up.changes),
        bars: judged?.bars[0] ?? null,
        good: await bankedNow(ctx, client.episodeId, plan.lineId),
        needed,
      });
    }
  }
  return found;
}
