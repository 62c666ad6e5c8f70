import { z } from "zod";
import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { voidMeasurement } from "@/server/measure/otherMeasurements";

const input = z.object({
  reason: z
    .string({ error: "input.taken_back_why" })
    .trim()
    .min(3, { error: "input.taken_back_why_few" })
    .max(500, { error: "input.reason_long" }),
});

export const POST = changes(input, async (ctx, body, params: { clientId: string; measurementId: string }) =>
  voidMeasurement(ctx, await clientEpisode(ctx, params.clientId), params.measurementId, body.reason),
);
