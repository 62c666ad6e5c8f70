import "server-only";
import type { Language } from "@/core/units/language";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import type { ClientEpisode } from "./clients";

/** The language of the client's own pages and papers, chosen by the client or for them. */
export async function chooseLanguage(ctx: Ctx, client: ClientEpisode, language: Language): Promise<void> {
  mustMay(ctx, "language.choose");
  const changed = await ctx.tx`
    update client set language = ${language} where id = ${client.clientId} and language <> ${language} returning id`;
  if (changed.length > 0)
    await audit(
      ctx,
      "language.choose",
      "client",
      client.clientId,
      { language: client.language },
      { language },
    );
}
