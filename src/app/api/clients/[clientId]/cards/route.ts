import { changes } from "@/app/_web/route";
import { cardInput } from "@/core/selection/cardInput";
import { saveCard } from "@/server/cards";
import { clientEpisode } from "@/server/clients";

export const POST = changes(cardInput, async (ctx, input, { clientId }: { clientId: string }) =>
  saveCard(ctx, await clientEpisode(ctx, clientId), input),
);
