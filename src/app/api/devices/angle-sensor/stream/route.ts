import { randomInt } from "node:crypto";
import { z } from "zod";
import { currentActor } from "@/app/_web/actor";
import { problemResponse } from "@/app/_web/route";
import { sampleStream } from "@/app/_web/sampleStream";
import { newestOf } from "@/core/measure/findings";
import { normal, seededRandom } from "@/core/signal/random";
import { simulateAngleSensor } from "@/core/signal/simulateAngleSensor";
import { side } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { clientEpisode } from "@/server/clients";
import { inClinic } from "@/server/db";
import { measurementsOf } from "@/server/otherMeasurements";
import { Refused } from "@/server/refused";

export const dynamic = "force-dynamic";

const query = z.object({
  client: z.uuid(),
  side,
  kind: z.enum(["knee_bend", "knee_straightening", "hip_bend"]),
  seed: z.coerce
    .number()
    .int()
    .min(0)
    .max(2 ** 31)
    .optional(),
});

/** Where a motion begins, and where a healthy and a hurt joint usually end: for the pretended leg only. */
const MOTIONS = {
  knee_bend: { fromDeg: 40, healthyDeg: 138, hurtDeg: 112 },
  knee_straightening: { fromDeg: 35, healthyDeg: -2, hurtDeg: 4 },
  hip_bend: { fromDeg: 30, healthyDeg: 122, hurtDeg: 112 },
} as const;

/**
 * The angle sensor's door: server-sent events `samples` with `{ timeS: number[], angleDeg: number[] }`, then `end`.
 * Behind it stands a simulated sensor; a real one would send the same events (docs/formats.md).
 */
export async function GET(request: Request): Promise<Response> {
  try {
    const actor = await currentActor();
    if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
    const parsed = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!parsed.success)
      throw new InputError(
        String(parsed.error.issues[0]?.path[0] ?? ""),
        "The angle sensor needs a client, a side and what is measured.",
      );
    const q = parsed.data;
    const random = seededRandom(q.seed ?? randomInt(2 ** 31));
    const toDeg = await inClinic(actor.clinicId, async (tx) => {
      const ctx = { tx, actor, now: new Date() };
      const client = await clientEpisode(ctx, q.client);
      const last = newestOf(await measurementsOf(ctx, client.episodeId), q.kind, q.side);
      const { healthyDeg, hurtDeg } = MOTIONS[q.kind];
      return last?.value ?? (q.side === client.side ? hurtDeg : healthyDeg);
    });
    const way = { fromDeg: MOTIONS[q.kind].fromDeg, toDeg: toDeg + normal(random) };
    return sampleStream(simulateAngleSensor(way, random), request.signal);
  } catch (error) {
    return problemResponse(error);
  }
}
