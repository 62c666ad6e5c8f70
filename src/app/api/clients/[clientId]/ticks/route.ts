import { changes } from "@/app/_web/route";
import { functionalTick } from "@/core/safety/phaseInput";
import { clientEpisode } from "@/server/clients";
import { tickFunctional } from "@/server/phases";

export const POST = changes(functionalTick, async (ctx, body, params: { clientId: string }) =>
  tickFunctional(ctx, await clientEpisode(ctx, params.clientId), body),
);
