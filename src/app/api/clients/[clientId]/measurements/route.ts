import { changes } from "@/app/_web/route";
import { measurementInput } from "@/core/measure/measurementInput";
import { clientEpisode } from "@/server/client/clients";
import { recordMeasurement } from "@/server/measure/otherMeasurements";

export const POST = changes(measurementInput, async (ctx, body, params: { clientId: string }) =>
  recordMeasurement(ctx, await clientEpisode(ctx, params.clientId), body),
);
