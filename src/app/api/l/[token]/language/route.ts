import { linkChanges } from "@/app/_web/linkRoute";
import { languageInput } from "@/core/units/language";
import { chooseLanguage } from "@/server/client/language";

export const POST = linkChanges(null, languageInput, (ctx, client, _link, body) =>
  chooseLanguage(ctx, client, body.language),
);
