import { changes } from "@/app/_web/route";
import { writtenLimit } from "@/core/bounds/written";
import { clientEpisode } from "@/server/clients";
import { writeLimit } from "@/server/limits";

export const POST = changes(writtenLimit, async (ctx, body, params: { clientId: string }) =>
  writeLimit(ctx, await clientEpisode(ctx, params.clientId), body),
);
