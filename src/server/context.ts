import "server-only";
import { DEED_SENTENCES, type Deed, may, type Role } from "@/core/safety/roles";
import type { MassUnit } from "@/core/units/mass";
import type { Tx } from "./db";
import { Refused } from "./refused";

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
  /** on a page, which only reads: what was asked once in this transaction is not asked again */
  asked?: Map<string, Promise<unknown>>;
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

/** Refuses a deed that the actor's role may not do; roles live in the core. */
export function mustMay(ctx: Ctx, deed: Deed): void {
  if (!may(ctx.actor.role, deed)) throw new Refused("forbidden", DEED_SENTENCES[deed]);
}

/** The calendar day at the clinic, ISO. */
export function dayOf(ctx: Pick<Ctx, "actor">, at: Date): string {
  return new Intl.DateTimeFormat("en-CA", { timeZone: ctx.actor.timeZone }).format(at);
}

export const today = (ctx: Ctx): string => dayOf(ctx, ctx.now);
