import { changes } from "@/app/_web/route";
import { screeningInput } from "@/core/safety/screeningInput";
import { clientEpisode } from "@/server/clients";
import { recordScreening } from "@/server/screenings";

export const POST = changes(screeningInput, async (ctx, body, params: { clientId: string }) =>
  recordScreening(ctx, await clientEpisode(ctx, params.clientId), body),
);
