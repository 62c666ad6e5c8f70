import { changes } from "@/app/_web/route";
import { clearanceInput } from "@/core/session/sessionInput";
import { clientEpisode } from "@/server/clients";
import { clearRecheck } from "@/server/floor/rechecks";

export const POST = changes(clearanceInput, async (ctx, body, params: { clientId: string }) =>
  clearRecheck(ctx, await clientEpisode(ctx, params.clientId), body),
);
