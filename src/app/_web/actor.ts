import "server-only";
import { cookies, headers } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
import type { Preferences } from "@/core/access/preferences";
import { preferencesOf } from "@/server/auth/preferences";
import { actorOf } from "@/server/auth/signIn";
import type { Actor, Ctx } from "@/server/base/context";
import { inClinic } from "@/server/base/db";
import { Refused } from "@/server/base/refused";

export const SESSION_COOKIE = "bexlo_session";

/** Who is signed in, null if nobody; asked once per request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return token ? actorOf(token) : null;
});

/** What the person who is signed in wants; null where nobody is. */
export const ownPreferences = cache(async (): Promise<Preferences | null> => {
  const actor = await currentActor();
  return actor && inClinic(actor.clinicId, (tx) => preferencesOf({ tx, actor, now: new Date() }));
});

/** Where a signed-out person wanted to go, as the proxy says it: back to it after signing in. */
async function signInAddress(): Promise<string> {
  const wanted = (await headers()).get("x-path") ?? "/";
  return wanted === "/" ? "/sign-in" : `/sign-in?to=${encodeURIComponent(wanted)}`;
}

/** For pages: work in the actor's clinic; signed-out people go to the sign-in, unknown things to the 404 page. */
export async function onPage<T>(work: (ctx: Ctx) => Promise<T>): Promise<{ actor: Actor; data: T }> {
  const actor = await currentActor();
  if (!actor) redirect(await signInAddress());
  try {
    return {
      actor,
      data: await inClinic(actor.clinicId, (tx) => work({ tx, actor, now: new Date(), asked: new Map() })),
    };
  } catch (error) {
    if (error instanceof Refused && error.kind === "missing") notFound();
    throw error;
  }
}
