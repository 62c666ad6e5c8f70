import "server-only";
import type { Body } from "@/core/body/segments";
import type { InForce } from "@/core/bounds/inForce";
import { leading } from "@/core/drafts/leading";
import { type Exercise, withOwn } from "@/core/rules/exercises";
import type { MeasuredMotion } from "@/core/selection/fit/allowedArc";
import { type WeightOnLeg, weightOnLeg } from "@/core/selection/fit/weightOnLeg";
import type { LaterLimits } from "@/core/selection/rank/rangeSheet";
import type { AidsKnown } from "@/core/selection/setUp/aid";
import type { GymMachine } from "@/core/selection/setUp/machineFor";
import { type StartCap, startCapOf } from "@/core/selection/setUp/startCap";
import type { KnownStrength } from "@/core/selection/setUp/strengthKnown";
import { firstTissue } from "@/core/selection/tissue/firstTissue";
import type { Tissue } from "@/core/selection/tissue/tissues";
import type { PainfulArc } from "@/core/strength/painfulArc";
import type { Ctx } from "../base/context";
import { boundsOf, laterBoundsOf, noRuleFor } from "../bounds/limits";
import { type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { exercisesOf } from "../clinic/exercises";
import { machinesOf } from "../clinic/machines";
import { aidsOf } from "../history/aids";
import { painfulArcsOf } from "../measure/otherMeasurements";
import { legKnown } from "./legs";
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
  painfulArcs: PainfulArc[];
  /** what is planned to be worn and held */
  aids: AidsKnown;
  goalIds: string[];
  firstTissue: Tissue;
  weight: WeightOnLeg;
  startCap: StartCap;
  hasBackProblem: boolean;
  isAlone: boolean;
  /** what leads the treatment is the back */
  isOfTheBack: boolean;
  /** operated within half a year, or easily stirred up */
  isCareful: boolean;
}

/** The facts, or the sentence why nothing can be chosen by rule. */
export async function chooseFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts | string> {
  return (await noRuleFor(ctx, client)) ?? knownFacts(ctx, client);
}

/** So long after surgery the easiest forms of what a goal asks for come first [own]. */
const CAREFUL_WEEKS = 26;

/** What is known of a client and the gym, also where no rule of the base chooses for them. */
export async function knownFacts(ctx: Ctx, client: ClientEpisode): Promise<ChooseFacts> {
  const bounds = await boundsOf(ctx, client);
  const weeks = weeksAfterSurgery(ctx, client);
  const { body, strength } = await legKnown(ctx, client);
  const [story] =
    await ctx.tx`select goals, pain_worst, is_alone from episode where id = ${client.episodeId}`;
  const conditions = await conditionsOf(ctx, client.episodeId);
  const ownExercises = (await exercisesOf(ctx))
    .filter((x) => x.origin !== "catalogue")
    .map((x) => x.exercise);
  const machines = (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m);
  return {
    limits: bounds,
    later: await laterBoundsOf(ctx, client),
    body,
    strength,
    motion: await motionOf(ctx, client),
    painfulArcs: await painfulArcsOf(ctx, client),
    aids: await aidsOf(
      ctx,
      client.episodeId,
      withOwn(ownExercises).map((e) => e.id),
    ),
    machines,
    ownExercises,
    goalIds: (story?.goals ?? []).flatMap((g: { goalId: string | null }) => (g.goalId ? [g.goalId] : [])),
    firstTissue: firstTissue(conditions.map((c) => c.condition.id)),
    weight: weightOnLeg(bounds),
    startCap: startCapOf({
      irritability: client.irritability,
      isPostOp: client.school === "post_op",
      painAtRest: client.usualPain,
      painAtWorst: story?.pain_worst ?? null,
    }),
    isCareful: (weeks !== null && weeks < CAREFUL_WEEKS) || client.irritability === "high",
    isOfTheBack: leading(conditions)?.condition.main_region === "lumbar",
    isAlone: story?.is_alone === true,
    hasBackProblem: conditions.some((c) => c.condition.main_region === "lumbar"),
  };
}
