import "server-only";
import { z } from "zod";
import { holdsBelong, type Marker, markerScores, markers } from "@/core/story/markers";
import { type Ctx, once } from "../base/context";
import { stands } from "./records";

/** Movements that bring it on, by the story. */
export async function markersOf(ctx: Ctx, episodeId: string): Promise<Marker[]> {
  const [r] = await ctx.tx`select markers from episode where id = ${episodeId}`;
  return markers.parse(r?.markers ?? []);
}

/** So many visits with holds are looked at, the newest. */
const LAST_VISITS = 8;
const rows = z.array(z.object({ markers: z.array(markerScores) }));

/** Where holds belong by what they did to this client's movements. Rule Marker 2. */
export const holdsBelongOf = (ctx: Ctx, episodeId: string): Promise<"front" | "behind" | null> =>
  once(ctx, `holds belong ${episodeId}`, async () => {
    const found = await ctx.tx`
      select e.markers from visit v join visit_end e on e.visit_id = v.id
      where v.episode_id = ${episodeId} and jsonb_array_length(e.markers) > 0
        and exists (select 1 from set_record r join sheet_line l on l.version_id = v.version_id and l.line_id = r.line_id
          where r.visit_id = v.id and l.scheme_kind = 'holds' and ${stands(ctx)})
      order by v.received_at desc, v.id limit ${LAST_VISITS}`;
    return holdsBelong(rows.parse(found).map((r) => r.markers));
  });
