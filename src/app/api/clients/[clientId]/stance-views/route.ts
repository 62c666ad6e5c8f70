import { changes } from "@/app/_web/route";
import { stanceViewInput } from "@/core/phases/stanceInput";
import { clientEpisode } from "@/server/client/clients";
import { noteStanceView } from "@/server/client/stances";

export const POST = changes(stanceViewInput, async (ctx, body, params: { clientId: string }) =>
  noteStanceView(ctx, await clientEpisode(ctx, params.clientId), body),
);
