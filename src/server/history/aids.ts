import "server-only";
import {
  type Aid,
  type AidsKnown,
  aidKey,
  type Help,
  type Worn,
  type WornFacts,
  wornAt,
} from "@/core/selection/setUp/aid";
import { type Ctx, once } from "../base/context";
import { practiceFor } from "../client/stances";
import { stands } from "./records";

/** What a client wears at work, as floor, phone and papers say it: by the newest set-up card of an exercise, else the story. */
export const wornFacts = (ctx: Ctx, episodeId: string): Promise<WornFacts> =>
  once(ctx, `worn ${episodeId}`, async () => {
    const [story] = await ctx.tx`select support from episode where id = ${episodeId}`;
    const cards = await ctx.tx<{ exercise_id: string; support: Worn }[]>`
      select distinct on (exercise_id) exercise_id, support from set_up_card
      where episode_id = ${episodeId} order by exercise_id, version desc`;
    return {
      byCard: Object.fromEntries(cards.map((c) => [c.exercise_id, c.support])),
      usual: story?.support ?? "none",
      isBare: (await practiceFor(ctx, episodeId)).isBare,
    };
  });

/** What was held on to when an exercise was last done: it is planned again until it is taken away. */
async function helpLast(ctx: Ctx, episodeId: string): Promise<Readonly<Record<string, Help>>> {
  const rows = await ctx.tx<{ exercise_id: string; help: Help }[]>`
    select distinct on (r.exercise_id) r.exercise_id, r.help
    from set_record r join visit v on v.id = r.visit_id
    where v.episode_id = ${episodeId} and ${stands(ctx)}
    order by r.exercise_id, r.started_at desc, r.id`;
  return Object.fromEntries(rows.map((r) => [r.exercise_id, r.help]));
}

/** What is planned to be worn and held in an exercise. Rule Aid 1. */
export const plannedAid = (ctx: Ctx, episodeId: string): Promise<(exerciseId: string) => Aid> =>
  once(ctx, `aid ${episodeId}`, async () => {
    const [worn, help] = await Promise.all([wornFacts(ctx, episodeId), helpLast(ctx, episodeId)]);
    return (id) => ({ worn: wornAt(worn, id), help: help[id] ?? "none" });
  });

/** The same as plain data for the page, for these exercises and any other. */
export async function aidsOf(
  ctx: Ctx,
  episodeId: string,
  exerciseIds: readonly string[],
): Promise<AidsKnown> {
  const of = await plannedAid(ctx, episodeId);
  return Object.fromEntries(
    exerciseIds.flatMap((id) => {
      const key = aidKey(of(id));
      return key === "" ? [] : [[id, key]];
    }),
  );
}
