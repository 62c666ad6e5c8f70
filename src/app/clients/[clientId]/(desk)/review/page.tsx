import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { packedFactsOf } from "@/server/review/facts";
import { ReviewLater } from "./ReviewLater";

export const metadata: Metadata = { title: "Review" };

/** What an episode led to on one time line; `episode` names another one than the open one, `beside` a second. */
export default async function ReviewPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { clientId } = await params;
  const { episode, beside } = await searchParams;
  const { actor, data } = await onPage(async (ctx) => {
    const episodes = await episodesToReview(ctx, clientId);
    const shown = episodes.find((e) => e.episodeId === episode) ?? (episodes[0] as PastEpisode);
    const other = episodes.find((e) => e.episodeId === beside && e !== shown);
    return {
      episodes: episodes.map((e) => ({
        id: e.episodeId,
        words: `${e.condition}, ${e.side}`,
        beganOn: e.beganOn,
        isOpen: e.isOpen,
      })),
      shown: { id: shown.episodeId, packed: await packedFactsOf(ctx, shown) },
      other: other
        ? {
            id: other.episodeId,
            words: `${other.condition}, ${other.side}`,
            packed: await packedFactsOf(ctx, other),
          }
        : null,
    };
  });
  return (
    <ReviewLater
      key={data.shown.id}
      clientId={clientId}
      locale={actor.locale}
      mayTakeOut={may(actor.role, "export.client")}
      {...data}
    />
  );
}
