import "server-only";
import { leading } from "@/core/drafts/leading";
import { aimedMuscles } from "@/core/drafts/person/aimed";
import { weakGroups } from "@/core/drafts/person/weakGroups";
import type { Stage } from "@/core/rules/conditions";
import { withOwn } from "@/core/rules/exercises";
import type { ByMuscle, Muscle } from "@/core/schedule/balance";
import { kindOfSheet, USUAL_TIMES } from "@/core/schedule/block/sheetKind";
import type { ShortFor } from "@/core/sheet/draft/shortForm";
import { type MuscleCredits, muscleCreditsOf } from "@/core/sheet/effect/muscleCredits";
import { effectiveSets } from "@/core/sheet/schemes/effectiveSets";
import { type Ctx, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { storyOf } from "../client/story";
import { exercisesOf } from "../clinic/exercises";
import { corridorOn, soreOf } from "../facts/tissueRoom";
import { testsOf } from "../measure/measurements";
import { type SheetVersion, sheetsOf } from "../versions/sheets";
import { blockOf } from "./blocks";
import { usualWishes } from "./wishes";

/** What a week of effective sets is held against: what the phase is for, and the muscle groups that it is for first. */
export interface SetAim {
  stage: Stage;
  aimed: Muscle[];
}

/** The stage of the condition that leads; null where no condition of the rules is named. Rule D1. */
export async function setAimOf(ctx: Ctx, client: ClientEpisode): Promise<SetAim | null> {
  const first = leading(await conditionsOf(ctx, client.episodeId));
  if (!first) return null;
  const weak = weakGroups(await testsOf(ctx, client.episodeId), client.side);
  return { stage: first.phase.stage, aimed: aimedMuscles([first.condition.main_region], weak) };
}

/** What a day is made short for. Rules W2, W4. */
export const shortForOf = async (ctx: Ctx, client: ClientEpisode): Promise<ShortFor> => ({
  aimed: (await setAimOf(ctx, client))?.aimed ?? [],
  sore: await soreOf(ctx, client),
  mostTissue: (await corridorOn(ctx, client, today(ctx))).most,
});

/** What effective sets are to muscle groups, those of the clinic's own exercises too. */
export const muscleCredits = async (ctx: Ctx): Promise<MuscleCredits> =>
  muscleCreditsOf(withOwn((await exercisesOf(ctx)).map((x) => x.exercise)));

/** What else a week gives beside one sheet, and how often that one is planned. */
export interface WeekAround {
  times: number;
  others: ByMuscle;
}

/** The days a week of a sheet (null: a new one) and what the other sheets give on theirs: as planned or as usual, and as the client is free. */
export async function weekAround(
  ctx: Ctx,
  client: ClientEpisode,
  sheetId: string | null,
): Promise<WeekAround> {
  const week = (await blockOf(ctx, client.episodeId)) ?? usualWishes(ctx, await storyOf(ctx, client));
  const free = week.minutes.map((m) => m > 0);
  const days = (s: Pick<SheetVersion, "place">) =>
    free.filter((isFree, i) => isFree && (s.place !== "gym" || week.gym[i])).length;
  const { credit } = await muscleCredits(ctx);
  let times = Math.min(USUAL_TIMES.strength.times, days({ place: "gym" }));
  const work: { exerciseId: string; sets: number }[] = [];
  for (const s of await sheetsOf(ctx, client.episodeId)) {
    const kept = s.lines.flatMap((l) => (l.kept ? [l.kept] : []));
    const own = Math.min(days(s), week.wishes[s.sheetId]?.times ?? USUAL_TIMES[kindOfSheet(kept)].times);
    if (s.sheetId === sheetId) times = own;
    else work.push(...kept.map((l) => ({ exerciseId: l.exerciseId, sets: own * effectiveSets(l) })));
  }
  return { times, others: credit(work) };
}
