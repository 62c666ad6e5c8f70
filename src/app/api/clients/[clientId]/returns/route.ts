import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { chooseReturn, returnChosen } from "@/server/decide/returns";

export const POST = changes(returnChosen, async (ctx, body, params: { clientId: string }) =>
  chooseReturn(ctx, await clientEpisode(ctx, params.clientId), body),
);
