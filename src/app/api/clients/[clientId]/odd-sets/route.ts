import { changes } from "@/app/_web/route";
import { oddConfirmed } from "@/core/visit/capacity/oddConfirmed";
import { clientEpisode } from "@/server/client/clients";
import { confirmOdd } from "@/server/visits/oddSets";

export const POST = changes(oddConfirmed, async (ctx, body, params: { clientId: string }) =>
  confirmOdd(ctx, await clientEpisode(ctx, params.clientId), body),
);
