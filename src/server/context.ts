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
