import { changes } from "@/app/_web/route";
import { stanceViewInput } from "@/core/safety/stanceInput";
import { clientEpisode } from "@/server/clients";
import { noteStanceView } from "@/server/stances";

export const POST = changes(stanceViewInput, async (ctx, body, params: { clientId: string }) =>
  noteStanceView(ctx, await clientEpisode(ctx, params.clientId), body),
);
