import type { Metadata } from "next";
import { Suspense } from "react";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { clientEpisode } from "@/server/client/clients";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { packedFactsOf } from "@/server/review/facts";
import { plateausOf } from "@/server/review/plateau";
import { Drawing, ReviewLater } from "./ReviewLater";

export const metadata: Metadata = { title: "Review" };

interface Asked {
  clientId: string;
  /** another episode than the open one */
  episode?: string | string[];
  /** what stands beside it */
  beside?: string | string[];
}

/** What an episode led to on one time line. The page comes at once, the facts of years when they are worked out. */
export default async function ReviewPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<Omit<Asked, "clientId">>;
}) {
  const { clientId } = await params;
  const asked = { clientId, ...(await searchParams) };
  await onPage((ctx) => episodesToReview(ctx, clientId));
  return (
    <Suspense fallback={<Drawing />}>
      <Reviewed {...asked} />
    </Suspense>
  );
}

async function Reviewed({ clientId, episode, beside }: Asked) {
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
      plateaus: shown.isOpen ? await plateausOf(ctx, await clientEpisode(ctx, clientId)) : [],
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
