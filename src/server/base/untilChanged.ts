import "server-only";
import { type Ctx, today } from "./context";
import type { Known } from "./known";

/**
 * An answer about an episode that is worked out anew only after something of the episode or of what the clinic shares changed,
 * or the day turned (0009_revisions.sql). What is kept is shared by later requests: nobody may change it.
 */
export async function untilChanged<T>(
  ctx: Ctx,
  known: Known<T>,
  about: { episodeId: string; asked?: string },
  work: () => Promise<T>,
): Promise<T> {
  const [r] = await ctx.tx<{ own: string | null; clinics: string | null; is_clean: boolean }[]>`
    select (select revision from revision where of = ${about.episodeId}) as own,
      (select revision from revision where of = ${ctx.actor.clinicId}) as clinics,
      pg_current_xact_id_if_assigned() is null as is_clean`;
  const key = `${about.episodeId} ${about.asked ?? ""}`;
  const from = `${r?.own} ${r?.clinics} ${today(ctx)} ${ctx.actor.timeZone}`;
  const before = known.get(key, from);
  if (before !== null) return before;
  const answer = await work();
  // what is not committed yet may be taken back, and another change get its number
  if (r?.is_clean) known.keep(key, from, answer);
  return answer;
}
