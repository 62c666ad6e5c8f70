import { changes } from "@/app/_web/route";
import { blockKept } from "@/core/schedule/block/blockInput";
import { clientEpisode } from "@/server/client/clients";
import { keepBlock } from "@/server/week/blocks";

export const POST = changes(blockKept, async (ctx, body, params: { clientId: string }) =>
  keepBlock(ctx, await clientEpisode(ctx, params.clientId), body),
);
