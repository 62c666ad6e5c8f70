import { changes } from "@/app/_web/route";
import { phaseChange } from "@/core/safety/phaseInput";
import { clientEpisode } from "@/server/clients";
import { confirmPhase } from "@/server/phases";

export const POST = changes(phaseChange, async (ctx, body, params: { clientId: string }) =>
  confirmPhase(ctx, await clientEpisode(ctx, params.clientId), body),
);
