import "server-only";
import { daysBetween } from "@/core/units/days";
import { InputError } from "@/core/units/inputError";
import type { Ctx } from "../base/context";
import { inThread } from "../base/inThread";

/** A day counts as taken when events cover so many hours of it between seven and nine in the evening [own]. */
const LIMITS = {
  takenHours: 4,
  fromHour: 7,
  untilHour: 21,
  mostEvents: 3000,
  /** occurrences of all series together that are walked through */
  mostSteps: 60_000,
  /** an occurrence that lasts longer than this counts from its start no further */
  longestDays: 400,
} as const;
const MOST_DAYS = 400;
const MOST_MS = 6000;

/**
 * Days between two ISO days that a client's calendar file takes up: whole days, and days with four or more hours of
 * events or of what is said to be busy in waking time. Series are counted from their start, with what was cancelled or
 * moved of them. Only times are read; titles and notes are not looked at and not kept. Times without a zone, and zones
 * that nobody knows, are the clinic's. Read in a thread of its own. Throws InputError with what is wrong.
 */
export async function busyDays(
  ctx: Pick<Ctx, "actor">,
  text: string,
  from: string,
  until: string,
): Promise<string[]> {
  const span = daysBetween(from, until);
  if (span < 0 || span > MOST_DAYS)
    throw new InputError("until", `Choose a time of at most ${MOST_DAYS} days, its end after its beginning.`);
  const { days } = await inThread<{ days: string[] }>(
    "calendar.mjs",
    { text, from, until, zone: ctx.actor.timeZone, limits: LIMITS },
    {
      mostMs: MOST_MS,
      mostMegabytes: 128,
      field: "file",
      tooMuch:
        "This calendar repeats in a way that takes too long to work out. Export fewer months, or without what repeats.",
    },
  );
  return days;
}
