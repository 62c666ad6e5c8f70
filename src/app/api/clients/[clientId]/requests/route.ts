import { currentActor } from "@/app/_web/actor";
import { changes, problemResponse } from "@/app/_web/route";
import { requestAsked } from "@/core/requests/requestInput";
import { inClinic } from "@/server/base/db";
import { Refused } from "@/server/base/refused";
import { clientEpisode } from "@/server/client/clients";
import { makeRequest, requestsOf } from "@/server/requests/requests";

export const POST = changes(requestAsked, async (ctx, body, params: { clientId: string }) =>
  makeRequest(ctx, await clientEpisode(ctx, params.clientId), body),
);

/** What was asked and answered: the floor looks now and then. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ clientId: string }> },
): Promise<Response> {
  try {
    const actor = await currentActor();
    if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
    const { clientId } = await params;
    const requests = await inClinic(actor.clinicId, async (tx) => {
      const ctx = { tx, actor, now: new Date() };
      return requestsOf(ctx, (await clientEpisode(ctx, clientId)).episodeId);
    });
    return Response.json({ ok: true, result: requests });
  } catch (error) {
    return problemResponse(error);
  }
}
