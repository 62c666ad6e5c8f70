import { changes } from "@/app/_web/route";
import { decisionsTaken } from "@/core/visit/visitInput";
import { clientEpisode } from "@/server/client/clients";
import { takeDecisions } from "@/server/decide/decisions";

export const POST = changes(decisionsTaken, async (ctx, body, params: { clientId: string }) =>
  takeDecisions(ctx, await clientEpisode(ctx, params.clientId), body),
);
