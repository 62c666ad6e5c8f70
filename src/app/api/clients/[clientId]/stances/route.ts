import { changes } from "@/app/_web/route";
import { stanceChange } from "@/core/phases/stanceInput";
import { clientEpisode } from "@/server/client/clients";
import { chooseStance } from "@/server/client/stances";

export const POST = changes(stanceChange, async (ctx, body, params: { clientId: string }) =>
  chooseStance(ctx, await clientEpisode(ctx, params.clientId), body),
);
