import "server-only";
import { cookies } from "next/headers";
import { notFound, redirect } from "next/navigation";
import { cache } from "react";
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

/** For pages: work in the actor's clinic; signed-out people go to the sign-in, unknown things to the 404 page. */
export async function onPage<T>(work: (ctx: Ctx) => Promise<T>): Promise<{ actor: Actor; data: T }> {
  const actor = await currentActor();
  if (!actor) redirect("/sign-in");
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
