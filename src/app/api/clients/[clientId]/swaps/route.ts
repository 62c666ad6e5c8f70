import { changes } from "@/app/_web/route";
import { swapInput } from "@/core/selection/swap/swapInput";
import { takeSwap } from "@/server/choice/swaps";
import { clientEpisode } from "@/server/client/clients";

export const POST = changes(swapInput, async (ctx, input, { clientId }: { clientId: string }) =>
  takeSwap(ctx, await clientEpisode(ctx, clientId), input),
);
