import { changes } from "@/app/_web/route";
import { scoreInput } from "@/core/dose/scoreInput";
import { clientEpisode } from "@/server/clients";
import { saveScore } from "@/server/sessionScores";

export const POST = changes(scoreInput, async (ctx, input, { clientId }: { clientId: string }) => ({
  version: await saveScore(ctx, await clientEpisode(ctx, clientId), input),
}));
