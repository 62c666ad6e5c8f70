import { reads } from "@/app/_web/route";
import { standsUnder } from "@/server/base/sameId";

/** Whether anything stands under an id that a page made: asked where a reply was lost. */
export const GET = reads(
  (ctx, params: { id: string }) => standsUnder(ctx, params.id),
  (stands) => Response.json({ ok: true, result: { stands } }),
);
