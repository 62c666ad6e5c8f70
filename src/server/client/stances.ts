import "server-only";
import { type Practice, practiceOf } from "@/core/drafts/schools/practice";
import type { StanceChange, StanceViewInput } from "@/core/phases/stanceInput";
import { GENERAL_STANCES, needsSurgeonsWord, stanceById } from "@/core/rules/stances";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, mustMay, once } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import type { ClientEpisode } from "./clients";

/** A stance as it was chosen, for a client or for the whole clinic. */
export interface StanceChoice {
  id: string;
  stanceId: string;
  /** null: taken back to the default */
  optionId: string | null;
  reason: string;
  by: string;
  at: Date;
}

/** What is in force for an episode: the client's own choice, else the clinic's. */
export interface StancesInForce {
  client: ReadonlyMap<string, StanceChoice>;
  clinic: ReadonlyMap<string, StanceChoice>;
}

/** In place of an episode's id: the clinic's own choices. */
const CLINIC = "clinic";

/** The newest choices: those that no later one replaces. `episodeIds` null: the clinic's defaults only. */
const choices = (ctx: Ctx, episodeId: string | null): Promise<ReadonlyMap<string, StanceChoice>> =>
  once(ctx, `stances ${episodeId}`, () => readChoices(ctx, episodeId));

async function readChoices(ctx: Ctx, episodeId: string | null): Promise<ReadonlyMap<string, StanceChoice>> {
  const rows = await rowsOf(
    ctx,
    "stances",
    episodeId ?? CLINIC,
    (keys) => ctx.tx`
      select coalesce(s.episode_id::text, ${CLINIC}) as of, s.id, s.stance_id, s.option_id, s.reason, s.set_at, p.name
      from stance_choice s join person p on p.id = s.set_by
      where (s.episode_id = any(${keys.filter((k) => k !== CLINIC)}::uuid[])
          or (s.episode_id is null and ${CLINIC} = any(${keys}::text[])))
        and not exists (select 1 from stance_choice r where r.replaces = s.id)`,
  );
  return new Map(
    rows.map((r) => [
      r.stance_id,
      {
        id: r.id,
        stanceId: r.stance_id,
        optionId: r.option_id,
        reason: r.reason,
        by: r.name,
        at: r.set_at,
      },
    ]),
  );
}

export const clinicStances = (ctx: Ctx): Promise<ReadonlyMap<string, StanceChoice>> => choices(ctx, null);

export async function stancesInForce(ctx: Ctx, episodeId: string): Promise<StancesInForce> {
  return { client: await choices(ctx, episodeId), clinic: await clinicStances(ctx) };
}

/** The option in force, null where the rule base's default stands. */
export const optionInForce = (s: StancesInForce, id: string): string | null =>
  s.client.get(id)?.optionId ?? s.clinic.get(id)?.optionId ?? null;

/** The answers in force to the questions that belong to no condition, by the question's id. */
export async function generalAnswers(ctx: Ctx, episodeId: string): Promise<Record<string, string>> {
  const stances = await stancesInForce(ctx, episodeId);
  return Object.fromEntries(
    GENERAL_STANCES.flatMap(({ id }) => {
      const option = optionInForce(stances, id);
      return option ? [[id, option] as const] : [];
    }),
  );
}

/** What schools change for a client beside limits and drafts. Rule K22. */
export const practiceFor = async (ctx: Ctx, episodeId: string): Promise<Practice> =>
  practiceOf(await generalAnswers(ctx, episodeId));

/**
 * Chooses a stance, for a client or (client null) as the clinic's default. `replaces` is the choice the person saw: if
 * somebody chose meanwhile, nothing is written.
 */
export async function chooseStance(
  ctx: Ctx,
  client: ClientEpisode | null,
  input: StanceChange,
): Promise<void> {
  mustMay(ctx, client ? "stance.write" : "clinic.stance.write");
  if (await isRepeat(ctx, "stance", client?.episodeId ?? null, input)) return;
  const stance = stanceById(input.stanceId);
  if (!stance) throw new InputError("stanceId", "There is no such question. Reload the page.");
  if (input.optionId !== null && !stance.options.some((o) => o.id === input.optionId))
    throw new InputError("optionId", { code: "input.choose_answer" });
  if (input.optionId !== null && needsSurgeonsWord(stance.id, input.optionId) && !input.surgeonAgrees)
    throw new InputError(
      "surgeonAgrees",
      "Only the surgeon's written word opens this choice: mark that it is on file, or leave it.",
    );
  const episodeId = client?.episodeId ?? null;
  const before = (await choices(ctx, episodeId)).get(input.stanceId) ?? null;
  const rows =
    (before?.id ?? null) === input.replaces
      ? await ctx.tx`
          insert into stance_choice (id, clinic_id, episode_id, stance_id, option_id, reason, replaces, set_by, set_at)
          values (${input.id}, ${ctx.actor.clinicId}, ${episodeId}, ${input.stanceId}, ${input.optionId},
            ${input.reason}, ${input.replaces}, ${ctx.actor.personId}, ${ctx.now})
          on conflict do nothing returning id`
      : [];
  if (rows.length === 0)
    throw new Refused(
      "conflict",
      `${before ? `${before.by} chose meanwhile: ${stance.options.find((o) => o.id === before.optionId)?.label ?? "the default"}` : "Somebody chose meanwhile"}. What you chose is still here: compare and save again.`,
    );
  await audit(
    ctx,
    client ? "stance.choose" : "clinic.stance.choose",
    "stance_choice",
    client?.episodeId ?? ctx.actor.clinicId,
    { stance: stance.topic, option: before?.optionId ?? null },
    { stance: stance.topic, option: input.optionId, reason: input.reason },
  );
}

export interface StanceView {
  id: string;
  stanceId: string;
  optionId: string;
  reason: string;
  by: string;
  at: Date;
}

/** What colleagues would rather do; the newest view of each person per question. */
export async function stanceViews(ctx: Ctx, episodeId: string): Promise<StanceView[]> {
  const rows = await ctx.tx`
    select distinct on (v.stance_id, v.said_by) v.*, p.name from stance_view v join person p on p.id = v.said_by
    where v.episode_id = ${episodeId} order by v.stance_id, v.said_by, v.said_at desc, v.id`;
  return rows.map((r) => ({
    id: r.id,
    stanceId: r.stance_id,
    optionId: r.option_id,
    reason: r.reason,
    by: r.name,
    at: r.said_at,
  }));
}

/** A therapist notes a different view; the stance in force stays. */
export async function noteStanceView(ctx: Ctx, client: ClientEpisode, input: StanceViewInput): Promise<void> {
  mustMay(ctx, "stance.write");
  if (await isRepeat(ctx, "stance.view", client.episodeId, input)) return;
  const stance = stanceById(input.stanceId);
  if (!stance?.options.some((o) => o.id === input.optionId))
    throw new InputError("optionId", { code: "input.choose_answer" });
  const rows = await ctx.tx`
    insert into stance_view (id, clinic_id, episode_id, stance_id, option_id, reason, said_by, said_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.stanceId}, ${input.optionId},
      ${input.reason}, ${ctx.actor.personId}, ${ctx.now})
    on conflict (id) do nothing returning id`;
  if (rows.length === 0) throw idIsTaken();
  await audit(ctx, "stance.view", "stance_view", client.episodeId, null, {
    stance: stance.topic,
    option: input.optionId,
    reason: input.reason,
  });
}
