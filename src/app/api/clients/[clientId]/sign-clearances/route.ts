import { changes } from "@/app/_web/route";
import { signClearance } from "@/core/safety/screeningInput";
import { clientEpisode } from "@/server/clients";
import { clearSign } from "@/server/screenings";

export const POST = changes(signClearance, async (ctx, body, params: { clientId: string }) =>
  clearSign(ctx, await clientEpisode(ctx, params.clientId), body),
);
