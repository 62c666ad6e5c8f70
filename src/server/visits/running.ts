import "server-only";
import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { type KeptLine, keptLine } from "@/core/sheet/line/keptLine";
import type { Side } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { asKept, fromKept, saidWith } from "@/core/units/said";
import { recordOf } from "@/core/visit/recordOf";
import { type DoneTask, type VisitState, visitState } from "@/core/visit/run";
import type { SetRecord } from "@/core/visit/setRecord";
import { eventsOf, type LogEntry, lastUndone, logEntry } from "@/core/visit/visitEvent";
import type { entryInput, startInput } from "@/core/visit/visitInput";
import { type Ctx, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, mustBeSame, Refused } from "../base/refused";
import { clinicTime, keptDeviceTime } from "../base/tabletTime";
import type { ClientEpisode } from "../client/clients";
import { sheetFacts } from "../facts/sheetFacts";
import { makeMorningLink } from "../links/links";
import { sheetsOf } from "../versions/sheets";
import { floorBarred } from "./floor";
import { linesOfToday } from "./linesOfToday";
import { checkedSwap } from "./swapForToday";

/** The short questions are asked for one visit: an answer from another day opens none. */
const RECHECK_LASTS_MS = 12 * 3_600_000;

/**
 * Starts a visit. Warning signs, the last decision, today's limits and the newest version are checked here.
 * `askedWith`: the warning signs were answered together with it, however long that was on its way.
 */
export async function startVisit(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof startInput>,
  askedWith = false,
): Promise<void> {
  mustMay(ctx, ctx.actor.role === "client" ? "home.run" : "session.run");
  await lockEpisode(ctx, client.episodeId);
  const [known] = await ctx.tx`select episode_id, version_id, recheck_id from visit where id = ${input.id}`;
  if (known) {
    mustBeSame(
      known.episode_id === client.episodeId &&
        known.version_id === input.versionId &&
        known.recheck_id === input.recheckId,
      "session.repeat",
      "A visit with this id was started before, differently",
    );
    return;
  }
  const open = await ctx.tx`
    select p.name from visit v join person p on p.id = v.started_by
    where v.episode_id = ${client.episodeId} and not exists (select 1 from visit_end e where e.visit_id = v.id)`;
  if (open[0])
    throw new Refused(
      "conflict",
      `A visit of ${open[0].name} is still open. Reload the floor and go on with it.`,
    );
  const sheets = await sheetsOf(ctx, client.episodeId);
  const sheet = sheets.find((s) => s.id === input.versionId) ?? null;
  const barred = await floorBarred(ctx, client, sheet ?? sheets[0] ?? null);
  if (barred) throw attempted("session.past", new Refused("conflict", barred));
  if (!sheet)
    throw new Refused("conflict", "The sheet changed: a newer version is current. Reload the floor.");
  const tablet = new Date(input.startedAt);
  const [asked] = await ctx.tx`
    select is_clear, at from recheck where id = ${input.recheckId} and episode_id = ${client.episodeId}`;
  if (!asked?.is_clear || (!askedWith && ctx.now.getTime() - asked.at.getTime() > RECHECK_LASTS_MS))
    throw attempted("session.unasked", new Refused("conflict", "Ask the warning signs before this visit."));
  const lines = await linesOfToday(ctx, client, sheet);
  await ctx.tx`
    insert into visit (id, clinic_id, episode_id, version_id, place, first_side, recheck_id, lines, started_at, tablet_at,
      received_at, started_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.versionId},
      ${sheet.place === "home" ? "home" : "clinic"}, ${await firstSideOf(ctx, client)}, ${input.recheckId},
      ${ctx.tx.json(lines as never)}, ${clinicTime(ctx, tablet)}, ${keptDeviceTime(tablet)}, ${ctx.now}, ${ctx.actor.personId})`;
}

/** The clearly weaker leg begins; where tests do not say, the one that this is about. */
export async function firstSideOf(ctx: Ctx, client: ClientEpisode): Promise<Side> {
  const { weaker } = await sheetFacts(ctx, client);
  return weaker.extension?.side ?? client.side;
}

