import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/safety/roles";
import { recheckFor } from "@/core/session/recheckSigns";
import { holdCardWords } from "@/server/cards";
import { clientEpisode, weeksAfterSurgery } from "@/server/clients";
import { lastRecheck } from "@/server/floor/rechecks";
import { floorBarred, painMaxFor, sessionsOf } from "@/server/floor/sessions";
import { kneeExtensionMachine } from "@/server/machines";
import { currentPlan, planById } from "@/server/plans";
import { holdWindowOf } from "@/server/windows";
import { FloorBarred } from "./FloorBarred";
import { FloorLane } from "./FloorLane";

export const metadata: Metadata = { title: "Floor" };

export default async function FloorPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const newest = await currentPlan(ctx, client.episodeId);
    const sessions = await sessionsOf(ctx, client.episodeId);
    const last = sessions[sessions.length - 1];
    const open = last && !last.end ? last : null;
    const machine = await kneeExtensionMachine(ctx);
    return {
      client,
      // an open session is finished with the plan it was started with
      plan: open ? await planById(ctx, open.planId) : newest,
      open: open ? { id: open.id, records: open.records } : null,
      barred: await floorBarred(ctx, client, newest),
      recheck: await lastRecheck(ctx, client.episodeId),
      painMax: await painMaxFor(ctx, client),
      window: await holdWindowOf(ctx, client),
      weeksAfterSurgery: weeksAfterSurgery(ctx, client),
      machine: machine && { name: machine.name, setUp: machine.setUp, padDistanceM: machine.padDistanceM },
      card: await holdCardWords(ctx, client.episodeId),
    };
  });
  const { client, plan } = data;
  if (data.barred || !plan || !data.machine)
    return (
      <FloorBarred
        client={client}
        sentence={data.barred ?? "There is no dose yet: a therapist plans the holds first."}
        warning={data.recheck && !data.recheck.isClear ? data.recheck.id : null}
        mayClear={may(actor.role, "recheck.clear")}
      />
    );
  return (
    <FloorLane
      client={client}
      plan={plan}
      open={data.open}
      painMax={data.painMax}
      window={{ fromDeg: data.window.fromDeg, toDeg: data.window.toDeg }}
      machine={data.machine}
      card={data.card}
      massUnit={actor.massUnit}
      mayRun={may(actor.role, "session.run")}
      recheck={recheckFor(data.weeksAfterSurgery)}
    />
  );
}
