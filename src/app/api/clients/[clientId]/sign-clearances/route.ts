import { changes } from "@/app/_web/route";
import { signClearance } from "@/core/screening/screeningInput";
import { clientEpisode } from "@/server/client/clients";
import { clearSign } from "@/server/client/screenings";

export const POST = changes(signClearance, async (ctx, body, params: { clientId: string }) =>
  clearSign(ctx, await clientEpisode(ctx, params.clientId), body),
);
