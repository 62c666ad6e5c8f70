import { randomInt } from "node:crypto";
import { z } from "zod";
import { deviceDoor } from "@/app/_web/deviceDoor";
import { limbGravityTorqueNm } from "@/core/body/limbGravity";
import { familyById } from "@/core/equipment/families";
import { templateOf } from "@/core/equipment/templates";
import { CURVE_ARCS, camFactor } from "@/core/mechanics/camCurve";
import { capacityNm, fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { isKneeMovement, type Movement, movement } from "@/core/strength/movements";
import { testsForCurve } from "@/core/strength/testsForCurve";
import { torqueAngleShape } from "@/core/strength/torqueAngleShape";
import { side } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { GRAVITY_M_S2 } from "@/core/units/mass";
import { seededRandom } from "@/devices/simulated/random";
import { simulateLoadCell } from "@/devices/simulated/simulateLoadCell";
import { simulateStaticPull } from "@/devices/simulated/simulateStaticPull";
import type { Ctx } from "@/server/base/context";
import { bodyOf, clientEpisode } from "@/server/client/clients";
import { machineById } from "@/server/clinic/machines";
import { testsOf } from "@/server/measure/measurements";

export const dynamic = "force-dynamic";

const onLeg = z.object({
  client: z.uuid(),
  side,
  movement: movement.default("knee_extension"),
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

/** Strapped between a machine's lever and a fixed point, to calibrate it. */
const onMachine = z.object({
  machine: z.uuid(),
  angle: z.coerce.number().min(0).max(130),
  load: z.coerce.number().min(0).max(500),
  lever: z.coerce.number().min(0.05).max(1.2),
});

const query = z.union([onLeg, onMachine]);

/**
 * The load cell's door: server-sent events `samples` with `{ timeS: number[], forceN: number[] }`, about twenty a
 * second, then `end`. Behind it stands a simulated cell; a real one would send the same events (docs/formats.md).
 */
export const GET = deviceDoor(
  query,
  "The load cell needs a client, a side, an angle and a lever arm; or a machine, an angle, a load and a lever arm.",
  async (ctx, q) => {
    if ("machine" in q)
      return simulateStaticPull(await pretendedPullN(ctx, q), seededRandom(randomInt(2 ** 31)));
    const random = seededRandom(q.seed ?? randomInt(2 ** 31));
    const most = (await pretendedMaximumN(ctx, q)) * (0.97 + 0.05 * random());
    return simulateLoadCell(
      { maxForceN: most, aimForceN: q.aim ?? most, restS: q.aim === undefined ? 1 : 0.2, pushS: q.seconds },
      random,
    );
  },
);

/** The pretended machine differs from its printed numbers, as real ones do. */
const PRETENDED = { ratio: 0.93, startKg: 1.8 } as const;

/** What a pretended machine pulls on the cell at an angle and a pin. */
async function pretendedPullN(ctx: Ctx, q: z.infer<typeof onMachine>): Promise<number> {
  const m = await machineById(ctx, q.machine);
  const family = familyById(m.family);
  const geometry = templateOf(m.family).geometry;
  if (family?.hasRatio) return Math.max(1, q.load * GRAVITY_M_S2 * (geometry.ratio ?? 1) * PRETENDED.ratio);
  if (!family?.hasCam)
    throw new InputError("machine", "This kind of machine has no lever or stack to strap the cell to.");
  const arc = m.family === "seated_knee_extension" ? CURVE_ARCS.extension : CURVE_ARCS.curl;
  const curve = camFactor("bell", q.angle, arc);
  const weightN = (q.load + PRETENDED.startKg) * GRAVITY_M_S2;
  return Math.max(1, (weightN * (geometry.ratioM ?? 0.3) * PRETENDED.ratio * curve) / q.lever);
}

/** What the pretended leg can push here: its own curve if it was tested, otherwise a plausible one for the body. */
async function pretendedMaximumN(ctx: Ctx, q: z.infer<typeof onLeg>): Promise<number> {
  const client = await clientEpisode(ctx, q.client);
  const own = (await testsOf(ctx, client.episodeId)).filter(
    (t) => t.side === q.side && t.movement === q.movement,
  );
  const peakNm = client.bodyMassKg * NM_PER_KG[q.movement] * (q.side === client.side ? 0.55 : 1);
  if (!isKneeMovement(q.movement)) return Math.max(20, (own[0]?.torqueNm ?? peakNm) / q.lever);
  const tests = testsForCurve(own);
  const torqueNm = tests.length
    ? capacityNm(fitTorqueAngle(q.movement, tests), q.angle)
    : peakNm * torqueAngleShape(q.movement, q.angle);
  const limbNm = limbGravityTorqueNm(bodyOf(client), q.angle);
  return Math.max(20, (torqueNm + (q.movement === "knee_extension" ? -limbNm : limbNm)) / q.lever);
}

/** Plausible peak torque of a healthy leg per body mass: for the pretended leg only. */
const NM_PER_KG: Record<Movement, number> = {
  knee_extension: 2.1,
  knee_flexion: 1.2,
  hip_abduction: 1.3,
  hip_adduction: 1.3,
  hip_extension: 1.8,
  calf: 1.1,
};
