import "server-only";
import type { z } from "zod";
import type { PainAt } from "@/core/units/painRegion";
import { type Concern, type concernSeen, concernsOf } from "@/core/visit/concerns";
import { standing } from "@/core/visit/setRecord";
import { worstElsewhere } from "@/core/visit/watched/elsewhere";
import { audit } from "../base/audit";
import { type Ctx, mustMay, once } from "../base/context";
import { lockEpisode } from "../base/lock";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import { painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { recordsOf } from "../history/records";
import { regionsOf } from "../history/regions";
import { recentVisits, swellingBefore, type VisitHead } from "../history/visits";

/** What a therapist has not seen yet of a client's last visits and their mornings. */
export const unseenConcerns = (ctx: Ctx, client: ClientEpisode): Promise<Concern[]> =>
  once(ctx, `concerns ${client.episodeId}`, async () => {
    const visits = await recentVisits(ctx, client.episodeId);
    if (visits.length === 0) return [];
    const painMax = await painMaxFor(ctx, client);
    const followed = new Set<string>((await regionsOf(ctx, client.episodeId)).map((f) => f.region));
    const said = await Promise.all(
      visits.map(async (v) => ({
        id: v.id,
        startedAt: v.startedAt,
        startedBy: v.startedBy,
        painAbove: await painAbove(ctx, v, painMax),
        elsewhere: v.decisions.length > 0 ? null : await newRegion(ctx, v, followed),
        end: v.end && {
          at: v.end.endedAt,
          stopped: v.end.stopped,
          by: v.end.signedBy,
          byTherapist: v.end.byTherapist,
        },
        morning: v.morning && {
          id: v.morning.id,
          at: v.morning.enteredAt,
          pain: v.morning.pain,
          signs: v.morning.alarm,
          by: v.morning.answeredBy === "client" ? "the client's own answer" : v.morning.enteredBy,
          byTherapist: v.morning.byTherapist,
          tells:
            client.school === "post_op" &&
            v.morning.swelling !== null &&
            v.morning.swelling > swellingBefore(client, visits, v.day),
        },
        isDecided: v.decisions.some((d) => d.byOrderOf === null),
        seen: v.seen,
      })),
    );
    return concernsOf(said, painMax);
  });

/** Pain above the limit in a set of a visit that runs; of a finished one its end says so. */
async function painAbove(ctx: Ctx, v: VisitHead, most: number) {
  if (v.end) return null;
  const pain = Math.max(0, ...standing(await recordsOf(ctx, v.id)).map((r) => r.pain ?? 0));
  return pain > most ? { pain, most } : null;
}

/** The worst pain in a region that nobody follows, in a visit that is not decided. Rule Region 4. */
async function newRegion(ctx: Ctx, v: VisitHead, followed: ReadonlySet<string>): Promise<PainAt | null> {
  const named = worstElsewhere(standing(await recordsOf(ctx, v.id))).filter(
    (x) => x.pain > 0 && !followed.has(x.region),
  );
  return named.sort((a, b) => b.pain - a.pain)[0] ?? null;
}

/** A therapist has seen it. The same again changes nothing. */
export async function seeConcern(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof concernSeen>,
): Promise<void> {
  mustMay(ctx, "concern.see");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "concern", client.episodeId, input)) return;
  const [visit] = await ctx.tx`
    select v.id from visit v where v.id = ${input.visitId} and v.episode_id = ${client.episodeId}
      and (${input.responseId}::uuid is null
        or exists (select 1 from response r where r.id = ${input.responseId} and r.visit_id = v.id))`;
  if (!visit) throw new Refused("missing", "This is not there any more. Reload the page.");
  const written = await ctx.tx`
    insert into concern_seen (id, clinic_id, episode_id, visit_id, response_id, seen_by, seen_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.visitId}, ${input.responseId},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  // a colleague saw it a moment ago: seen it is
  if (written.length > 0)
    await audit(ctx, "concern.see", "visit", input.visitId, null, { responseId: input.responseId });
}
