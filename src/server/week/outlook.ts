import "server-only";
import { rungsOf } from "@/core/decision/nextLine";
import { type WeeksToGoal, weeksToGoal } from "@/core/schedule/goalPace";
import { RETEST_AFTER_DAYS } from "@/core/strength/testsForCurve";
import { daysAfter, daysBetween, laterOf } from "@/core/units/days";
import { type Ctx, dayOf, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { extensionTests, testsOf } from "../measure/measurements";
import { sheetsOf } from "../versions/sheets";

/** A day by which something is looked at again. */
export interface WeekMark {
  kind: "retest" | "phase";
  on: string;
  words: string;
}

/** Re-tests and phase checks that fall into the weeks to come; what is overdue falls on today. */
export async function marksOf(ctx: Ctx, client: ClientEpisode, until: string): Promise<WeekMark[]> {
  const marks: WeekMark[] = [];
  const day = today(ctx);
  const newest = extensionTests(await testsOf(ctx, client.episodeId), client.side)[0];
  const first = newest ? laterOf(day, daysAfter(newest.takenOn, RETEST_AFTER_DAYS)) : day;
  for (let on = first; on <= until; on = daysAfter(on, RETEST_AFTER_DAYS))
    marks.push({ kind: "retest", on, words: "strength test" });
  for (const c of await conditionsOf(ctx, client.episodeId)) {
    const at = c.condition.phases.findIndex((p) => p.id === c.phase.id);
    const next = c.condition.phases[at + 1];
    if (!next) continue;
    const on = daysAfter(c.beganOn, next.weeks.from * 7);
    if (on >= day && on <= until) marks.push({ kind: "phase", on, words: `can “${next.name}” open?` });
  }
  return marks;
}

/** The way to the top of a line's ladder, at the pace so far. */
export interface Outlook {
  name: string;
  /** in words of the ladder: "90° held" */
  goal: string;
  stepsLeft: number;
  stepsDone: number;
  weeks: number;
  /** null: too little was done to say */
  range: WeeksToGoal | null;
}

const PACE_DAYS = 56;

/** For every hold that climbs by angle: rungs left, and how many weeks they take at the client's own pace. */
export async function outlookOf(ctx: Ctx, client: ClientEpisode): Promise<Outlook[]> {
  const found: Outlook[] = [];
  const since = new Date(ctx.now.getTime() - PACE_DAYS * 86_400_000);
  for (const sheet of await sheetsOf(ctx, client.episodeId))
    for (const { plan, kept } of sheet.lines) {
      const { scheme, ladder } = plan;
      if (scheme.kind !== "holds" || scheme.atDeg === null || ladder?.of !== "angle" || !kept) continue;
      const rungs = rungsOf(plan, null, client);
      const up = ladder.toDeg >= ladder.fromDeg ? 1 : -1;
      const left = rungs.filter((deg) => up * (deg - (scheme.atDeg as number)) > 0.5);
      const [r] = await ctx.tx`
        select count(*) filter (where d.action = 'PROGRESS') - count(*) filter (where d.action = 'REGRESS') as steps,
          min(v.started_at) as first
        from visit v left join decision d on d.visit_id = v.id and d.line_id = ${plan.lineId}
        where v.episode_id = ${client.episodeId} and v.started_at > ${since}
          and exists (select 1 from sheet_line l where l.version_id = v.version_id and l.line_id = ${plan.lineId})`;
      const weeks = r?.first ? daysBetween(dayOf(ctx, r.first), today(ctx)) / 7 : 0;
      const stepsDone = Math.max(0, Number(r?.steps ?? 0));
      found.push({
        name: kept.name,
        goal: `${ladder.toDeg}° held ${Math.round(kept.sets[0]?.holds?.holdS ?? 0)} s`,
        stepsLeft: left.length,
        stepsDone,
        weeks: Math.round(weeks * 10) / 10,
        range: weeksToGoal(left.length, stepsDone, weeks),
      });
    }
  return found;
}
