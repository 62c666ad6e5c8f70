import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { dayOf } from "@/server/base/context";
import { clientEpisode } from "@/server/client/clients";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { painfulLines } from "@/server/facts/painfulLines";
import { besidesOn } from "@/server/history/besides";
import { recentVisitsWhole } from "@/server/history/visits";
import { plateausOf } from "@/server/review/plateau";
import { Link } from "@/ui/Link";
import { DecideDesk } from "./DecideDesk";
import { PastDecisions } from "./PastDecisions";

export const metadata: Metadata = { title: "Decide" };

/** The lines of the last visit, each with its draft and why; together they are the sheet's next version. */
export default async function DecidePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const drafts = await visitDrafts(ctx, client);
    const visits = await recentVisitsWhole(ctx, client.episodeId);
    const nameOf = (visit: (typeof visits)[number], lineId: string | null) =>
      lineId === null
        ? "all lines"
        : (visit.sheet.lines.find((l) => l.plan.lineId === lineId)?.kept?.name ?? "a line");
    return {
      client,
      drafts,
      painful: drafts[0]
        ? await painfulLines(
            ctx,
            client,
            drafts[0].lines.map((l) => l.kept),
          )
        : {},
      besides: drafts[0] ? await besidesOn(ctx, client.episodeId, drafts[0].visit) : [],
      plateaus: drafts.length > 0 ? await plateausOf(ctx, client) : [],
      draftDay: drafts[0] ? dayOf(ctx, drafts[0].visit.startedAt) : null,
      past: visits.toReversed().flatMap((v) =>
        v.decisions.map((d) => ({
          key: `${v.id} ${d.lineId}`,
          day: dayOf(ctx, v.startedAt),
          lineId: d.lineId,
          line: nameOf(v, d.lineId),
          action: d.action,
          sentence: d.sentence,
          reasons: d.reasons,
          by: d.byOrderOf ? `by standing order of ${d.byOrderOf}` : d.by,
        })),
      ),
    };
  });
  const { client, drafts, past } = data;
  const [draft] = drafts;
  return draft && data.draftDay ? (
    <DecideDesk
      key={draft.visit.id}
      client={client}
      draft={draft}
      painful={data.painful}
      besides={data.besides}
      plateaus={data.plateaus}
      waiting={drafts.length - 1}
      visitDay={data.draftDay}
      past={past}
      mayDecide={may(actor.role, "decision.take")}
      locale={actor.locale}
    />
  ) : (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <div className="px-4 py-4">
        <h1 className="text-[19px]">{past[0] ? "Decided" : "Nothing to decide yet"}</h1>
        <p className="mt-2 max-w-[60ch]">
          {past[0]
            ? "Every line of the last visit is decided; the sheet is ready to run again."
            : "After a finished visit and its next morning, a decision for each line is drafted here with its reasons."}
        </p>
        <Link href={`/clients/${clientId}`} className="btn btn-primary mt-4">
          What comes next
        </Link>
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        <PastDecisions clientId={client.clientId} past={past} locale={actor.locale} />
      </aside>
    </main>
  );
}
