import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { SWAP_REASON_IDS } from "@/core/selection/swap/swap";
import { swapsOf } from "@/server/choice/swaps";
import { clientEpisode } from "@/server/client/clients";
import { loadingBarred } from "@/server/client/screenings";
import { chooseFacts } from "@/server/facts/choose";
import { DEED_SENTENCES } from "@/words/en/access";
import { PastSwaps } from "./PastSwaps";
import { SwapDesk } from "./SwapDesk";

export const metadata: Metadata = { title: "Swap for today" };

/** Another exercise for today: inside today's tightened limits, with the reason kept. */
export default async function SwapPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { clientId } = await params;
  const asked = await searchParams;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      facts: await chooseFacts(ctx, client),
      barred: await loadingBarred(ctx, client),
      past: await swapsOf(ctx, client.episodeId),
    };
  });
  const { facts, barred } = data;
  const reason = SWAP_REASON_IDS.find((r) => r === asked.why) ?? "taken";
  return (
    <main className="max-w-[1060px] px-6 py-4">
      <h1 className="text-[19px]">Swap for today</h1>
      <p className="quiet mb-3">
        Keeps the muscles, never widens a limit, holds for this session only. The same swap twice running: the
        therapist looks at the plan.
      </p>
      {typeof facts === "string" || barred ? (
        <p className="text-accent">{barred ?? `${facts} A therapist swaps by hand.`}</p>
      ) : (
        <SwapDesk
          clientId={clientId}
          facts={facts}
          planned={typeof asked.planned === "string" ? asked.planned : "lp_horizontal"}
          reason={reason}
          barredByRole={may(actor.role, "swap.take") ? null : DEED_SENTENCES["swap.take"]}
        />
      )}
      <PastSwaps swaps={data.past} locale={actor.locale} />
    </main>
  );
}
