import { randomInt } from "node:crypto";
import { z } from "zod";
import { currentActor } from "@/app/_web/actor";
import { problemResponse } from "@/app/_web/route";
import { limbGravityTorqueNm } from "@/core/body/limbGravity";
import { seededRandom } from "@/core/signal/random";
import { simulateLoadCell } from "@/core/signal/simulateLoadCell";
import { capacityNm, fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { testsForCurve } from "@/core/strength/testsForCurve";
import { torqueAngleShape } from "@/core/strength/torqueAngleShape";
import { side } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { bodyOf, clientEpisode } from "@/server/clients";
import type { Ctx } from "@/server/context";
import { inClinic } from "@/server/db";
import { testsOf } from "@/server/measurements";
import { Refused } from "@/server/refused";

export const dynamic = "force-dynamic";

const query = z.object({
  client: z.uuid(),
  side,
  angle: z.coerce.number().min(0).max(130),
  lever: z.coerce.number().min(0.1).max(0.6),
  /** force to hold, N; absent: push as hard as possible */
  aim: z.coerce.number().min(1).max(2000).optional(),
  seconds: z.coerce.number().min(1).max(180).default(5),
  seed: z.coerce
    .number()
    .int()
    .min(0)
    .max(2 ** 31)
    .optional(),
});

const EVERY_MS = 50;

/**
 * The load cell's door: server-sent events `samples` with `{ timeS: number[], forceN: number[] }`, about twenty a
 * second, then `end`. Behind it stands a simulated cell; a real one would send the same events (docs/formats.md).
 */
export async function GET(request: Request): Promise<Response> {
  try {
    const actor = await currentActor();
    if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
    const parsed = query.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!parsed.success)
      throw new InputError(
        String(parsed.error.issues[0]?.path[0] ?? ""),
        "The load cell needs a client, a side, an angle and a lever arm.",
      );
    const q = parsed.data;
    const maxForceN = await inClinic(actor.clinicId, (tx) =>
      pretendedMaximumN({ tx, actor, now: new Date() }, q),
    );
    const random = seededRandom(q.seed ?? randomInt(2 ** 31));
    const most = maxForceN * (0.97 + 0.05 * random());
    const samples = simulateLoadCell(
      { maxForceN: most, aimForceN: q.aim ?? most, restS: q.aim === undefined ? 1 : 0.2, pushS: q.seconds },
      random,
    );
    return new Response(streamOf(samples, request.signal), {
      headers: {
        "content-type": "text/event-stream; charset=utf-8",
        "cache-control": "no-cache, no-transform",
      },
    });
  } catch (error) {
    return problemResponse(error);
  }
}

/** What the pretended leg can push here: its own curve if it was tested, otherwise a plausible one for the body. */
async function pretendedMaximumN(ctx: Ctx, q: z.infer<typeof query>): Promise<number> {
  const client = await clientEpisode(ctx, q.client);
  const tests = testsForCurve((await testsOf(ctx, client.episodeId)).filter((t) => t.side === q.side));
  const peakNm = client.bodyMassKg * (q.side === client.side ? 1.1 : 2.3);
  const torqueNm = tests.length
    ? capacityNm(fitTorqueAngle("knee_extension", tests), q.angle)
    : peakNm * torqueAngleShape("knee_extension", q.angle);
  return Math.max(20, (torqueNm - limbGravityTorqueNm(bodyOf(client), q.angle)) / q.lever);
}

function streamOf(samples: Generator<{ timeS: number; forceN: number }>, gone: AbortSignal): ReadableStream {
  const encoder = new TextEncoder();
  const started = performance.now();
  let waiting = samples.next();
  return new ReadableStream({
    start(controller) {
      const stop = () => {
        clearInterval(timer);
        try {
          controller.close();
        } catch {
          // the reader went away first
        }
      };
      const timer = setInterval(() => {
        // catches up with wall time, so that a late timer loses no samples
        const nowS = (performance.now() - started) / 1000;
        const batch: { timeS: number[]; forceN: number[] } = { timeS: [], forceN: [] };
        while (!waiting.done && waiting.value.timeS <= nowS) {
          batch.timeS.push(Number(waiting.value.timeS.toFixed(4)));
          batch.forceN.push(Number(waiting.value.forceN.toFixed(2)));
          waiting = samples.next();
        }
        if (batch.timeS.length)
          controller.enqueue(encoder.encode(`event: samples\ndata: ${JSON.stringify(batch)}\n\n`));
        if (waiting.done) {
          controller.enqueue(encoder.encode("event: end\ndata: {}\n\n"));
          stop();
        }
      }, EVERY_MS);
      gone.addEventListener("abort", stop);
    },
  });
}
