import { z } from "zod";
import { changes } from "@/app/_web/route";
import { previewStance } from "@/server/choice/stancePreview";
import { clientEpisode } from "@/server/client/clients";

const asked = z.object({ stanceId: z.string().max(80), optionId: z.string().max(80) });

/** What a stance would change; writes nothing. */
export const POST = changes(asked, async (ctx, body, params: { clientId: string }) =>
  previewStance(ctx, await clientEpisode(ctx, params.clientId), body.stanceId, body.optionId),
);
