import type { Metadata } from "next";
import Link from "next/link";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/safety/roles";
import { testsForCurve } from "@/core/strength/testsForCurve";
import { clientEpisode } from "@/server/clients";
import { kneeExtensionMachine } from "@/server/machines";
import { extensionTests, testsOf } from "@/server/measurements";
import { currentPlan, doseContext, planningBarred } from "@/server/plans";
import { optionInForce, stancesInForce } from "@/server/stances";
import { DoseDesk } from "./DoseDesk";
import { firstPlan } from "./firstPlan";

export const metadata: Metadata = { title: "Dose" };

export default async function DosePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const context = await doseContext(ctx, client);
    return {
      client,
      context,
      barred: await planningBarred(ctx, client),
      effortMeaning: optionInForce(await stancesInForce(ctx, client.episodeId), "own_effort_meaning"),
      tests: testsForCurve(extensionTests(await testsOf(ctx, client.episodeId), client.side)),
      plan: await currentPlan(ctx, client.episodeId),
      machine: await kneeExtensionMachine(ctx),
    };
  });
  const { client, context, plan } = data;
  if (!data.machine)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">This gym has no knee-extension machine</h1>
        <p className="mt-2 max-w-[60ch]">
          A hold is dosed here on a seated knee-extension machine. Enter one in Gym, or plan holds and sets on
          other machines as a session.
        </p>
        <div className="mt-4 flex gap-3">
          <Link href={`/clients/${clientId}/session`} className="btn btn-primary">
            Plan a session
          </Link>
          <Link href="/gym" className="btn btn-line">
            Gym
          </Link>
        </div>
      </main>
    );
  if (!context)
    return (
      <main className="px-6 py-6">
        <h1 className="text-[19px]">A dose needs a strength test</h1>
        <p className="mt-2 max-w-[60ch]">
          A hold is dosed as a share of what this knee can do at the angle, so it has to be measured first.
          Two pushes at one angle are enough to start.
        </p>
        <Link href={`/clients/${clientId}/measure`} className="btn btn-primary mt-4">
          Measure this knee
        </Link>
      </main>
    );
  return (
    <DoseDesk
      key={plan?.version ?? 0}
      client={client}
      context={context}
      tests={data.tests.map((t) => ({ deg: t.kneeFlexionDeg, value: t.torqueNm, tone: "own" as const }))}
      saved={plan ? { version: plan.version, plan: plan.plan, madeBy: plan.madeBy } : null}
      start={plan?.plan ?? firstPlan(client, context, data.effortMeaning)}
      setUp={data.machine?.setUp ?? ""}
      barred={data.barred}
      mayWrite={may(actor.role, "plan.write")}
      massUnit={actor.massUnit}
    />
  );
}
