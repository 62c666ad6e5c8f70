import type { Metadata } from "next";
import Link from "next/link";
import { onPage } from "@/app/_web/actor";
import { DEED_SENTENCES, may } from "@/core/safety/roles";
import { standing } from "@/core/session/holdRecord";
import { clientEpisode } from "@/server/clients";
import { dayOf } from "@/server/context";
import { morningWaits } from "@/server/floor/responses";
import { type FloorSession, sessionsOf } from "@/server/floor/sessions";
import { planById } from "@/server/plans";
import { MorningForm } from "./MorningForm";
import { PastMornings } from "./PastMornings";

export const metadata: Metadata = { title: "Morning" };

export default async function MorningPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const sessions = (await sessionsOf(ctx, client.episodeId)).filter((s) => s.end);
    const session = sessions[sessions.length - 1] ?? null;
    return {
      client,
      session,
      past: sessions
        .slice(-9)
        .reverse()
        .map((s) => ({
          id: s.id,
          day: dayOf(ctx, s.startedAt),
          ...painsOf(s),
          swelling: s.morning?.swelling ?? null,
        })),
      plan: session ? await planById(ctx, session.planId) : null,
      sessionDay: session ? dayOf(ctx, session.startedAt) : null,
      waits: session && !session.morning ? morningWaits(ctx, session.startedAt) : null,
    };
  });
  const { client, session, plan, sessionDay } = data;
  if (!session || !plan || !sessionDay)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">No session to ask about yet</h1>
        <p className="mt-2 max-w-[60ch]">
          The morning after a session tells whether the knee liked it: pain, swelling, stiffness. Run the
          holds first.
        </p>
        <Link href={`/clients/${clientId}/floor`} className="btn btn-primary mt-4">
          To the floor
        </Link>
      </main>
    );
  if (!may(actor.role, "response.record"))
    return <main className="px-6 py-6">{DEED_SENTENCES["response.record"]}</main>;
  const { pattern, kneeFlexionDeg } = plan.plan;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)_372px]">
      <MorningForm
        key={session.id}
        client={client}
        session={session}
        sessionDay={sessionDay}
        holdWords={`${pattern.reps * pattern.sets} × ${pattern.holdS} s at ${kneeFlexionDeg}°, ${plan.setting}`}
        waits={data.waits}
        locale={actor.locale}
      />
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
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

/** Joint pain of a session: worst in a hold, at its end, the next morning. */
function painsOf(s: FloorSession): { worst: number | null; end: number | null; morning: number | null } {
  const during = standing(s.records).map((r) => r.painAfter);
  return {
    worst: during.length ? Math.max(...during) : null,
    end: s.end?.painAtEnd ?? null,
    morning: s.morning?.pain ?? null,
  };
}
