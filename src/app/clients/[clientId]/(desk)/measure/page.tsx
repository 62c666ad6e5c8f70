import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/safety/roles";
import { bodyOf, clientEpisode } from "@/server/clients";
import { today } from "@/server/context";
import { kneeExtensionMachine } from "@/server/machines";
import { testsOf } from "@/server/measurements";
import { MeasureDesk } from "./MeasureDesk";

export const metadata: Metadata = { title: "Measure" };

export default async function MeasurePage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const machine = await kneeExtensionMachine(ctx);
    return {
      client,
      body: bodyOf(client),
      tests: await testsOf(ctx, client.episodeId),
      padDistanceM: machine.padDistanceM,
      today: today(ctx),
    };
  });
  return (
    <MeasureDesk
      {...data}
      mayRecord={may(actor.role, "test.record")}
      massUnit={actor.massUnit}
      locale={actor.locale}
    />
  );
}
