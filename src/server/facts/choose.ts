import "server-only";
import type { Body } from "@/core/body/segments";
import type { InForce } from "@/core/bounds/inForce";
import { personalFactor } from "@/core/isometrics/personalFactor";
import { newestOf } from "@/core/measure/findings";
import type { Exercise } from "@/core/rules/exercises";
import type { MeasuredMotion } from "@/core/selection/fit/allowedArc";
import { type WeightOnLeg, weightOnLeg } from "@/core/selection/fit/weightOnLeg";
import type { LaterLimits } from "@/core/selection/rank/rangeSheet";
import { type GymMachine, withMeasuredHip } from "@/core/selection/setUp/machineFor";
import { type StartCap, startCapOf } from "@/core/selection/setUp/startCap";
import type { KnownStrength } from "@/core/selection/setUp/strengthKnown";
import { firstTissue } from "@/core/selection/tissue/firstTissue";
import type { Tissue } from "@/core/selection/tissue/tissues";
import type { UntestedPerson } from "@/core/strength/untestedStrength";
import type { Ctx } from "../base/context";
import { boundsOf, laterBoundsOf, noRuleFor } from "../bounds/limits";
import { ageYearsOf, bodyOf, type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { conditionsOf, type EpisodeCondition } from "../client/conditions";
import { exercisesOf } from "../clinic/exercises";
import { machinesOf } from "../clinic/machines";
import { timedHolds } from "../history/past";
import { measurementsOf } from "../measure/otherMeasurements";
import { knownStrength } from "./strength";
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
  hasBackProblem: boolean;
}

/** The facts, or the sentence why nothing can be chosen by rule. */
export async function chooseFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts | string> {
  return (await noRuleFor(ctx, client)) ?? knownFacts(ctx, client);
}

/** What is known of a client and the gym, also where no rule of the base chooses for them. */
export async function knownFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts> {
  const bounds = await boundsOf(ctx, client);
  const measured = await measurementsOf(ctx, client.episodeId);
  const newest = (kind: Parameters<typeof newestOf>[1]) =>
    newestOf(measured, kind, client.side)?.value ?? null;
  const hip = newest("hip_bend");
  const body = withMeasuredHip(bodyOf(client), hip);
  const [story] = await ctx.tx`
    select goals, rises, climbs, is_inactive, pain_worst from episode where id = ${client.episodeId}`;
  const conditions = await conditionsOf(ctx, client.episodeId);
  const machines = (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m);
  return {
    limits: bounds,
    later: await laterBoundsOf(ctx, client),
    body,
    strength: await knownStrength(ctx, client, {
      body,
      person: untestedPerson(ctx, client, conditions, {
        rises: story?.rises ?? null,
        climbs: story?.climbs ?? null,
        isInactive: story?.is_inactive ?? null,
        risesByTest: measured.some(
          (m) => m.kind === "sit_to_stand_30s" && m.value > 0 && m.armsUsed === false,
        ),
      }),
      machines,
      storyOn: client.storyOn,
      k: personalFactor("knee", await timedHolds(ctx, client.episodeId)).k,
    }),
    motion: await motionOf(ctx, client),
    machines,
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
