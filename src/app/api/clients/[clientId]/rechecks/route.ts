import { changes } from "@/app/_web/route";
import { recheckInput } from "@/core/visit/visitInput";
import { clientEpisode } from "@/server/client/clients";
import { answerRecheck } from "@/server/decide/rechecks";

export const POST = changes(recheckInput, async (ctx, body, params: { clientId: string }) =>
  answerRecheck(ctx, await clientEpisode(ctx, params.clientId), body),
);
