import { changes } from "@/app/_web/route";
import { endInput } from "@/core/session/sessionInput";
import { endSession } from "@/server/floor/running";

export const POST = changes(endInput, (ctx, body, params: { sessionId: string }) =>
  endSession(ctx, params.sessionId, body),
);
