import { changes, reads } from "@/app/_web/route";
import { requestAsked } from "@/core/requests/requestInput";
import { clientEpisode } from "@/server/client/clients";
import { makeRequest, requestsOf } from "@/server/requests/requests";

export const POST = changes(requestAsked, async (ctx, body, params: { clientId: string }) =>
  makeRequest(ctx, await clientEpisode(ctx, params.clientId), body),
);

/** What was asked and answered: the floor looks now and then. */
export const GET = reads(
  async (ctx, params: { clientId: string }) =>
    requestsOf(ctx, (await clientEpisode(ctx, params.clientId)).episodeId),
  (requests) => Response.json({ ok: true, result: requests }),
);
