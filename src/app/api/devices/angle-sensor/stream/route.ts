import { randomInt } from "node:crypto";
import { z } from "zod";
import { deviceDoor } from "@/app/_web/deviceDoor";
import { newestOf } from "@/core/measure/findings";
import { side } from "@/core/units/fields";
import { normal, seededRandom } from "@/devices/simulated/random";
import { simulateAngleSensor } from "@/devices/simulated/simulateAngleSensor";
import { simulateRepetitions } from "@/devices/simulated/simulateRepetitions";
import { clientEpisode } from "@/server/client/clients";
import { measurementsOf } from "@/server/measure/otherMeasurements";

export const dynamic = "force-dynamic";

const ofMotion = z.object({
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

/** A set of repetitions between two angles: the pretended leg reaches a little less at its end. */
const ofSet = z.object({
  client: z.uuid(),
  side,
  kind: z.literal("repetitions"),
  from: z.coerce.number().min(-10).max(130),
  to: z.coerce.number().min(0).max(140),
  reps: z.coerce.number().int().min(1).max(40),
  repS: z.coerce.number().min(0.5).max(30),
});

const query = z.union([ofMotion, ofSet]);

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
export const GET = deviceDoor(
  query,
  "The angle sensor needs a client, a side and what is measured; for a set also its angles, repetitions and tempo.",
  async (ctx, q) => {
    const random = seededRandom(("seed" in q ? q.seed : undefined) ?? randomInt(2 ** 31));
    const client = await clientEpisode(ctx, q.client);
    if (q.kind === "repetitions")
      return simulateRepetitions({ fromDeg: q.from, toDeg: q.to, reps: q.reps, repS: q.repS }, random);
    const last = newestOf(await measurementsOf(ctx, client.episodeId), q.kind, q.side);
    const { fromDeg, healthyDeg, hurtDeg } = MOTIONS[q.kind];
    const endDeg = last?.value ?? (q.side === client.side ? hurtDeg : healthyDeg);
    return simulateAngleSensor({ fromDeg, toDeg: endDeg + normal(random) }, random);
  },
);
