import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { enterTicks, ticksEntered } from "@/server/visits/paper";

export const POST = changes(ticksEntered, async (ctx, body, params: { clientId: string }) =>
  enterTicks(ctx, await clientEpisode(ctx, params.clientId), body),
);
