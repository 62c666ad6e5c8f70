import { changes } from "@/app/_web/route";
import { concernSeen } from "@/core/visit/concerns";
import { clientEpisode } from "@/server/client/clients";
import { seeConcern } from "@/server/decide/concerns";

export const POST = changes(concernSeen, async (ctx, body, params: { clientId: string }) =>
  seeConcern(ctx, await clientEpisode(ctx, params.clientId), body),
);