/** A visit under way with its whole log: any tablet goes on from it. */
export interface RunningVisit {
  id: string;
  episodeId: string;
  versionId: string;
  firstSide: Side;
  lines: KeptLine[];
  log: LogEntry[];
}

/** The visit of an episode that is under way; null where none is. */
export async function openVisit(ctx: Ctx, episodeId: string): Promise<RunningVisit | null> {
  const [r] = await ctx.tx`
    select v.id from visit v where v.episode_id = ${episodeId} and v.lines is not null
      and not exists (select 1 from visit_end e where e.visit_id = v.id)
    order by v.received_at desc limit 1`;
  return r ? runningVisit(ctx, r.id) : null;
}

async function runningVisit(ctx: Ctx, visitId: string): Promise<RunningVisit | null> {
  const [v] =
    await ctx.tx`select id, episode_id, version_id, first_side, lines from visit where id = ${visitId}`;
  if (!v) return null;
  const log = await ctx.tx`select event from visit_event where visit_id = ${visitId} order by seq`;
  return {
    id: v.id,
    episodeId: v.episode_id,
    versionId: v.version_id,
    firstSide: v.first_side,
    lines: keptLine.array().parse(v.lines ?? []),
    log: log.map((e) => logEntry.parse(e.event)),
  };
}

/**
 * Takes one entry of a visit's log. Append-only, in order: the same entry sent twice is one, another one in its place is
 * refused and kept aside. What it leads to is folded by the core here too: a set that is rated becomes a record.
 */
export async function logEvent(ctx: Ctx, visitId: string, input: z.infer<typeof entryInput>): Promise<void> {
  mustMay(ctx, ctx.actor.role === "client" ? "home.run" : "session.run");
  const [found] = await ctx.tx`select episode_id from visit where id = ${visitId}`;
  if (!found)
    throw new Refused("missing", "This visit is not known at the clinic yet; it will be sent again.");
  await lockEpisode(ctx, found.episode_id);
  const visit = (await runningVisit(ctx, visitId)) as RunningVisit;
  const { seq, entry } = input;
  const kept = visit.log[seq - 1];
  if (kept)
    return mustBeSame(
      JSON.stringify(kept) === JSON.stringify(logEntry.parse(entry)),
      "visit.repeat",
      "Another tablet went on with this visit, differently: reload the floor",
    );
  if (seq > visit.log.length + 1)
    throw new Refused("missing", "What came before this has not arrived yet; it will be sent again.");
  await mustBeOpen(ctx, visitId, entry);
  if (entry.type === "swap") await checkedSwap(ctx, visit, entry);
  const before = eventsOf(visit.log);
  const events = eventsOf([...visit.log, entry]);
  const was = visitState(visit.lines, before);
  const is = visitState(visit.lines, events);
  if (entry.type !== "note" && JSON.stringify(was) === JSON.stringify(is))
    throw new InputError("entry", "This does not fit what the visit is at. Reload the floor.");
  await ctx.tx`
    insert into visit_event (visit_id, seq, clinic_id, event, by, received_at)
    values (${visitId}, ${seq}, ${ctx.actor.clinicId}, ${ctx.tx.json(entry as never)}, ${ctx.actor.personId}, ${ctx.now})`;
  await followed(ctx, visit, entry, was, is, entry.type === "undo" ? lastUndone(before).takesBack : null);
}

async function mustBeOpen(ctx: Ctx, visitId: string, entry: LogEntry): Promise<void> {
  const [now] = await ctx.tx`
    select exists (select 1 from visit_end where visit_id = ${visitId}) as ended,
      exists (select 1 from decision where visit_id = ${visitId}) as decided`;
  if (now?.decided || (now?.ended && entry.type !== "correct"))
    throw attempted(
      "hold.late",
      new Refused(
        "conflict",
        now.decided
          ? "This visit has been decided: nothing can be added to it. It is kept aside for the therapist."
          : "This visit is closed: nothing can be added to it. It is kept aside for the therapist.",
      ),
    );
}

