import { changes } from "@/app/_web/route";
import { screeningInput } from "@/core/screening/screeningInput";
import { clientEpisode } from "@/server/client/clients";
import { recordScreening } from "@/server/client/screenings";

export const POST = changes(screeningInput, async (ctx, body, params: { clientId: string }) =>
  recordScreening(ctx, await clientEpisode(ctx, params.clientId), body),
);
