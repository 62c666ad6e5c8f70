import { changes } from "@/app/_web/route";
import { holdRecord } from "@/core/session/holdRecord";
import { logHold } from "@/server/floor/running";

export const POST = changes(holdRecord, (ctx, body, params: { sessionId: string }) =>
  logHold(ctx, params.sessionId, body),
);
