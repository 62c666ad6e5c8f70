import { changes } from "@/app/_web/route";
import { newEpisodeInput } from "@/core/story/storyInput";
import { beginEpisode } from "@/server/client/story";

export const POST = changes(newEpisodeInput, (ctx, body, params: { clientId: string }) =>
  beginEpisode(ctx, params.clientId, body),
);
