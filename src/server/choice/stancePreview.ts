import "server-only";
import { changedLimits } from "@/core/bounds/changes";
import { type InForce, inForce } from "@/core/bounds/inForce";
import { draftSession } from "@/core/drafts/draftSession";
import { draftDiff } from "@/core/drafts/schools/draftDiff";
import { practiceOf } from "@/core/drafts/schools/practice";
import { type PracticeFacts, practiceDiff } from "@/core/drafts/schools/practiceDiff";
import { EXERCISES, exerciseById } from "@/core/rules/exercises";
import { stanceById } from "@/core/rules/stances";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { rangeSheet } from "@/core/selection/rank/rangeSheet";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { InputError } from "@/core/units/inputError";
import { draftDiffWords } from "@/words/en/plan/draftDiff";
import { practiceWords } from "@/words/en/plan/practice";
import { type Ctx, mustMay, today } from "../base/context";
import { limitsWith } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { generalAnswers } from "../client/stances";
import { orderSchool, sheetFacts } from "../facts/sheetFacts";
import { limitsUnder } from "../facts/underStance";
import { wornFacts } from "../history/aids";
import { lastSoreness } from "../history/soreness";
import { type Answered, draftFacts } from "./drafts";

/** The visit that drafts are compared for. */
const USUAL_WISH = { place: "gym", minutes: 45 } as const;

/** What choosing a stance would change for this client today, in words: limits, which exercises fit, the first draft, what is looked for. */
export async function previewStance(
  ctx: Ctx,
  client: ClientEpisode,
  id: string,
  optionId: string,
): Promise<{ limits: string[]; exercises: string[]; draft: string[]; practice: string[] }> {
  mustMay(ctx, "client.read");
  const stance = stanceById(id);
  if (!stance?.options.some((o) => o.id === optionId))
    throw new InputError("optionId", { code: "input.choose_answer" });
  const before = await conditionsOf(ctx, client.episodeId);
  if (before.length === 0) return { limits: [], exercises: [], draft: [], practice: [] };
  const day = today(ctx);
  const was = await limitsWith(ctx, client, before);
  const would = stance.conditionId ? await limitsUnder(ctx, client, before, stance.id, optionId) : was;
  const answers = await generalAnswers(ctx, client.episodeId);
  const drafted = await draftUnder(ctx, client, inForce(was, day), null);
  const draft = draftDiff(drafted, await draftUnder(ctx, client, inForce(would, day), { id, optionId }));
  return {
    limits: changedLimits(was, would, day),
    exercises: changedExercises(inForce(was, day), inForce(would, day)),
    draft: draftDiffWords(draft, nameOf),
    practice: practiceDiff(
      practiceOf(answers),
      practiceOf({ ...answers, [id]: optionId }),
      await practiceFacts(ctx, client, drafted),
    ).map((c) => practiceWords(c, nameOf)),
  };
}

const nameOf = (id: string): string => exerciseById(id)?.name ?? id;

async function practiceFacts(
  ctx: Ctx,
  client: ClientEpisode,
  drafted: readonly ScoreLine[],
): Promise<PracticeFacts> {
  return {
    worn: await wornFacts(ctx, client.episodeId),
    last: await lastSoreness(ctx, client.episodeId),
    exercises: drafted.flatMap((l) => exerciseById(l.exerciseId) ?? []),
  };
}

/** Today's first draft if a question were answered so; none where none is made. */
async function draftUnder(
  ctx: Ctx,
  client: ClientEpisode,
  limits: InForce,
  answered: Answered | null,
): Promise<ScoreLine[]> {
  const drafted = await draftFacts(ctx, client, answered);
  if (typeof drafted === "string") return [];
  const facts = await sheetFacts(ctx, client);
  const context = scoreContextOf({ ...facts, choose: { ...facts.choose, limits } });
  const school = await orderSchool(ctx, client.episodeId, answered);
  return draftSession(drafted, rangeSheet(context.sheet), context, USUAL_WISH, school).lines;
}

type Fit = Parameters<typeof fitExercise>[1];

function changedExercises(before: Fit, after: Fit): string[] {
  return EXERCISES.flatMap((e) => {
    const [a, b] = [fitExercise(e, before).status, fitExercise(e, after).status];
    return a === b ? [] : [`${e.name}: ${a} → ${b}`];
  });
}
