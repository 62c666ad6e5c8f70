import { changes } from "@/app/_web/route";
import { storyChange } from "@/core/story/storyInput";
import { clientEpisode } from "@/server/client/clients";
import { changeStory } from "@/server/client/story";

export const POST = changes(storyChange, async (ctx, body, params: { clientId: string }) =>
  changeStory(ctx, await clientEpisode(ctx, params.clientId), body),
);
