import { changes } from "@/app/_web/route";
import { cardInput } from "@/core/selection/setUp/cardInput";
import { saveCard } from "@/server/choice/cards";
import { clientEpisode } from "@/server/client/clients";

export const POST = changes(cardInput, async (ctx, input, { clientId }: { clientId: string }) =>
  saveCard(ctx, await clientEpisode(ctx, clientId), input),
);
