import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { chairRise } from "@/core/selection/tissue/tissues";
import { cardsOf } from "@/server/choice/cards";
import { clientEpisode } from "@/server/client/clients";
import { chooseFacts } from "@/server/facts/choose";
import { ChooseDesk } from "./ChooseDesk";

export const metadata: Metadata = { title: "Choose" };

/** Every exercise over the knee's angles, set so that they can be compared; barred ones below, each with its reasons. */
export default async function ChoosePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      facts: await chooseFacts(ctx, client),
      cards: await cardsOf(ctx, client.episodeId),
    };
  });
  const { facts } = data;
  const chair = typeof facts === "string" ? null : chairRise(facts.body);
  if (typeof facts === "string" || !chair)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">What fits this knee cannot be worked out</h1>
        <p className="mt-2 max-w-[70ch]">
          {typeof facts === "string" ? facts : "A usual chair is out of the model's reach for this body."}{" "}
          Choose by hand inside the written limits; nothing is offered here.
        </p>
      </main>
    );
  return (
    <ChooseDesk
      clientId={clientId}
      facts={facts}
      chair={chair}
      cards={data.cards.map((c) => ({ exerciseId: c.exerciseId, version: c.version }))}
      mayWriteCard={may(actor.role, "card.write")}
      mayPlan={may(actor.role, "plan.write")}
      massUnit={actor.massUnit}
    />
  );
}
