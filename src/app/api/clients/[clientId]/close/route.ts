import { changes } from "@/app/_web/route";
import { closeInput } from "@/core/story/storyInput";
import { clientEpisode } from "@/server/client/clients";
import { closeEpisode } from "@/server/client/story";

export const POST = changes(closeInput, async (ctx, body, params: { clientId: string }) =>
  closeEpisode(ctx, await clientEpisode(ctx, params.clientId), body),
);
