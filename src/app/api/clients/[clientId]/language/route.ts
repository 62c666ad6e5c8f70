import { changes } from "@/app/_web/route";
import { languageInput } from "@/core/units/language";
import { clientEpisode } from "@/server/client/clients";
import { chooseLanguage } from "@/server/client/language";

export const POST = changes(languageInput, async (ctx, body, params: { clientId: string }) =>
  chooseLanguage(ctx, await clientEpisode(ctx, params.clientId), body.language),
);
