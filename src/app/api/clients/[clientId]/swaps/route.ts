import { changes } from "@/app/_web/route";
import { swapInput } from "@/core/selection/swapInput";
import { clientEpisode } from "@/server/clients";
import { takeSwap } from "@/server/swaps";

export const POST = changes(swapInput, async (ctx, input, { clientId }: { clientId: string }) =>
  takeSwap(ctx, await clientEpisode(ctx, clientId), input),
);
