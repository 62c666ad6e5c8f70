import { changes } from "@/app/_web/route";
import { startInput } from "@/core/session/sessionInput";
import { clientEpisode } from "@/server/clients";
import { startSession } from "@/server/floor/running";

export const POST = changes(startInput, async (ctx, body, params: { clientId: string }) =>
  startSession(ctx, await clientEpisode(ctx, params.clientId), body),
);
