import { changes } from "@/app/_web/route";
import { recheckInput } from "@/core/session/sessionInput";
import { clientEpisode } from "@/server/clients";
import { answerRecheck } from "@/server/floor/rechecks";

export const POST = changes(recheckInput, async (ctx, body, params: { clientId: string }) =>
  answerRecheck(ctx, await clientEpisode(ctx, params.clientId), body),
);
