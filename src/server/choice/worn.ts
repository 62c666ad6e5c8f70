import "server-only";
import type { WornFacts } from "@/core/visit/worn";
import type { Ctx } from "../base/context";
import { cardsOf } from "./cards";

/** What a client wears at work, as floor, phone and papers say it. */
export async function wornFacts(ctx: Ctx, episodeId: string): Promise<WornFacts> {
  const [story] = await ctx.tx`select support from episode where id = ${episodeId}`;
  const cards = await cardsOf(ctx, episodeId);
  return {
    byCard: Object.fromEntries(cards.map((c) => [c.exerciseId, c.support])),
    usual: story?.support ?? "none",
  };
}
