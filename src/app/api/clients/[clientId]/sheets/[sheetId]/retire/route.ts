import { z } from "zod";
import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { retireSheet } from "@/server/sheets/saveSheet";

export const POST = changes(
  z.object({}),
  async (ctx, _input, { clientId, sheetId }: { clientId: string; sheetId: string }) =>
    retireSheet(ctx, await clientEpisode(ctx, clientId), sheetId),
);
