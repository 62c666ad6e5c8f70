import type { Metadata } from "next";
import Link from "next/link";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/safety/roles";
import { dayInWords } from "@/core/units/dayInWords";
import { clientEpisode } from "@/server/clients";
import { dayOf } from "@/server/context";
import { planningBarred } from "@/server/plans";
import { sessionFacts } from "@/server/sessionContext";
import { pastLoads } from "@/server/sessionScores";
import { templatesOf } from "@/server/sessionTemplates";
import { scoresOf } from "@/server/storedScores";
import { SessionDesk } from "./SessionDesk";

export const metadata: Metadata = { title: "Session" };

const EARLIER = 8;

/** The session as a score: exercises in order under the rail, each with how it is done. */
export default async function SessionPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const scores = await scoresOf(ctx, client.episodeId);
    return {
      facts: await sessionFacts(ctx, client),
      barred: await planningBarred(ctx, client),
      newest: scores[0],
      past: await pastLoads(ctx, client.episodeId),
      templates: (await templatesOf(ctx)).map(({ id, name, items }) => ({ id, name, items })),
      earlier: scores.slice(0, EARLIER).map((s) => ({
        id: s.id,
        name: `version ${s.version}, ${dayInWords(dayOf(ctx, s.at))}, ${s.items.length} lines`,
        items: s.items,
      })),
    };
  });
  const { facts, newest } = data;
  if (typeof facts === "string")
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">A session cannot be drafted</h1>
        <p className="mt-2 max-w-[70ch]">
          {facts} Plan by hand inside the written limits; holds are dosed under{" "}
          <Link className="underline" href={`/clients/${clientId}/dose`}>
            Dose
          </Link>
          .
        </p>
      </main>
    );
  return (
    <SessionDesk
      key={newest?.version ?? 0}
      clientId={clientId}
      facts={facts}
      barred={data.barred}
      saved={newest ? { version: newest.version, items: newest.items, by: newest.by } : null}
      past={data.past}
      templates={data.templates}
      earlier={data.earlier}
      massUnit={actor.massUnit}
      mayWrite={may(actor.role, "plan.write")}
    />
  );
}
