import { z } from "zod";
import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { voidMeasurement } from "@/server/measure/otherMeasurements";

const input = z.object({
  reason: z
    .string({ error: "Say why it is taken back." })
    .trim()
    .min(3, { error: "Say why it is taken back, in a few words." })
    .max(500, { error: "The reason is longer than 500 characters." }),
});

export const POST = changes(input, async (ctx, body, params: { clientId: string; measurementId: string }) =>
  voidMeasurement(ctx, await clientEpisode(ctx, params.clientId), params.measurementId, body.reason),
);
