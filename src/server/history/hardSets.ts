import "server-only";
import type { Side } from "@/core/units/fields";
import { audit } from "../base/audit";
import { type Ctx, dayOf, mustMay } from "../base/context";
import { Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";

/** A set on a machine that came near to failure: as good as a repetition test. */
export interface HardSet {
  recordId: string;
  machineName: string;
  side: Side | null;
  loadKg: number;
  reps: number;
  reserve: number;
  /** ISO day */
  on: string;
}

/** Nearer to failure than this people judge well what is left; more repetitions than this tell little. Dosing rules D1. */
const MOST_RESERVE = 3;
const MOST_REPS = 12;
const DAYS = 28;
const MOST_OFFERED = 6;

/** Hard sets of the last weeks on known machines that nobody kept as a test yet, the newest first; help is no load. */
export async function hardSets(
  ctx: Ctx,
  episodeId: string,
  recordId: string | null = null,
): Promise<HardSet[]> {
  const rows = await ctx.tx`
    select r.id, r.leg, r.load_kg, r.reps, r.reserve, r.started_at, l.kept ->> 'machineName' as machine
    from visit v join set_record r on r.visit_id = v.id
    join sheet_line l on l.version_id = v.version_id and l.line_id = r.line_id and l.exercise_id = r.exercise_id
    where v.episode_id = ${episodeId} and v.received_at > ${ctx.now}::timestamptz - make_interval(days => ${DAYS})
      and (${recordId}::uuid is null or r.id = ${recordId})
      and r.reserve <= ${MOST_RESERVE} and r.reps between 1 and ${MOST_REPS} and r.load_kg > 0 and r.early is null
      and l.kept ->> 'machineName' is not null and not (l.kept -> 'isHelp')::boolean
      and not r.is_voided and not exists (select 1 from set_record c where c.corrects = r.id)
      and not exists (select 1 from measurement m where m.id = r.id)
    order by r.started_at desc, r.id limit ${MOST_OFFERED}`;
  return rows.map((r) => ({
    recordId: r.id,
    machineName: r.machine,
    side: r.leg === "both" ? null : r.leg,
    loadKg: r.load_kg,
    reps: r.reps,
    reserve: Math.round(r.reserve),
    on: dayOf(ctx, r.started_at),
  }));
}

/** Keeps a hard set as the repetition test that it was, under its own day. Sent twice it is one: it has the set's id. */
export async function keepAsTest(ctx: Ctx, client: ClientEpisode, recordId: string): Promise<void> {
  mustMay(ctx, "measurement.record");
  const [known] =
    await ctx.tx`select 1 from measurement where id = ${recordId} and episode_id = ${client.episodeId}`;
  if (known) return;
  const [set] = await hardSets(ctx, client.episodeId, recordId);
  if (!set) throw new Refused("missing", "This set is not offered as a test any more. Reload the page.");
  await ctx.tx`
    insert into measurement (id, clinic_id, episode_id, kind, side, value, source, apparatus, reps, reserve, two_legs,
      taken_at, taken_by)
    select r.id, r.clinic_id, ${client.episodeId}, 'repetition_test', ${set.side}, ${set.loadKg}, 'typed',
      ${set.machineName}, ${set.reps}, ${set.reserve}, ${set.side === null}, r.started_at, ${ctx.actor.personId}
    from set_record r where r.id = ${recordId}`;
  await audit(ctx, "measurement.record", "measurement", client.episodeId, null, {
    what: "repetition test, from a set on the floor",
    side: set.side,
    value: set.loadKg,
  });
}
