import { z } from "zod";
import { changes } from "@/app/_web/route";
import { uuid } from "@/core/units/fields";
import { clientEpisode } from "@/server/client/clients";
import { keepAsTest } from "@/server/history/hardSets";

export const POST = changes(z.object({ recordId: uuid }), async (ctx, body, params: { clientId: string }) =>
  keepAsTest(ctx, await clientEpisode(ctx, params.clientId), body.recordId),
);
