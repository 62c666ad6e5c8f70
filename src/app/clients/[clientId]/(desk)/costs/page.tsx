import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { dailyCosts } from "@/server/review/costs";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { Link } from "@/ui/Link";
import { CostRow } from "./CostRow";

export const metadata: Metadata = { title: "Daily life" };

/** What daily life takes of this leg, today and as it grew stronger; the client's own goals first. */
export default async function CostsPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const [episode] = await episodesToReview(ctx, clientId);
    return dailyCosts(ctx, episode as PastEpisode);
  });
  const { side, isGuess, costs } = data;
  return (
    <main className="px-5 py-4">
      <h1 className="text-[19px]">
        What daily life takes of the {side} leg{" "}
        <span className="quiet text-[15px] font-normal">
          share of what it can do at the angle where it takes most
        </span>
      </h1>
      {isGuess && (
        <p className="mt-2 max-w-[70ch] border-l-4 border-accent pl-3">
          By age and body only, and wide: nobody tested this leg, and it has shown nothing in sets yet.{" "}
          <Link href={`/clients/${clientId}/measure`} className="underline">
            Measure it
          </Link>{" "}
          to know.
        </p>
      )}
      <ol className="mt-3">
        {costs.map((c) => (
          <CostRow key={c.id} cost={c} side={side} locale={actor.locale} />
        ))}
      </ol>
      <p className="small quiet mt-3 max-w-[90ch]">
        Disc: this leg with its doubt; diamond: the other leg. A chair and a squat are counted with both legs
        alike, a stair and a knee on the floor with the leg that works. What is done every day nobody needs
        more for than they have: there the other leg takes more and the trunk leans. Estimated by a static
        model; it compares this person with themselves.
      </p>
    </main>
  );
}
