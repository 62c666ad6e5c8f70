import { changes } from "@/app/_web/route";
import { startInput } from "@/core/visit/visitInput";
import { clientEpisode } from "@/server/client/clients";
import { startVisit } from "@/server/visits/running";

export const POST = changes(startInput, async (ctx, body, params: { clientId: string }) =>
  startVisit(ctx, await clientEpisode(ctx, params.clientId), body),
);
