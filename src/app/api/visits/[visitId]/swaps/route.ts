import { changes } from "@/app/_web/route";
import { swapAsked } from "@/core/visit/visitInput";
import { swapsOfVisit } from "@/server/visits/swapForToday";

/** What can stand in for a line today; writes nothing. */
export const POST = changes(swapAsked, (ctx, body, params: { visitId: string }) =>
  swapsOfVisit(ctx, params.visitId, body),
);
