import { changes } from "@/app/_web/route";
import { writtenLimit } from "@/core/bounds/written";
import { writeLimit } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";

export const POST = changes(writtenLimit, async (ctx, body, params: { clientId: string }) =>
  writeLimit(ctx, await clientEpisode(ctx, params.clientId), body),
);
