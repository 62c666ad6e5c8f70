import "server-only";
import type { z } from "zod";
import type { oddConfirmed } from "@/core/visit/capacity/oddConfirmed";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";

/** What was too far from what was believed counts from now on: somebody who knows says that it was so. Rule L7. */
export async function confirmOdd(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof oddConfirmed>,
): Promise<void> {
  mustMay(ctx, "odd.confirm");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "odd", client.episodeId, input)) return;
  const [visit] = await ctx.tx`
    select id from visit where id = ${input.visitId} and episode_id = ${client.episodeId}`;
  if (!visit) throw new Refused("missing", "This visit is not there any more. Reload the page.");
  const written = await ctx.tx`
    insert into odd_confirmed (id, clinic_id, episode_id, visit_id, confirmed_by, confirmed_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.visitId}, ${ctx.actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  // a colleague said so a moment ago
  if (written.length > 0) await audit(ctx, "odd.confirm", "visit", input.visitId, null, { confirmed: true });
}
