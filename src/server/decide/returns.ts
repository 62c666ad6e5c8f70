import "server-only";
import { randomUUID } from "node:crypto";
import { z } from "zod";
import { nextLine } from "@/core/decision/nextLine";
import { AWAY, losesFaster, type Return, returnAfter } from "@/core/schedule/daysOff";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import { daysBetween } from "@/core/units/days";
import { uuid, wholeField } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { saidWith } from "@/core/units/said";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, mustMay, today } from "../base/context";
import { lockEpisode } from "../base/lock";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";
import { contextOfSheet } from "../facts/sheetFacts";
import { isStopped, recentVisits } from "../history/visits";
import { writeVersion } from "../sheets/saveSheet";
import { sheetsOf } from "../versions/sheets";

/** Days without work, what they ask for, and what somebody made of it; null: nothing was done yet. */
export interface DaysOff {
  visitId: string;
  days: number;
  proposed: Return;
  chosen: { what: Return; by: string; at: Date } | null;
}

export async function daysOffOf(ctx: Ctx, client: ClientEpisode): Promise<DaysOff | null> {
  const last = (await recentVisits(ctx, client.episodeId)).at(-1);
  if (!last) return null;
  const [r] = await rowsOf(
    ctx,
    "returns",
    last.id,
    (keys) => ctx.tx`
      select c.visit_id as of, c.chosen, c.chosen_at, p.name from return_choice c join person p on p.id = c.chosen_by
      where c.visit_id = any(${keys}::uuid[])`,
  );
  const days = daysBetween(dayOf(ctx, last.startedAt), today(ctx));
  return {
    visitId: last.id,
    days,
    proposed: returnAfter(days),
    chosen: r ? { what: r.chosen, by: r.name, at: r.chosen_at } : null,
  };
}

export const returnChosen = z
  .object({
    id: uuid,
    visitId: uuid,
    proposed: z.enum(["same", "step_back", "start_again"]),
    chosen: z.enum(["same", "step_back", "start_again"]),
    reason: z.string().trim().min(3, { error: "input.why_few" }).max(300).nullable(),
    because: z.enum(AWAY, { error: "input.away_why" }),
    /** of the days away, in bed, ill or in a brace */
    bedDays: wholeField("bed_days", 0, 5000),
  })
  .refine((r) => losesFaster(r.because) || r.bedDays === 0, { path: ["bedDays"], error: "input.away_none" })
  .refine((r) => r.chosen === r.proposed || r.reason !== null, {
    path: ["reason"],
    error: "input.other_return_why",
  });

/** Keeps what is done after days off; a step back makes the next version of every sheet, each line one step easier. */
export async function chooseReturn(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof returnChosen>,
): Promise<void> {
  mustMay(ctx, "decision.take");
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "return", client.episodeId, input)) return;
  const off = await daysOffOf(ctx, client);
  if (!off || off.visitId !== input.visitId || off.proposed !== input.proposed)
    throw new Refused("conflict", "Something was done meanwhile, or a day has passed. Reload the page.");
  if (input.bedDays > off.days)
    throw new InputError("bedDays", saidWith("input.away_more", { days: off.days }));
  if (off.chosen) throw new Refused("conflict", `${off.chosen.by} has chosen already. Reload the page.`);
  await ctx.tx`
    insert into return_choice (id, clinic_id, episode_id, visit_id, days_off, proposed, chosen, reason, away_because,
      bed_days, chosen_by, chosen_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.visitId}, ${off.days}, ${off.proposed},
      ${input.chosen}, ${input.reason}, ${input.because}, ${input.bedDays}, ${ctx.actor.personId}, ${ctx.now})`;
  if (input.chosen === "step_back") await stepBack(ctx, client);
  const { proposed, chosen, reason, because, bedDays } = input;
  await audit(
    ctx,
    "return.choose",
    "episode",
    client.episodeId,
    { daysOff: off.days, proposed },
    { chosen, reason, because, bedDays },
  );
}

/** Every line of every sheet one step easier, where a step can be set; a line that has none stays. */
async function stepBack(ctx: Ctx, client: ClientEpisode): Promise<void> {
  const visits = await recentVisits(ctx, client.episodeId);
  for (const sheet of await sheetsOf(ctx, client.episodeId)) {
    // what was stopped stays stopped: only a version that a therapist writes opens it again
    if (isStopped(visits, sheet)) continue;
    const context = await contextOfSheet(ctx, client, sheet);
    const facts = { school: client.school, irritability: client.irritability, context, usedKg: null };
    const items = sheet.lines.map(({ plan }): SheetLine => {
      const { line } = nextLine(plan, "REGRESS", null, facts);
      if (!line) return plan;
      const easier = { ...plan, ...line };
      const [judged] = judgeScore([{ ...easier, sharesRests: false }], context);
      return judged && judged.bars.length === 0 ? easier : plan;
    });
    const [first, ...rest] = items;
    if (!first || JSON.stringify(items) === JSON.stringify(sheet.lines.map((l) => l.plan))) continue;
    await writeVersion(ctx, client, {
      id: randomUUID(),
      sheetId: sheet.sheetId,
      version: sheet.version + 1,
      items: [{ ...first, sharesRests: false }, ...rest],
      origin: "decision",
      before: sheet,
    });
  }
}

/** Why nothing is run after time off before a therapist has chosen how to go on; null where it may. */
export async function returnBarred(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const off = await daysOffOf(ctx, client);
  if (!off || off.proposed === "same") return null;
  if (!off.chosen)
    return off.proposed === "step_back"
      ? `Nothing was done for ${off.days} days: one step back of every line is proposed. A therapist chooses in Week how to go on.`
      : `Nothing was done for ${off.days} days. A therapist chooses in Week how to begin again: from a test, or otherwise.`;
  if (off.chosen.what !== "start_again") return null;
  const [test] = await ctx.tx`
    select 1 from strength_test where episode_id = ${client.episodeId} and voided_at is null
      and taken_at >= ${off.chosen.at}
    union all
    select 1 from measurement where episode_id = ${client.episodeId} and voided_at is null
      and kind = 'repetition_test' and taken_at >= ${off.chosen.at} limit 1`;
  return test
    ? null
    : `After ${off.days} days off it begins again from a test: measure strength first, then look through the sheet.`;
}
