import "server-only";
import { LOCALES, type Preferences } from "@/core/access/preferences";
import type { Ctx } from "../base/context";

/** What the person who is signed in wants. */
export async function preferencesOf(ctx: Ctx): Promise<Preferences> {
  const [r] = await ctx.tx`
    select mass_unit, locale, keys_on, sound_on from person where id = ${ctx.actor.personId}`;
  return {
    massUnit: r?.mass_unit === "lb" ? "lb" : "kg",
    locale: LOCALES.find((l) => l === r?.locale) ?? "en-GB",
    keysOn: r?.keys_on ?? true,
    soundOn: r?.sound_on ?? true,
  };
}

/** Everybody changes their own, and nobody else's. */
export async function writePreferences(ctx: Ctx, p: Preferences): Promise<void> {
  await ctx.tx`
    update person set mass_unit = ${p.massUnit}, locale = ${p.locale}, keys_on = ${p.keysOn}, sound_on = ${p.soundOn}
    where id = ${ctx.actor.personId}`;
}
