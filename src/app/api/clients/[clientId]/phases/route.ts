import { changes } from "@/app/_web/route";
import { phaseChange } from "@/core/phases/phaseInput";
import { confirmPhase } from "@/server/facts/phases";
import { clientEpisode } from "@/server/client/clients";

export const POST = changes(phaseChange, async (ctx, body, params: { clientId: string }) =>
  confirmPhase(ctx, await clientEpisode(ctx, params.clientId), body),
);