/** What an entry leads to: a record, a record taken back or corrected, the end of the visit. */
async function followed(
  ctx: Ctx,
  visit: RunningVisit,
  entry: LogEntry,
  was: VisitState,
  is: VisitState,
  takesBack: string | null,
): Promise<void> {
  if (entry.type === "rate") {
    const done = is.done.at(-1) as DoneTask;
    await writeRecord(ctx, visit.id, recordOf(done, visit.firstSide));
  }
  if (takesBack) {
    const done = was.done.find((d) => d.recordId === takesBack);
    if (done)
      await writeRecord(ctx, visit.id, {
        ...recordOf(done, visit.firstSide, takesBack),
        id: randomUUID(),
        voided: true,
      });
  }
  if (entry.type === "correct") {
    const done = is.done.find((d) => d.recordId === entry.newId);
    if (done) await writeRecord(ctx, visit.id, recordOf(done, visit.firstSide, entry.recordId));
  }
  if (entry.type === "finish") {
    const tablet = new Date(entry.at);
    await ctx.tx`
      insert into visit_end (visit_id, clinic_id, ended_at, tablet_at, received_at, pain_at_start, pain_at_end, stopped,
        markers, feels, effort, signed_by)
      values (${visit.id}, ${ctx.actor.clinicId}, ${clinicTime(ctx, tablet)}, ${keptDeviceTime(tablet)}, ${ctx.now},
        ${painAtStart(is, eventsOf([...visit.log, entry]))}, ${entry.painAtEnd}, ${endWords(is)},
        ${ctx.tx.json(is.markers as never)}, ${ctx.tx.json(is.feels as never)}, ${entry.effort ?? null}, ${ctx.actor.personId})`;
    await makeMorningLink(ctx, visit, clinicTime(ctx, tablet));
  }
}

const painAtStart = (is: VisitState, events: ReturnType<typeof eventsOf>): number | null => {
  const asked = events.find((e) => e.type === "pain-before");
  return asked?.type === "pain-before" ? asked.score : (is.done[0]?.painBefore ?? null);
};

/** Why the visit ended before its plan: what was said, or what ended lines. */
const endWords = (is: VisitState): string | null => is.stopped ?? endedOf(Object.values(is.ended));

async function writeRecord(ctx: Ctx, visitId: string, r: SetRecord): Promise<void> {
  const tablet = new Date(r.startedAt);
  const written = await ctx.tx`
    insert into set_record (id, clinic_id, visit_id, line_id, exercise_id, set_no, leg, bout_no, corrects, is_voided,
      started_at, tablet_at, worked_s, reps, load_kg, how, range_from_deg, range_to_deg, pain_before, pain, reserve, felt,
      early, mean_force_n, counted_by, faults, elsewhere, worn, help, logged_by, received_at)
    values (${r.id}, ${ctx.actor.clinicId}, ${visitId}, ${r.lineId}, ${r.exerciseId}, ${r.setNo}, ${r.leg}, ${r.boutNo},
      ${r.corrects}, ${r.voided}, ${clinicTime(ctx, tablet)}, ${keptDeviceTime(tablet)}, ${r.workedS}, ${r.reps}, ${r.loadKg}, ${r.how},
      ${r.rangeFromDeg}, ${r.rangeToDeg}, ${r.painBefore}, ${r.pain}, ${r.reserve}, ${r.felt}, ${r.early},
      ${r.meanForceN}, ${r.countedBy}, ${ctx.tx.json(r.faults as never)}, ${ctx.tx.json(r.elsewhere as never)}, ${r.worn}, ${r.help},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (written.length === 0)
    throw attempted(
      "hold.repeat",
      new Refused(
        "conflict",
        "A set with this id was logged before, in another place. What was sent first stands; this one is kept aside for the therapist to look at.",
      ),
    );
}

/** Why lines ended by themselves, each reason once, as it is kept; null where none did. */
const endedOf = (why: readonly string[]): string | null =>
  why.length === 0 ? null : asKept(saidWith("floor.ended", { why: [...new Set(why)].map(fromKept) }));
