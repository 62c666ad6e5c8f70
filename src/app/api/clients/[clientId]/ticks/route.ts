import { changes } from "@/app/_web/route";
import { functionalTick } from "@/core/phases/phaseInput";
import { clientEpisode } from "@/server/client/clients";
import { tickFunctional } from "@/server/facts/phases";

export const POST = changes(functionalTick, async (ctx, body, params: { clientId: string }) =>
  tickFunctional(ctx, await clientEpisode(ctx, params.clientId), body),
);
