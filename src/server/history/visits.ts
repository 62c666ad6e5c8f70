import "server-only";
import type { Row } from "postgres";
import type { Action } from "@/core/progression/safetyRules";
import type { Activity } from "@/core/schedule/activity";
import type { Soreness } from "@/core/schedule/soreness";
import type { Aid } from "@/core/selection/setUp/aid";
import type { MarkerScores } from "@/core/story/markers";
import type { Side } from "@/core/units/fields";
import type { PainAt } from "@/core/units/painRegion";
import type { SwellingSaid } from "@/core/visit/client/clientMorning";
import type { SetRecord } from "@/core/visit/setRecord";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, once } from "../base/context";
import { Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";
import { type SheetVersion, versionById } from "../versions/sheets";
import { recordsOf } from "./records";

export interface Morning {
  id: string;
  pain: number;
  swelling: number | null;
  stiffnessMin: number | null;
  /** what else was done on the day of the visit; null: not asked */
  besides: readonly Activity[] | null;
  /** pain in other regions than the joint */
  regions: readonly PainAt[];
  /** of the muscles; null: not asked */
  soreness: Soreness;
  /** how the client said it, where the client did */
  swellingWord: SwellingSaid | null;
  /** warning signs that came with it, in words; null: none */
  alarm: string | null;
  enteredAt: Date;
  enteredBy: string;
  /** the client's own answer, or entered by the clinic */
  answeredBy: "client" | "staff";
  byTherapist: boolean;
}

export interface TakenDecision {
  /** null: one decision for all lines */
  lineId: string | null;
  action: Action;
  banks: boolean;
  sentence: string;
  /** why the draft said what it said */
  reasons: string[];
  byOrderOf: string | null;
  by: string;
  at: Date;
}

/** What stands of a visit beside what was logged in it. */
export interface VisitHead {
  id: string;
  sheetId: string;
  versionId: string;
  /** lines that it ran, in their order: those of its version, of a short day only what was left of them */
  lineIds: string[];
  /** how many sets each was planned to that day; null: as its version has it */
  setsOfDay: Record<string, number> | null;
  /** what was planned to be worn and held that day, by line; null: as its version has it */
  aidsOfDay: Record<string, Aid | null> | null;
  startedAt: Date;
  /** the calendar day at the clinic: all sheets of a day are one day for the knee */
  day: string;
  startedBy: string;
  end: {
    endedAt: Date;
    painAtStart: number | null;
    painAtEnd: number | null;
    stopped: string | null;
    /** movements before the first set and after the last */
    markers: readonly MarkerScores[];
    signedBy: string;
    byTherapist: boolean;
  } | null;
  morning: Morning | null;
  /** what a therapist has seen of it: answers of mornings by id, null the visit itself */
  seen: (string | null)[];
  decisions: TakenDecision[];
}

/** One run of one sheet version on one day, with what was logged in it. */
export interface Visit extends VisitHead {
  sheet: SheetVersion;
  firstSide: Side;
  records: SetRecord[];
}

/** Pages show the last visits; nothing asks for all of a client's history at once. */
const RECENT = 12;

/** The last visits of an episode, oldest first. */
export const recentVisits = (ctx: Ctx, episodeId: string): Promise<VisitHead[]> =>
  once(ctx, `visits ${episodeId}`, async () => {
    const rows = await rowsOf(
      ctx,
      "visits",
      episodeId,
      (keys) => ctx.tx`
        select k.id as of, v.* from unnest(${keys}::uuid[]) as k(id), lateral (
          ${heads(ctx)} where v.episode_id = k.id order by v.received_at desc, v.id limit ${RECENT}) v
        order by v.received_at, v.id`,
    );
    return rows.map((r) => headOf(ctx, r));
  });

/** A visit with all that belongs to it. */
export async function visitById(ctx: Ctx, id: string): Promise<Visit> {
  const [r] = await rowsOf(
    ctx,
    "whole visits",
    id,
    (keys) => ctx.tx`select h.id as of, h.* from (${heads(ctx)} where v.id = any(${keys}::uuid[])) h`,
  );
  if (!r) throw new Refused("missing", "This visit is not there. Reload the page.");
  const [records, sheet] = await Promise.all([recordsOf(ctx, id), versionById(ctx, r.version_id)]);
  return { ...headOf(ctx, r), sheet, firstSide: r.first_side, records };
}

/** The last visits with all that belongs to them, oldest first. */
export const recentVisitsWhole = async (ctx: Ctx, episodeId: string): Promise<Visit[]> =>
  Promise.all((await recentVisits(ctx, episodeId)).map((v) => visitById(ctx, v.id)));

/** The morning after the day of a visit `v`: one answer for all that was run on that day at the clinic, the newest stands. */
export const morningOf = (ctx: Ctx) => ctx.tx`
  select r.* from visit s join response r on r.visit_id = s.id
  where s.episode_id = v.episode_id and s.started_at between v.started_at - interval '26 hours' and v.started_at + interval '26 hours'
    and (s.started_at at time zone ${ctx.actor.timeZone})::date = (v.started_at at time zone ${ctx.actor.timeZone})::date
  order by r.answered_at desc, r.id limit 1`;

const heads = (ctx: Ctx) => ctx.tx`
  select v.id, w.sheet_id, v.version_id, v.first_side, v.started_at, v.received_at, starter.name as started_by,
    e.ended_at, e.pain_at_start, e.pain_at_end, e.stopped, e.markers, m.id as morning_id, m.pain, m.swelling, m.stiffness_min,
    m.besides, m.regions, m.soreness, m.swelling_word, m.alarm, m.answered_by, m.answered_at, entrant.name as entered_by,
    entrant.role as entered_role, signer.name as signed_by, signer.role as signed_role,
    array(select coalesce(c.response_id::text, '') from concern_seen c where c.visit_id = v.id) as seen,
    array(select l.line_id from sheet_line l where l.version_id = v.version_id order by l.seq) as lines,
    (select json_object_agg(x ->> 'lineId', jsonb_array_length(x -> 'sets'))
      from jsonb_array_elements(v.lines) x) as sets_of_day,
    (select json_object_agg(x ->> 'lineId', x -> 'aid') from jsonb_array_elements(v.lines) x) as aids_of_day,
    (select json_agg(json_build_object('lineId', d.line_id, 'action', d.action, 'banks', d.banks,
        'sentence', d.sentence, 'reasons', d.reasons, 'byOrderOf', d.by_order_of, 'by', p.name, 'at', d.decided_at)
        order by d.decided_at, (select l.seq from sheet_line l where l.version_id = v.version_id and l.line_id = d.line_id))
      from decision d join person p on p.id = d.decided_by where d.visit_id = v.id) as decisions
  from visit v
  join sheet_version w on w.id = v.version_id
  join person starter on starter.id = v.started_by
  left join visit_end e on e.visit_id = v.id
  left join person signer on signer.id = e.signed_by
  left join lateral (${morningOf(ctx)}) m on true
  left join person entrant on entrant.id = m.entered_by`;

function headOf(ctx: Ctx, r: Row): VisitHead {
  return {
    id: r.id,
    sheetId: r.sheet_id,
    versionId: r.version_id,
    lineIds: (r.lines as string[]).filter((id) => r.sets_of_day === null || id in r.sets_of_day),
    setsOfDay: r.sets_of_day,
    aidsOfDay: r.aids_of_day,
    startedAt: r.started_at,
    day: dayOf(ctx, r.started_at),
    startedBy: r.started_by,
    end: r.ended_at
      ? {
          endedAt: r.ended_at,
          painAtStart: r.pain_at_start,
          painAtEnd: r.pain_at_end,
          stopped: r.stopped,
          markers: r.markers,
          signedBy: r.signed_by,
          byTherapist: r.signed_role === "therapist",
        }
      : null,
    morning: r.morning_id
      ? {
          id: r.morning_id,
          pain: r.pain,
          swelling: r.swelling,
          stiffnessMin: r.stiffness_min,
          besides: r.besides,
          regions: r.regions,
          soreness: r.soreness,
          enteredAt: r.answered_at,
          swellingWord: r.swelling_word,
          alarm: r.alarm,
          answeredBy: r.answered_by,
          enteredBy: r.entered_by,
          byTherapist: r.entered_role === "therapist",
        }
      : null,
    seen: (r.seen as string[]).map((id) => id || null),
    decisions: ((r.decisions ?? []) as TakenDecision[]).map((d) => ({ ...d, at: new Date(d.at) })),
  };
}

/** Lines of a finished visit that nobody has decided; none while it runs. */
export function undecidedLines(v: VisitHead): string[] {
  if (!v.end || v.decisions.some((d) => d.lineId === null)) return [];
  return v.lineIds.filter((id) => !v.decisions.some((d) => d.lineId === id));
}

/**
 * After "stop and refer" only a version that a therapist wrote after that decision opens a sheet again. Decided for all
 * lines it closes every sheet: it is one knee.
 */
export function isStopped(visits: readonly VisitHead[], sheet: SheetVersion): boolean {
  return visits.some((v) =>
    v.decisions.some(
      (d) =>
        d.action === "STOP_REFER" &&
        sheet.at <= d.at &&
        (d.lineId === null ||
          (v.sheetId === sheet.sheetId && sheet.lines.some((l) => l.plan.lineId === d.lineId))),
    ),
  );
}

/** The grade of swelling before the day of a visit: of the last morning that told one, or of the story. */
export function swellingBefore(
  client: Pick<ClientEpisode, "firstSwelling">,
  visits: readonly VisitHead[],
  day: string,
): number {
  const known = visits.flatMap((v) =>
    v.day < day && v.morning?.swelling != null ? [v.morning.swelling] : [],
  );
  return known.at(-1) ?? client.firstSwelling;
}

/** The decision that stands for a visit in one word: the strictest of its lines; null while lines wait. */
export function strictestOf(v: VisitHead): TakenDecision | null {
  const order: Action[] = ["STOP_REFER", "REGRESS", "HOLD", "PROGRESS"];
  if (undecidedLines(v).length > 0) return null;
  return order.map((a) => v.decisions.find((d) => d.action === a)).find((d) => d) ?? null;
}
