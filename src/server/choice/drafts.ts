import "server-only";
import { costOf } from "@/core/demand/cost";
import { USUAL_CHAIR, USUAL_STAIR } from "@/core/demand/goalTasks";
import type { Task } from "@/core/demand/tasks";
import type { DraftFacts } from "@/core/drafts/draftFacts";
import { leading } from "@/core/drafts/leading";
import { aimedMuscles } from "@/core/drafts/person/aimed";
import { isFrail } from "@/core/drafts/person/frailty";
import { notYetOf } from "@/core/drafts/person/notYet";
import { painSitesOf } from "@/core/drafts/person/painSites";
import { swellingTrend } from "@/core/drafts/person/swellingTrend";
import { weakGroups, withGap } from "@/core/drafts/person/weakGroups";
import { recipeOf } from "@/core/drafts/recipe";
import { newestOf } from "@/core/measure/findings";
import { largestGap } from "@/core/measure/goalNeeds";
import { shortReach } from "@/core/measure/shortReach";
import { stanceId } from "@/core/rules/stances";
import { curveCan } from "@/core/selection/setUp/strengthKnown";
import { lowerFirst } from "@/core/units/lowerFirst";
import { sayPlainly } from "@/words/say";
import { type Ctx, dayOf, today } from "../base/context";
import { ageYearsOf, type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { screeningsOf } from "../client/screenings";
import { generalAnswers } from "../client/stances";
import { storyOf } from "../client/story";
import { legKnown } from "../facts/legs";
import { painSentence } from "../facts/pain";
import { visitsDone } from "../history/past";
import { recentVisits } from "../history/visits";
import { goalNeeds } from "../measure/goalNeeds";
import { testsOf } from "../measure/measurements";
import { findingsOnFile, measurementsOf, painfulArcsOf } from "../measure/otherMeasurements";

/** Days a week where nobody was asked. */
const USUAL_DAYS = 3;

/** One question of schools, answered otherwise than it is. */
export interface Answered {
  id: string;
  optionId: string;
}

/** What a first draft is made from, or the sentence why none is made today. */
export async function draftFacts(
  ctx: Ctx,
  client: ClientEpisode,
  answered: Answered | null = null,
): Promise<DraftFacts | string> {
  const first = leading(await conditionsOf(ctx, client.episodeId));
  if (!first) return "No condition of the rules is named in Story: add exercises by hand.";
  const pain = await painSentence(ctx, client);
  if (pain) return `No draft today. ${sayPlainly(pain)}`;
  const trend = client.swellingApplies ? swellingTrend(await swellings(ctx, client), today(ctx)) : "not_more";
  if (trend === "two_more")
    return "No draft today: the knee is two grades more swollen than before. This leg is not trained; the therapist or a physician looks at it now.";
  const story = await storyOf(ctx, client);
  // the goal that is hardest to do now comes first
  const goals = [...story.goals].sort((a, b) => b.hard - a.hard).flatMap((g) => g.goalId ?? []);
  const schools = await schoolsOf(ctx, client, answered);
  const settled = {
    conditionId: first.condition.id,
    phaseId: first.phase.id,
    variantId: first.variantId,
    choices: choicesOf(first.condition.id, schools),
  };
  const recipe = recipeOf(settled, goals);
  if (!recipe) return "The rules have no first draft for this phase: add exercises by hand.";
  const [screening] = await screeningsOf(ctx, client.episodeId);
  const ageYears = ageYearsOf(ctx, client);
  const gap = largestGap(await goalNeeds(ctx, { ...client, goals: story.goals, ageYears }));
  const weak = weakGroups(await testsOf(ctx, client.episodeId), client.side);
  return {
    variantId: first.variantId,
    recipe,
    stage: first.phase.stage,
    aimed: aimedMuscles([first.condition.main_region], withGap(weak, gap)),
    daysAWeek: story.weekdays.length || USUAL_DAYS,
    isOfTheBack: first.condition.main_region === "lumbar",
    painSites: painSitesOf(story.painMarks),
    painfulArcs: await painfulArcsOf(ctx, client),
    schools,
    notYet: await notYet(ctx, client, story),
    swellingIsUp: trend === "one_more",
    weak,
    gap,
    shortReach: shortReach(await measurementsOf(ctx, client.episodeId), client.side).map((r) => r.stretchId),
    isFrail: isFrail({
      ageYears,
      normSex: client.normSex,
      rises:
        newestOf(await measurementsOf(ctx, client.episodeId), "sit_to_stand_30s", client.side)?.value ?? null,
    }),
    pressureIsKnown: screening !== undefined && screening.systolicMmHg !== null,
    isFirstVisit: (await visitsDone(ctx, client.episodeId, 1)) === 0,
    weeksAfterSurgery: weeksAfterSurgery(ctx, client),
    bodyMassKg: client.bodyMassKg,
    unconfirmed: first.isConfirmed ? null : lowerFirst(first.phase.name),
  };
}

/** The answers in force, general and of the conditions, by the question's id. */
async function schoolsOf(
  ctx: Ctx,
  client: ClientEpisode,
  answered: Answered | null,
): Promise<Record<string, string>> {
  const own = (await conditionsOf(ctx, client.episodeId)).flatMap((c) =>
    Object.entries(c.choices).map(([school, option]) => [stanceId(c.condition.id, school), option] as const),
  );
  return {
    ...(await generalAnswers(ctx, client.episodeId)),
    ...Object.fromEntries(own),
    ...(answered && { [answered.id]: answered.optionId }),
  };
}

/** Those of one condition, by its own names. */
const choicesOf = (conditionId: string, schools: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(schools).flatMap(([id, option]) =>
      id.startsWith(`${conditionId}.`) ? [[id.slice(conditionId.length + 1), option] as const] : [],
    ),
  );

/** What is not done alone yet: as told in Story, else by what it would take of the leg. Rule K17. */
async function notYet(
  ctx: Ctx,
  client: ClientEpisode,
  told: Parameters<typeof notYetOf>[0],
): Promise<DraftFacts["notYet"]> {
  const { body, strength, does } = await legKnown(ctx, client);
  const can = curveCan(strength, "extension");
  const cost = (task: Task) => costOf(body, task, can, does).percent;
  return notYetOf(told, { chair: cost(USUAL_CHAIR), stairs: cost(USUAL_STAIR) });
}

/** Every grade on file: of the story, measured, and of the mornings. */
async function swellings(ctx: Ctx, client: ClientEpisode): Promise<{ on: string; grade: number }[]> {
  const measured = (await findingsOnFile(ctx, client))
    .filter((m) => m.kind === "swelling" && (m.side === null || m.side === client.side))
    .map((m) => ({ on: m.takenOn, grade: m.value }));
  const mornings = (await recentVisits(ctx, client.episodeId)).flatMap((s) =>
    s.morning && s.morning.swelling !== null
      ? [{ on: dayOf(ctx, s.morning.enteredAt), grade: s.morning.swelling }]
      : [],
  );
  return [...measured, ...mornings];
}
