import { changes } from "@/app/_web/route";
import { clearanceInput } from "@/core/visit/visitInput";
import { clientEpisode } from "@/server/client/clients";
import { clearRecheck } from "@/server/decide/rechecks";

export const POST = changes(clearanceInput, async (ctx, body, params: { clientId: string }) =>
  clearRecheck(ctx, await clientEpisode(ctx, params.clientId), body),
);
