import { changes } from "@/app/_web/route";
import { requestAnswered } from "@/core/requests/requestInput";
import { answerRequest } from "@/server/requests/requests";

export const POST = changes(requestAnswered, (ctx, body, params: { requestId: string }) =>
  answerRequest(ctx, params.requestId, body),
);
