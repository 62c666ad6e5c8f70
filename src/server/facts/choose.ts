import "server-only";
import type { Body } from "@/core/body/segments";
import type { InForce } from "@/core/bounds/inForce";
import { newestOf } from "@/core/measure/findings";
import type { Exercise } from "@/core/rules/exercises";
import type { MeasuredMotion } from "@/core/selection/fit/allowedArc";
import { type WeightOnLeg, weightOnLeg } from "@/core/selection/fit/weightOnLeg";
import type { LaterLimits } from "@/core/selection/rank/rangeSheet";
import { type GymMachine, withMeasuredHip } from "@/core/selection/setUp/machineFor";
import type { RepetitionTest } from "@/core/selection/setUp/repetitionTest";
import { type StartCap, startCapOf } from "@/core/selection/setUp/startCap";
import type { KnownStrength } from "@/core/selection/setUp/strengthKnown";
import { firstTissue } from "@/core/selection/tissue/firstTissue";
import type { Tissue } from "@/core/selection/tissue/tissues";
import { fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { testsForCurve } from "@/core/strength/testsForCurve";
import type { KneeMovement } from "@/core/strength/torqueAngleShape";
import { type UntestedPerson, untestedStrength } from "@/core/strength/untestedStrength";
import type { Ctx } from "../base/context";
import { boundsOf, laterBoundsOf, noRuleFor } from "../bounds/limits";
import { ageYearsOf, bodyOf, type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { conditionsOf, type EpisodeCondition } from "../client/conditions";
import { exercisesOf } from "../clinic/exercises";
import { machinesOf } from "../clinic/machines";
import { testsOf } from "../measure/measurements";
import { measurementsOf } from "../measure/otherMeasurements";
import { motionOf } from "./windows";

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
  startCap: StartCap;
  repetitionTests: RepetitionTest[];
  hasBackProblem: boolean;
}

/** The facts, or the sentence why nothing can be chosen by rule. */
export async function chooseFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts | string> {
  return (await noRuleFor(ctx, client)) ?? knownFacts(ctx, client);
}

/** What is known of a client and the gym, also where no rule of the base chooses for them. */
export async function knownFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts> {
  const bounds = await boundsOf(ctx, client);
  const tests = (await testsOf(ctx, client.episodeId)).filter((t) => t.side === client.side);
  const measured = await measurementsOf(ctx, client.episodeId);
  const newest = (kind: Parameters<typeof newestOf>[1]) =>
    newestOf(measured, kind, client.side)?.value ?? null;
  const curveOf = (movement: KneeMovement) => {
    const own = testsForCurve(tests.filter((t) => t.movement === movement));
    return own.length ? fitTorqueAngle(movement, own) : null;
  };
  const hip = newest("hip_bend");
  const body = withMeasuredHip(bodyOf(client), hip);
  const [story] = await ctx.tx`
    select goals, rises, climbs, is_inactive, pain_worst from episode where id = ${client.episodeId}`;
  const conditions = await conditionsOf(ctx, client.episodeId);
  return {
    limits: bounds,
    later: await laterBoundsOf(ctx, client),
    body,
    strength: {
      extension: curveOf("knee_extension"),
      flexion: curveOf("knee_flexion"),
      hipExtensionNm: tests.find((t) => t.movement === "hip_extension")?.torqueNm ?? null,
      estimate: untestedStrength(
        body,
        untestedPerson(ctx, client, conditions, {
          rises: story?.rises ?? null,
          climbs: story?.climbs ?? null,
          isInactive: story?.is_inactive ?? null,
          risesByTest: measured.some(
            (m) => m.kind === "sit_to_stand_30s" && m.value > 0 && m.armsUsed === false,
          ),
        }),
      ),
    },
    motion: await motionOf(ctx, client),
    machines: (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m),
    ownExercises: (await exercisesOf(ctx)).filter((x) => x.origin !== "catalogue").map((x) => x.exercise),
    goalIds: (story?.goals ?? []).flatMap((g: { goalId: string | null }) => (g.goalId ? [g.goalId] : [])),
    firstTissue: firstTissue(conditions.map((c) => c.condition.id)),
    hipIsMeasured: hip !== null,
    weight: weightOnLeg(bounds),
    startCap: startCapOf({
      irritability: client.irritability,
      isPostOp: client.school === "post_op",
      painAtRest: client.usualPain,
      painAtWorst: story?.pain_worst ?? null,
    }),
    repetitionTests: await repetitionTests(ctx, client),
    hasBackProblem: conditions.some((c) => c.condition.main_region === "lumbar"),
  };
}

/** Conditions that weaken what nobody tested (corrections K2). */
const ARTHRITIS = new Set(["knee_oa", "hip_oa"]);
const FRONT_PAIN = new Set(["pfp", "extensor_tendinopathy"]);

/** Who somebody is, for the strength that stands in where nothing was tested. */
function untestedPerson(
  ctx: Ctx,
  client: ClientEpisode,
  conditions: readonly EpisodeCondition[],
  story: {
    rises: string | null;
    climbs: string | null;
    isInactive: boolean | null;
    risesByTest: boolean;
  },
): UntestedPerson {
  const ids = conditions.map((c) => c.condition.id);
  return {
    ageYears: ageYearsOf(ctx, client),
    normSex: client.normSex,
    has: {
      arthritis: ids.some((id) => ARTHRITIS.has(id)),
      kneecapOrTendonPain: ids.some((id) => FRONT_PAIN.has(id)),
      back: conditions.some((c) => c.condition.main_region === "lumbar"),
      longInactivity: story.isInactive === true || ids.includes("deconditioning"),
    },
    weeksAfterSurgery: weeksAfterSurgery(ctx, client),
    daily: { chair: story.rises === "yes" || story.risesByTest, stairs: story.climbs === "yes" },
  };
}

/** The newest repetition test of each machine, of both legs or of this side. */
async function repetitionTests(ctx: Ctx, client: ClientEpisode): Promise<RepetitionTest[]> {
  const found: RepetitionTest[] = [];
  for (const m of await measurementsOf(ctx, client.episodeId)) {
    if (m.kind !== "repetition_test" || !m.apparatus || m.reps === null || m.reserve === null) continue;
    const twoLegs = m.twoLegs ?? false;
    if (!twoLegs && m.side !== client.side) continue;
    if (found.some((f) => f.machineName === m.apparatus && f.twoLegs === twoLegs)) continue;
    found.push({
      machineName: m.apparatus,
      twoLegs,
      loadKg: m.value,
      reps: m.reps,
      reserve: m.reserve,
      takenOn: m.takenOn,
    });
  }
  return found;
}
