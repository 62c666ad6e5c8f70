import { changes } from "@/app/_web/route";
import { entryInput } from "@/core/visit/visitInput";
import { logEvent } from "@/server/visits/running";

export const POST = changes(entryInput, (ctx, body, params: { visitId: string }) =>
  logEvent(ctx, params.visitId, body),
);
