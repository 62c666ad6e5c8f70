import { changes } from "@/app/_web/route";
import { bodyInput } from "@/core/body/bodyInput";
import { updateBody } from "@/server/client/clients";

export const POST = changes(bodyInput, (ctx, body, params: { clientId: string }) =>
  updateBody(ctx, params.clientId, body),
);
