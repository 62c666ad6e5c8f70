import { changes } from "@/app/_web/route";
import { decisionTaken } from "@/core/session/sessionInput";
import { clientEpisode } from "@/server/clients";
import { takeDecision } from "@/server/decisions";

export const POST = changes(decisionTaken, async (ctx, body, params: { clientId: string }) =>
  takeDecision(ctx, await clientEpisode(ctx, params.clientId), body),
);
