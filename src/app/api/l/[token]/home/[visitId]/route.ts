import { linkChanges } from "@/app/_web/linkRoute";
import { uuid } from "@/core/units/fields";
import { entryInput } from "@/core/visit/visitInput";
import { Refused } from "@/server/base/refused";
import { logHome } from "@/server/visits/home";

export const POST = linkChanges("home", entryInput, (ctx, _client, link, body, params) => {
  const visitId = uuid.safeParse(params.visitId);
  if (!visitId.success) throw new Refused("missing", "There is no such visit. Open the link again.");
  return logHome(ctx, link, visitId.data, body);
});
