import { changes } from "@/app/_web/route";
import { morningInput } from "@/core/visit/visitInput";
import { clientEpisode } from "@/server/client/clients";
import { recordMorning } from "@/server/visits/mornings";

export const POST = changes(morningInput, async (ctx, body, params: { clientId: string }) =>
  recordMorning(ctx, await clientEpisode(ctx, params.clientId), body),
);
