import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { withOwn } from "@/core/rules/exercises";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import { machineFor } from "@/core/selection/setUp/machineFor";
import { cardsOf } from "@/server/choice/cards";
import { bodyOf, clientEpisode } from "@/server/client/clients";
import { exercisesOf } from "@/server/clinic/exercises";
import { machinesOf } from "@/server/clinic/machines";
import { Link } from "@/ui/Link";
import { LEGS_SHARE } from "@/words/en/plan/setUp";
import { Card } from "./Card";
import { PrintButton } from "./PrintButton";

export const metadata: Metadata = { title: "Set-up cards" };

/** The client's set-up cards, one an exercise: on the floor's wall or printed. */
export default async function CardsPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const own = (await exercisesOf(ctx)).filter((x) => x.origin !== "catalogue").map((x) => x.exercise);
    return {
      client,
      body: bodyOf(client),
      cards: await cardsOf(ctx, client.episodeId),
      machines: await machinesOf(ctx),
      own,
    };
  });
  const exercises = withOwn(data.own);
  return (
    <main className="px-6 py-4">
      <div className="flex items-baseline justify-between">
        <h1 className="text-[19px]">
          Set-up cards <span className="quiet text-[15px] font-normal">{data.client.name}</span>
        </h1>
        {data.cards.length > 0 && <PrintButton />}
      </div>
      {data.cards.length === 0 && (
        <p className="mt-2">
          No card yet. Pick an exercise in{" "}
          <Link className="underline" href={`/clients/${clientId}/choose`}>
            Choose
          </Link>
          , set the machine up, and save it as a card.
        </p>
      )}
      <div className="mt-2 grid grid-cols-2 gap-x-8 print:grid-cols-1">
        {data.cards.map((c) => {
          const e = exercises.find((x) => x.id === c.exerciseId);
          const use = e && exerciseUse(e);
          if (!e || !use) return null;
          // the family itself stays on this side: it is code, not data
          const { machine, id } = machineFor(use, data.machines, c.machineId);
          return (
            <Card
              key={c.exerciseId}
              name={e.name}
              legs={LEGS_SHARE[use.legs]}
              chosen={{ machine, id }}
              use={use}
              card={c}
              body={data.body}
              locale={actor.locale}
              massUnit={actor.massUnit}
            />
          );
        })}
      </div>
    </main>
  );
}
