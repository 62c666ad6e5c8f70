import "server-only";
import ical, { ICalCalendarMethod, ICalEventStatus } from "ical-generator";
import { daysAfter } from "@/core/units/days";
import { type Ctx, mustMay, today } from "../base/context";
import { Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";
import { sheetsOf } from "../versions/sheets";
import { blockOf } from "./blocks";

const PLACES = {
  gym: "Exercises with staff",
  home: "Exercises at home",
  bodyweight: "Exercises at home",
} as const;

/**
 * The planned days from today on as a calendar file (RFC 5545): one event a planned day, with an id that stays when the
 * file is made again, and nothing of the body in it: neither the condition nor the sheet's own name.
 */
export async function calendarOf(ctx: Ctx, client: ClientEpisode): Promise<string> {
  mustMay(ctx, "client.read");
  const block = await blockOf(ctx, client.episodeId);
  if (!block) throw new Refused("missing", "No days are kept yet: keep them in Week first.");
  const sheets = new Map((await sheetsOf(ctx, client.episodeId)).map((s) => [s.sheetId, s]));
  const calendar = ical({
    name: `Exercises, ${ctx.actor.clinicName}`,
    prodId: { company: "Bexlo", product: "Week", language: "EN" },
    method: ICalCalendarMethod.PUBLISH,
  });
  const [kept] = await ctx.tx`select count(*)::int as n from block where episode_id = ${client.episodeId}`;
  // rises with every block, and by one more where a day of it is taken back
  const sequence = 2 * (kept?.n ?? 1);
  const days = block.days.filter((d) => d.on >= today(ctx) && sheets.has(d.sheetId));
  for (const d of days) {
    const sheet = sheets.get(d.sheetId);
    if (!sheet) continue;
    const minutes = Math.ceil(sheet.seconds / 60);
    const common = {
      id: uidOf(d),
      summary: PLACES[sheet.place],
      description: `About ${minutes} minutes.`,
      stamp: block.at,
      sequence,
    };
    if (d.at === null) {
      calendar.createEvent({
        ...common,
        start: midnight(d.on),
        end: midnight(daysAfter(d.on, 1)),
        allDay: true,
      });
      continue;
    }
    const [r] = await ctx.tx`
      select (${d.on}::date + ${d.at}::time) at time zone ${ctx.actor.timeZone} as start`;
    const start: Date = r?.start;
    calendar.createEvent({ ...common, start, end: new Date(start.getTime() + minutes * 60_000) });
  }
  for (const gone of await goneDays(ctx, client, block.days, new Set(sheets.keys())))
    calendar.createEvent({
      id: uidOf(gone),
      summary: "Exercises, taken back",
      stamp: ctx.now,
      sequence: sequence + 1,
      status: ICalEventStatus.CANCELLED,
      start: midnight(gone.on),
      end: midnight(daysAfter(gone.on, 1)),
      allDay: true,
    });
  return calendar.toString();
}

const uidOf = (d: { sheetId: string; on: string }): string => `${d.sheetId}.${d.on}@bexlo`;

/** Days to come that were planned before and are not any more: a calendar that took them has to let them go. */
async function goneDays(
  ctx: Ctx,
  client: ClientEpisode,
  days: readonly { sheetId: string; on: string }[],
  inForce: ReadonlySet<string>,
): Promise<{ sheetId: string; on: string }[]> {
  const rows = await ctx.tx`
    select distinct d.sheet_id, d.on_day from block_day d join block b on b.id = d.block_id
    where b.episode_id = ${client.episodeId} and d.on_day >= ${today(ctx)} order by d.on_day, d.sheet_id`;
  const planned = new Set(days.filter((d) => inForce.has(d.sheetId)).map(uidOf));
  return rows
    .map((r) => ({ sheetId: r.sheet_id as string, on: r.on_day as string }))
    .filter((d) => !planned.has(uidOf(d)));
}

// a day without an hour has no zone: its parts are read as they stand
const midnight = (iso: string): Date => {
  const [y, m, d] = iso.split("-").map(Number) as [number, number, number];
  return new Date(y, m - 1, d);
};
