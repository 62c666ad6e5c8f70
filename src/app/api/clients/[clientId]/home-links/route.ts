import { z } from "zod";
import { changes } from "@/app/_web/route";
import { uuid } from "@/core/units/fields";
import { clientEpisode } from "@/server/client/clients";
import { makeHomeLink } from "@/server/links/links";

export const POST = changes(
  z.object({ id: uuid, sheetId: uuid }),
  async (ctx, body, params: { clientId: string }) =>
    makeHomeLink(ctx, await clientEpisode(ctx, params.clientId), body),
);
