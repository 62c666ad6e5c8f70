import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { coverOf } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";
import { episodesOf, storyOf } from "@/server/client/story";
import { storyChoices } from "../../../_story/choices";
import { CloseEpisode } from "./CloseEpisode";
import { draftOf } from "./draftOf";
import { StoryDesk } from "./StoryDesk";
import { StoryRead } from "./StoryRead";

export const metadata: Metadata = { title: "Story" };

/** What brought the client here: read by everybody, changed by a therapist. */
export default async function StoryPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      client,
      story: await storyOf(ctx, client),
      uncovered: coverOf(ctx, client),
      earlier: (await episodesOf(ctx, clientId)).episodes.length - 1,
    };
  });
  const { client, story, uncovered, earlier } = data;
  const mayWrite = may(actor.role, "story.write");
  return (
    <main className="px-5 py-4">
      <div className="mb-2 flex items-baseline justify-between gap-6">
        <h1 className="text-[19px]">
          What is it about?{" "}
          <a
            href={`/clients/${clientId}/episodes`}
            className="text-[15px] font-normal underline decoration-rule underline-offset-4"
          >
            {earlier === 0
              ? "the first episode here"
              : `${earlier} earlier ${earlier === 1 ? "episode" : "episodes"}`}
          </a>
        </h1>
        {mayWrite && <CloseEpisode clientId={clientId} version={client.version} />}
      </div>
      {uncovered.length > 0 && (
        <p className="mb-3 border-l-4 border-accent pl-3 text-accent">
          The rules do not cover {uncovered.join(" and ")}: no limits are computed, and nothing can be dosed
          until a therapist has written them by hand in Limits.
        </p>
      )}
      {mayWrite ? (
        <StoryDesk
          key={client.episodeId}
          clientId={clientId}
          version={client.version}
          start={draftOf(client, story, actor.massUnit)}
          choices={storyChoices()}
          massUnit={actor.massUnit}
        />
      ) : (
        <StoryRead client={client} story={story} massUnit={actor.massUnit} locale={actor.locale} />
      )}
    </main>
  );
}
