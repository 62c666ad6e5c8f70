import "server-only";
import { type Deed, may, type Role } from "@/core/access/roles";
import type { MassUnit } from "@/core/units/mass";
import { DEED_SENTENCES } from "@/words/en/access";
import type { Tx } from "./db";
import { attempted, Refused } from "./refused";

/** Who is signed in. */
export interface Actor {
  personId: string;
  clinicId: string;
  name: string;
  role: Role;
  massUnit: MassUnit;
  locale: string;
  clinicName: string;
  timeZone: string;
}

/** What every server function works with: a transaction of the actor's clinic and the time, passed in. */
export interface Ctx {
  tx: Tx;
  actor: Actor;
  now: Date;
  /** what the device that sent this says its own time is; missing where it says none */
  deviceNow?: Date | null;
  /** on a page, which only reads: what was asked once in this transaction is not asked again */
  asked?: Map<string, unknown>;
}

/** Asks once where a page asks; a route that writes asks every time. */
export function once<T>(ctx: Ctx, key: string, work: () => Promise<T>): Promise<T> {
  if (!ctx.asked) return work();
  const found = ctx.asked.get(key) as Promise<T> | undefined;
  if (found) return found;
  const answer = work();
  ctx.asked.set(key, answer);
  return answer;
}

/** Refuses a deed that the actor's role may not do; roles live in the core. The attempt is kept. */
export function mustMay(ctx: Ctx, deed: Deed): void {
  if (!may(ctx.actor.role, deed)) throw attempted(deed, new Refused("forbidden", DEED_SENTENCES[deed]));
}

// making one costs far more than using it, and pages ask for hundreds of days
const formats = new Map<string, Intl.DateTimeFormat>();
function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const made = new Intl.DateTimeFormat("en-CA", {
    timeZone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
    hour: "2-digit",
    hourCycle: "h23",
  });
  formats.set(timeZone, made);
  return made;
}

interface DayAndHour {
  day: string;
  hour: number;
}

/** Clocks of all zones differ by whole quarters of an hour, so day and hour are the same within one. */
const QUARTER_MS = 900_000;
const MOST_QUARTERS = 20_000;
const quarters = new Map<string, DayAndHour>();

/** Calendar day (ISO) and hour, 0 to 23, at the clinic. */
export function dayAndHour(ctx: Pick<Ctx, "actor">, at: Date): DayAndHour {
  const { timeZone } = ctx.actor;
  const key = `${timeZone} ${Math.floor(at.getTime() / QUARTER_MS)}`;
  const known = quarters.get(key);
  if (known) return known;
  const parts = Object.fromEntries(
    formatOf(timeZone)
      .formatToParts(at)
      .map((p) => [p.type, p.value]),
  );
  const found = { day: `${parts.year}-${parts.month}-${parts.day}`, hour: Number(parts.hour) };
  if (quarters.size >= MOST_QUARTERS) quarters.clear();
  quarters.set(key, found);
  return found;
}

/** The calendar day at the clinic, ISO. */
export const dayOf = (ctx: Pick<Ctx, "actor">, at: Date): string => dayAndHour(ctx, at).day;

export const today = (ctx: Ctx): string => dayOf(ctx, ctx.now);
