import type { Metadata } from "next";
import Link from "next/link";
import { onPage } from "@/app/_web/actor";
import { DEED_SENTENCES, may } from "@/core/safety/roles";
import { clientEpisode } from "@/server/clients";
import { dayOf } from "@/server/context";
import { planById } from "@/server/plans";
import { sessionsOf } from "@/server/sessions";
import { MorningForm } from "./MorningForm";

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
      plan: session ? await planById(ctx, session.planId) : null,
      sessionDay: session ? dayOf(ctx, session.startedAt) : null,
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
  return (
    <MorningForm
      client={client}
      session={session}
      sessionDay={sessionDay}
      holdWords={`${plan.plan.pattern.reps * plan.plan.pattern.sets} × ${plan.plan.pattern.holdS} s at ${plan.plan.kneeFlexionDeg}°, ${plan.setting}`}
      locale={actor.locale}
    />
  );
}
