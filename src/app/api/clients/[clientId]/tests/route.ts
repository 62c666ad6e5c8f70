import { changes } from "@/app/_web/route";
import { strengthTestInput } from "@/core/strength/testInput";
import { clientEpisode } from "@/server/clients";
import { recordTest } from "@/server/measurements";

export const POST = changes(strengthTestInput, async (ctx, body, params: { clientId: string }) =>
  recordTest(ctx, await clientEpisode(ctx, params.clientId), body),
);
