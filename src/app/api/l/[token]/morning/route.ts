import { linkChanges } from "@/app/_web/linkRoute";
import { clientMorning } from "@/core/visit/client/clientMorning";
import { Refused } from "@/server/base/refused";
import { answerMorning } from "@/server/visits/mornings";

export const POST = linkChanges("morning", clientMorning, (ctx, client, link, body) => {
  if (!link.visitId) throw new Refused("missing", "This link opens no visit. Ask the clinic for a new one.");
  return answerMorning(ctx, client, link.visitId, body);
});
