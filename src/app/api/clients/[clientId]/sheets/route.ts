import { changes } from "@/app/_web/route";
import { sheetInput } from "@/core/sheet/line/sheetInput";
import { clientEpisode } from "@/server/client/clients";
import { saveSheet } from "@/server/sheets/saveSheet";

export const POST = changes(sheetInput, async (ctx, input, { clientId }: { clientId: string }) => ({
  version: (await saveSheet(ctx, await clientEpisode(ctx, clientId), input)).version,
}));
