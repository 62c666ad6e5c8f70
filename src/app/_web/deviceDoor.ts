import "server-only";
import type { z } from "zod";
import { InputError } from "@/core/units/inputError";
import type { Ctx } from "@/server/base/context";
import { inClinic } from "@/server/base/db";
import { Refused } from "@/server/base/refused";
import { currentActor } from "./actor";
import { problemResponse } from "./route";
import { type Sample, sampleStream } from "./sampleStream";

/**
 * The door of a device: who is signed in asks by query, the answer is a stream of samples. `sentence` says what a query
 * needs; `open` asks the clinic and gives the samples.
 */
export function deviceDoor<S extends z.ZodType>(
  schema: S,
  sentence: string,
  open: (ctx: Ctx, query: z.infer<S>) => Promise<Generator<Sample>>,
) {
  return async (request: Request): Promise<Response> => {
    try {
      const actor = await currentActor();
      if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
      const parsed = schema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
      if (!parsed.success) throw new InputError(String(parsed.error.issues[0]?.path[0] ?? ""), sentence);
      const samples = await inClinic(actor.clinicId, (tx) =>
        open({ tx, actor, now: new Date() }, parsed.data),
      );
      return sampleStream(samples, request.signal);
    } catch (error) {
      return problemResponse(error);
    }
  };
}
