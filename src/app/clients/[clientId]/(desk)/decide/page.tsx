import type { Metadata } from "next";
import Link from "next/link";
import { onPage } from "@/app/_web/actor";
import { ladder } from "@/core/progression/ladder";
import { may } from "@/core/safety/roles";
import { clientEpisode } from "@/server/clients";
import { dayOf } from "@/server/context";
import { proposal } from "@/server/decisions";
import { sessionsOf } from "@/server/floor/sessions";
import { holdWindowOf } from "@/server/windows";
import { DecideDesk } from "./DecideDesk";
import { PastDecisions } from "./PastDecisions";

export const metadata: Metadata = { title: "Decide" };

export default async function DecidePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const draft = await proposal(ctx, client);
    const sessions = await sessionsOf(ctx, client.episodeId);
    return {
      client,
      draft,
      draftDay: draft ? dayOf(ctx, draft.session.startedAt) : null,
      window: await holdWindowOf(ctx, client),
      past: sessions
        .filter((s) => s.decided)
        .reverse()
        .map((s) => ({ day: dayOf(ctx, s.startedAt), ...(s.decided as NonNullable<typeof s.decided>) })),
    };
  });
  const { client, draft, window, past } = data;
  const plan = draft?.plan.plan;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)_372px]">
      {draft && plan && data.draftDay ? (
        <DecideDesk
          key={draft.session.id}
          client={client}
          draft={draft}
          sessionDay={data.draftDay}
          window={{ fromDeg: window.fromDeg, toDeg: window.toDeg }}
          rungs={ladder({
            fromDeg: plan.ladderFromDeg,
            toDeg: plan.ladderToDeg,
            school: client.school,
            irritability: client.irritability,
            blockedDeg: [],
          })}
          mayDecide={may(actor.role, "decision.take")}
          locale={actor.locale}
        />
      ) : (
        <div className="px-4 py-4">
          <h1 className="text-[19px]">{past[0] ? "Decided" : "Nothing to decide yet"}</h1>
          <p className="mt-2 max-w-[60ch]">
            {past[0]
              ? `${past[0].sentence} Taken by ${past[0].by}.`
              : "After a finished session and its next morning, one decision for the next session is drafted here with its reasons."}
          </p>
          <Link href={`/clients/${clientId}`} className="btn btn-primary mt-4">
            What comes next
          </Link>
        </div>
      )}
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        <PastDecisions past={past} locale={actor.locale} />
      </aside>
    </main>
  );
}
