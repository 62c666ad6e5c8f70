import "server-only";
import { type Ctx, once, today } from "./context";
import { Known } from "./known";

/**
 * Answers about episodes, each worked out anew only after something of its episode or of what the clinic shares changed, or
 * the day turned (0009_revisions.sql); the newest `most` are kept. What is kept is shared by later requests: nobody may
 * change it.
 */
export function untilChanged<T>(name: string, most: number) {
  const known = new Known<T>(most);
  return (ctx: Ctx, episodeId: string, work: () => Promise<T>, asked = ""): Promise<T> =>
    once(ctx, `${name} ${episodeId} ${asked}`, async () => {
      const { revisions, isClean } = await revisionsOf(ctx, episodeId);
      const key = `${episodeId} ${asked}`;
      const from = `${revisions} ${today(ctx)} ${ctx.actor.timeZone}`;
      const before = known.get(key, from);
      if (before !== null) return before;
      const answer = await work();
      // what is not committed yet may be taken back, and another change get its number
      if (isClean) known.keep(key, from, answer);
      return answer;
    });
}

const revisionsOf = (ctx: Ctx, episodeId: string) =>
  once(ctx, `revisions ${episodeId}`, async () => {
    const [r] = await ctx.tx<{ own: string | null; clinics: string | null; is_clean: boolean }[]>`
      select (select revision from revision where of = ${episodeId}) as own,
        (select revision from revision where of = ${ctx.actor.clinicId}) as clinics,
        pg_current_xact_id_if_assigned() is null as is_clean`;
    return { revisions: `${r?.own} ${r?.clinics}`, isClean: r?.is_clean ?? false };
  });
