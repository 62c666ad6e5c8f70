import "server-only";
import type { Body } from "@/core/body/segments";
import type { InForce } from "@/core/bounds/inForce";
import { newestOf } from "@/core/measure/findings";
import type { Exercise } from "@/core/rules/exercises";
import type { MeasuredMotion } from "@/core/selection/allowedArc";
import { firstTissue } from "@/core/selection/firstTissue";
import { type GymMachine, withMeasuredHip } from "@/core/selection/machineFor";
import type { LaterLimits } from "@/core/selection/rangeSheet";
import type { KnownStrength } from "@/core/selection/strengthKnown";
import type { Tissue } from "@/core/selection/tissues";
import { type WeightOnLeg, weightOnLeg } from "@/core/selection/weightOnLeg";
import { fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { testsForCurve } from "@/core/strength/testsForCurve";
import type { KneeMovement } from "@/core/strength/torqueAngleShape";
import { bodyOf, type ClientEpisode } from "./clients";
import { conditionsOf } from "./conditions";
import type { Ctx } from "./context";
import { exercisesOf } from "./exercises";
import { boundsOf, laterBoundsOf, noRuleFor } from "./limits";
import { machinesOf } from "./machines";
import { testsOf } from "./measurements";
import { measurementsOf } from "./otherMeasurements";

/** Everything that the choice of exercises is computed from, as plain data. */
export interface ChooseFacts {
  limits: InForce;
  later: LaterLimits[];
  body: Body;
  strength: KnownStrength;
  motion: MeasuredMotion;
  machines: GymMachine[];
  /** exercises that the clinic changed or added; all others are the catalogue's */
  ownExercises: Exercise[];
  goalIds: string[];
  firstTissue: Tissue;
  hipIsMeasured: boolean;
  weight: WeightOnLeg;
}

/** The facts, or the sentence why nothing can be chosen by rule. */
export async function chooseFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts | string> {
  const noRule = await noRuleFor(ctx, client);
  if (noRule) return noRule;
  const bounds = await boundsOf(ctx, client);
  const tests = (await testsOf(ctx, client.episodeId)).filter((t) => t.side === client.side);
  const measured = await measurementsOf(ctx, client.episodeId);
  const newest = (kind: Parameters<typeof newestOf>[1]) =>
    newestOf(measured, kind, client.side)?.value ?? null;
  const curveOf = (movement: KneeMovement) => {
    const own = testsForCurve(tests.filter((t) => t.movement === movement));
    return own.length ? fitTorqueAngle(movement, own) : null;
  };
  const short = newest("knee_straightening");
  const hip = newest("hip_bend");
  const [story] = await ctx.tx`select goals from episode where id = ${client.episodeId}`;
  const conditions = await conditionsOf(ctx, client.episodeId);
  return {
    limits: bounds,
    later: await laterBoundsOf(ctx, client),
    body: withMeasuredHip(bodyOf(client), hip),
    strength: { extension: curveOf("knee_extension"), flexion: curveOf("knee_flexion") },
    motion: { shortOfStraightDeg: short !== null && short > 0 ? short : null, bendDeg: newest("knee_bend") },
    machines: (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m),
    ownExercises: (await exercisesOf(ctx)).filter((x) => x.origin !== "catalogue").map((x) => x.exercise),
    goalIds: (story?.goals ?? []).flatMap((g: { goalId: string | null }) => (g.goalId ? [g.goalId] : [])),
    firstTissue: firstTissue(conditions.map((c) => c.condition.id)),
    hipIsMeasured: hip !== null,
    weight: weightOnLeg(bounds),
  };
}
