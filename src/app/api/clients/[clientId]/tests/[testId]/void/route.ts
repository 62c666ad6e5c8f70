import { z } from "zod";
import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { voidTest } from "@/server/measure/measurements";

const voidInput = z.object({
  reason: z.string({ error: "input.test_back_why" }).trim().min(3, { error: "input.why_few" }).max(300),
});

export const POST = changes(voidInput, async (ctx, body, params: { clientId: string; testId: string }) => {
  await voidTest(ctx, await clientEpisode(ctx, params.clientId), params.testId, body.reason);
});
