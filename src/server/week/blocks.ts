import "server-only";
import { type PlannedDay, weeksOf } from "@/core/schedule/block/block";
import { type BlockKept, blockWishes, type SheetWish } from "@/core/schedule/block/blockInput";
import { type Broken, checkBlock } from "@/core/schedule/block/checkBlock";
import { weekdayOf } from "@/core/units/days";
import { InputError } from "@/core/units/inputError";
import { brokenWords } from "@/words/en/week";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, mustMay, once, today } from "../base/context";
import { lockEpisode } from "../base/lock";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";
import { weekFacts } from "./weekFacts";

/** A block as it is in force. */
export interface StoredBlock {
  id: string;
  startsOn: string;
  buildWeeks: number;
  keepWeeks: number;
  wishes: Record<string, SheetWish>;
  minutes: number[];
  gym: boolean[];
  away: string[];
  days: (PlannedDay & { at: string | null })[];
  /** why it goes above the week's guard; null: it does not */
  overReason: string | null;
  by: string;
  at: Date;
}

/** The newest block of an episode; null where none was kept. */
export const blockOf = (ctx: Ctx, episodeId: string): Promise<StoredBlock | null> =>
  once(ctx, `block ${episodeId}`, async () => {
    const [r] = await rowsOf(
      ctx,
      "block",
      episodeId,
      (keys) => ctx.tx`
        select distinct on (b.episode_id) b.episode_id as of, b.*, p.name,
          array(select a::text from unnest(b.away) a) as away_days,
          (select json_agg(json_build_object('sheetId', d.sheet_id, 'on', d.on_day, 'pinned', d.is_pinned,
              'isShort', d.is_short,
              'at', to_char(d.at_time, 'HH24:MI')) order by d.on_day, d.sheet_id)
            from block_day d where d.block_id = b.id) as days
        from block b join person p on p.id = b.made_by
        where b.episode_id = any(${keys}::uuid[])
        order by b.episode_id, b.made_at desc, b.id`,
    );
    return r
      ? {
          id: r.id,
          startsOn: r.starts_on,
          buildWeeks: r.build_weeks,
          keepWeeks: r.keep_weeks,
          wishes: blockWishes.parse(r.wishes),
          minutes: r.minutes,
          gym: r.gym,
          away: r.away_days,
          days: r.days ?? [],
          overReason: r.over_reason,
          by: r.name,
          at: r.made_at,
        }
      : null;
  });

/**
 * Keeps a block. Every hard rule is asked again here, from what is known at the clinic; what is past is not planned. The
 * same block sent twice is one.
 */
export async function keepBlock(ctx: Ctx, client: ClientEpisode, input: BlockKept): Promise<void> {
  mustMay(ctx, "plan.write");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "block", client.episodeId, input)) return;
  const newest = await blockOf(ctx, client.episodeId);
  if ((newest?.id ?? null) !== input.replaces)
    throw new Refused(
      "conflict",
      `${newest?.by ?? "Somebody"} kept other days meanwhile. What you laid is still here: reload in another window, compare and keep again.`,
    );
  if (weekdayOf(input.startsOn) !== 0)
    throw new InputError("startsOn", "A block begins on a Monday: choose another day.");
  if (weeksOf(input) === 0)
    throw new InputError("keepWeeks", "A block has a week at the least: build, keep, or both.");
  const { question } = await weekFacts(ctx, client, input);
  const broken = checkBlock(
    question,
    input.days.filter((d) => d.on >= today(ctx)),
  );
  const bars = broken.filter((b) => !b.isCaution);
  if (bars.length > 0) throw brokenError(bars);
  if (broken.length > 0 && !input.overReason)
    throw new InputError("overReason", { code: "input.over_reason" }, [
      { field: "overReason", sentence: brokenWords(broken[0] as Broken) },
    ]);
  await ctx.tx`
    insert into block (id, clinic_id, episode_id, starts_on, build_weeks, keep_weeks, wishes, minutes, gym, away, over_reason,
      made_by, made_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.startsOn}, ${input.buildWeeks},
      ${input.keepWeeks}, ${ctx.tx.json(input.wishes)}, ${input.minutes}, ${truths(input.gym)}::boolean[], ${input.away}::date[],
      ${broken.length > 0 ? (input.overReason ?? null) : null}, ${ctx.actor.personId}, ${ctx.now})`;
  if (input.days.length > 0)
    await ctx.tx`
      insert into block_day (block_id, clinic_id, sheet_id, on_day, at_time, is_pinned, is_short)
      select ${input.id}, ${ctx.actor.clinicId}, d.sheet, d.day, d.hour, d.pinned, d.short
      from unnest(${input.days.map((d) => d.sheetId)}::uuid[], ${input.days.map((d) => d.on)}::date[],
        ${input.days.map((d) => input.wishes[d.sheetId]?.at ?? null) as string[]}::time[],
        ${truths(input.days.map((d) => d.pinned))}::boolean[],
        ${truths(input.days.map((d) => d.isShort))}::boolean[]) as d(sheet, day, hour, pinned, short)`;
  const { startsOn, buildWeeks, keepWeeks } = input;
  await audit(ctx, "block.keep", "episode", client.episodeId, null, {
    startsOn,
    buildWeeks,
    keepWeeks,
    days: input.days.length,
  });
}

/** As PostgreSQL writes them: the driver would send an array of truths as one. */
const truths = (all: readonly boolean[]): string => `{${all.map((x) => (x ? "t" : "f")).join(",")}}`;

function brokenError(broken: readonly Broken[]): InputError {
  const sentences = broken.slice(0, 8).map((b) => ({ field: `days.${b.on}`, sentence: brokenWords(b) }));
  return new InputError("days", sentences[0]?.sentence ?? "These days break a rule.", sentences);
}
