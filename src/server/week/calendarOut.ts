import "server-only";
import ical, { ICalCalendarMethod } from "ical-generator";
import { daysAfter } from "@/core/units/days";
import { type Ctx, mustMay, today } from "../base/context";
import { Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";
import { sheetsOf } from "../sheets/sheets";
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
  const days = block.days.filter((d) => d.on >= today(ctx) && sheets.has(d.sheetId));
  for (const d of days) {
    const sheet = sheets.get(d.sheetId);
    if (!sheet) continue;
    const minutes = Math.ceil(sheet.seconds / 60);
    const common = {
      id: `${d.sheetId}.${d.on}@bexlo`,
      summary: PLACES[sheet.place],
      description: `About ${minutes} minutes.`,
      stamp: block.at,
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
  return calendar.toString();
}

// a day without an hour has no zone: its parts are read as they stand
const midnight = (iso: string): Date => {
  const [y, m, d] = iso.split("-").map(Number) as [number, number, number];
  return new Date(y, m - 1, d);
};
