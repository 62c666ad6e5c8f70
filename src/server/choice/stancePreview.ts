import "server-only";
import { changedLimits } from "@/core/bounds/changes";
import { type InForce, inForce } from "@/core/bounds/inForce";
import { draftSession } from "@/core/drafts/draftSession";
import { draftDiff } from "@/core/drafts/schools/draftDiff";
import { EXERCISES, exerciseById } from "@/core/rules/exercises";
import { stanceById } from "@/core/rules/stances";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { rangeSheet } from "@/core/selection/rank/rangeSheet";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { InputError } from "@/core/units/inputError";
import { draftDiffWords } from "@/words/en/plan/draftDiff";
import { type Ctx, mustMay, today } from "../base/context";
import { limitsWith } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { orderSchool, sheetFacts } from "../facts/sheetFacts";
import { limitsUnder } from "../facts/underStance";
import { type Answered, draftFacts } from "./drafts";

/** The visit that drafts are compared for. */
const USUAL_WISH = { place: "gym", minutes: 45 } as const;

/** What choosing a stance would change for this client today, in words: limits, which exercises fit, and the first draft. */
export async function previewStance(
  ctx: Ctx,
  client: ClientEpisode,
  id: string,
  optionId: string,
): Promise<{ limits: string[]; exercises: string[]; draft: string[] }> {
  mustMay(ctx, "client.read");
  const stance = stanceById(id);
  if (!stance?.options.some((o) => o.id === optionId))
    throw new InputError("optionId", { code: "input.choose_answer" });
  const before = await conditionsOf(ctx, client.episodeId);
  if (before.length === 0) return { limits: [], exercises: [], draft: [] };
  const day = today(ctx);
  const was = await limitsWith(ctx, client, before);
  const would = stance.conditionId ? await limitsUnder(ctx, client, before, stance.id, optionId) : was;
  const draft = draftDiff(
    await draftUnder(ctx, client, inForce(was, day), null),
    await draftUnder(ctx, client, inForce(would, day), { id, optionId }),
  );
  return {
    limits: changedLimits(was, would, day),
    exercises: changedExercises(inForce(was, day), inForce(would, day)),
    draft: draftDiffWords(draft, (x) => exerciseById(x)?.name ?? x),
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
