import type { Metadata } from "next";
import Link from "next/link";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/safety/roles";
import { chairRise } from "@/core/selection/tissues";
import { chooseFacts } from "@/server/choose";
import { clientEpisode } from "@/server/clients";
import { planningBarred } from "@/server/plans";
import { schemeFactsFor, scoresOf } from "@/server/sessionScores";
import { SessionDesk } from "./SessionDesk";

export const metadata: Metadata = { title: "Session" };

/** The session as a score: exercises in order under the rail, each with how it is done. */
export default async function SessionPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      facts: await chooseFacts(ctx, client),
      known: await schemeFactsFor(ctx, client),
      barred: await planningBarred(ctx, client),
      scores: await scoresOf(ctx, client.episodeId),
    };
  });
  const { facts, scores } = data;
  const chair = typeof facts === "string" ? null : chairRise(facts.body);
  if (typeof facts === "string" || !chair)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">A session cannot be drafted</h1>
        <p className="mt-2 max-w-[70ch]">
          {typeof facts === "string" ? facts : "A usual chair is out of the model's reach for this body."}{" "}
          Plan by hand inside the written limits; holds are dosed under{" "}
          <Link className="underline" href={`/clients/${clientId}/dose`}>
            Dose
          </Link>
          .
        </p>
      </main>
    );
  const newest = scores[0];
  return (
    <SessionDesk
      key={newest?.version ?? 0}
      clientId={clientId}
      facts={facts}
      chair={chair}
      known={data.known}
      barred={data.barred}
      saved={newest ? { version: newest.version, items: newest.items, by: newest.by } : null}
      mayWrite={may(actor.role, "plan.write")}
    />
  );
}
