import { changes } from "@/app/_web/route";
import { stanceChange } from "@/core/safety/stanceInput";
import { clientEpisode } from "@/server/clients";
import { chooseStance } from "@/server/stances";

export const POST = changes(stanceChange, async (ctx, body, params: { clientId: string }) =>
  chooseStance(ctx, await clientEpisode(ctx, params.clientId), body),
);
