import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { standing } from "@/core/visit/setRecord";
import { type Actor, dayOf } from "@/server/base/context";
import { clientEpisode } from "@/server/client/clients";
import { practiceFor } from "@/server/client/stances";
import { activitiesOf } from "@/server/history/besides";
import { regionsAsked } from "@/server/history/regions";
import { recentVisitsWhole, strictestOf, undecidedLines, type Visit } from "@/server/history/visits";
import { type OutboxMessage, outbox } from "@/server/links/links";
import { morningWaits } from "@/server/visits/mornings";
import { CopyLink } from "@/ui/CopyLink";
import { moment } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { DEED_SENTENCES } from "@/words/en/access";
import { MorningForm } from "./MorningForm";
import { PastMornings } from "./PastMornings";

export const metadata: Metadata = { title: "Morning" };

export default async function MorningPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const visits = (await recentVisitsWhole(ctx, client.episodeId)).filter((v) => v.end);
    // the oldest that waits comes first: it is the one whose lines cannot be run again
    const visit = visits.find((v) => undecidedLines(v).length > 0) ?? visits.at(-1) ?? null;
    return {
      client,
      visit,
      past: visits
        .slice(-9)
        .reverse()
        .map((v) => ({
          id: v.id,
          day: dayOf(ctx, v.startedAt),
          sheet: v.sheet.name,
          ...painsOf(v),
          swelling: v.morning?.swelling ?? null,
        })),
      visitDay: visit ? dayOf(ctx, visit.startedAt) : null,
      waits: visit && !visit.morning ? morningWaits(ctx, visit.startedAt) : null,
      message:
        visit && may(ctx.actor.role, "link.make")
          ? ((await outbox(ctx, client.episodeId)).find((m) => m.visitId === visit.id) ?? null)
          : null,
      regions: visit ? await regionsAsked(ctx, client.episodeId, visit.id) : [],
      activities: await activitiesOf(ctx, client.episodeId),
      soreUpTo: (await practiceFor(ctx, client.episodeId)).soreUpTo,
      now: ctx.now,
    };
  });
  const { client, visit, visitDay } = data;
  if (!visit || !visitDay)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">No visit to ask about yet</h1>
        <p className="mt-2 max-w-[60ch]">
          The morning after a visit tells whether the knee liked it: pain, swelling, stiffness. Run a sheet
          first.
        </p>
        <Link href={`/clients/${clientId}/floor`} className="btn btn-primary mt-4">
          To the floor
        </Link>
      </main>
    );
  if (!may(actor.role, "response.record"))
    return <main className="px-6 py-6">{DEED_SENTENCES["response.record"]}</main>;
  const lines = visit.sheet.lines.filter((l) => visit.records.some((r) => r.lineId === l.plan.lineId)).length;
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <MorningForm
        key={visit.id}
        client={client}
        visit={visit}
        visitDay={visitDay}
        doneWords={`${visit.sheet.name}: ${lines} of ${visit.sheet.lines.length} ${visit.sheet.lines.length === 1 ? "line" : "lines"} done`}
        decided={strictestOf(visit)}
        waits={data.waits}
        activities={data.activities}
        regions={data.regions}
        soreUpTo={data.soreUpTo}
        locale={actor.locale}
      />
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        {data.message && <TheLink message={data.message} now={data.now} actor={actor} />}
        <PastMornings
          past={data.past}
          usualPain={client.usualPain}
          showSwelling={client.swellingApplies}
          locale={actor.locale}
        />
      </aside>
    </main>
  );
}

/** The client's own link of this visit: when it goes, what came back, or to copy. */
function TheLink({ message: m, now, actor }: { message: OutboxMessage; now: Date; actor: Actor }) {
  const at = moment(m.sendsAt, actor.locale, actor.timeZone);
  return (
    <section className="mb-4 border-b border-rule pb-4">
      <h2 className="text-[15px]">The client's own answer</h2>
      <p className="small mt-1">
        {m.answered?.byClient
          ? `Answered by the client, ${moment(m.answered.at, actor.locale, actor.timeZone)}.`
          : m.expiresAt <= now
            ? "The link has run out without an answer: ask, and enter it here."
            : `The link ${m.sendsAt > now ? "goes" : "went"} at ${at}; it opens until the end of that day.`}
      </p>
      {m.expiresAt > now && (
        <p className="mt-2">
          <CopyLink path={m.path} label="Copy the link of this visit" />
        </p>
      )}
    </section>
  );
}

/** Joint pain of a visit: worst in a set, at its end, the next morning. */
function painsOf(v: Visit): { worst: number | null; end: number | null; morning: number | null } {
  const during = standing(v.records).map((r) => r.pain);
  return {
    worst: during.length ? Math.max(...during) : null,
    end: v.end?.painAtEnd ?? null,
    morning: v.morning?.pain ?? null,
  };
}
