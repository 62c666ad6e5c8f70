import { z } from "zod";
import { changes } from "@/app/_web/route";
import { uuid } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { clientEpisode } from "@/server/clients";
import { voidTest } from "@/server/measurements";

const voidInput = z.object({
  reason: z
    .string({ error: "Say why the test is taken back." })
    .trim()
    .min(3, { error: "Say why in a few words." })
    .max(300),
});

export const POST = changes(voidInput, async (ctx, body, params: { clientId: string; testId: string }) => {
  if (!uuid.safeParse(params.testId).success) throw new InputError("testId", "There is no such test.");
  await voidTest(ctx, await clientEpisode(ctx, params.clientId), params.testId, body.reason);
});
