import { changes } from "@/app/_web/route";
import { phaseChange } from "@/core/phases/phaseInput";
import { clientEpisode } from "@/server/client/clients";
import { confirmPhase } from "@/server/facts/phases";

export const POST = changes(phaseChange, async (ctx, body, params: { clientId: string }) =>
  confirmPhase(ctx, await clientEpisode(ctx, params.clientId), body),
);
