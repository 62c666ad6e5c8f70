import "server-only";
import { conditionById } from "@/core/rules/conditions";
import { type RedFlag, redFlagById } from "@/core/rules/redFlags";
import { pressureCalledFor, withReading } from "@/core/screening/bloodPressure";
import { type Answer, questionsFor } from "@/core/screening/screening";
import type { ScreeningInput, SignClearance } from "@/core/screening/screeningInput";
import { type ScreeningRecord, type ScreeningState, screeningState } from "@/core/screening/screeningState";
import { InputError } from "@/core/units/inputError";
import type { Coded } from "@/core/units/said";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, mustMay, once, today } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import { ageYearsOf, type ClientEpisode } from "./clients";

/** A screening as it was answered, with who signed it and what was cleared. */
export interface StoredScreening extends ScreeningRecord {
  by: string;
  at: Date;
  answers: { questionId: string; answer: Answer; escalations: string[]; askedAs: "one" | "group" }[];
  systolicMmHg: number | null;
  diastolicMmHg: number | null;
  /** why it was not taken where it was called for */
  pressureNotTaken: string | null;
  clearances: {
    questionId: string;
    onWordOf: "therapist" | "physician";
    words: string;
    by: string;
    at: Date;
  }[];
}

/** The questions for a client: of every condition's region, the general ones, and those for after surgery. */
export const questionsOf = (ctx: Ctx, client: ClientEpisode): Promise<RedFlag[]> =>
  once(ctx, `questions ${client.episodeId}`, () => readQuestionsOf(ctx, client));

async function readQuestionsOf(ctx: Ctx, client: ClientEpisode): Promise<RedFlag[]> {
  const rows = await rowsOf(
    ctx,
    "condition ids",
    client.episodeId,
    (keys) => ctx.tx`
      select episode_id as of, condition_id from episode_condition
      where episode_id = any(${keys}::uuid[]) and ended_on is null`,
  );
  const isPostOp = client.beganWith === "surgery";
  const conditions = rows.map((r) => conditionById(r.condition_id)).filter((c) => c !== null);
  // without a condition of the rule base every region is asked
  const asked = conditions.length
    ? conditions.flatMap((c) => questionsFor(c, isPostOp))
    : (["knee", "hip", "lumbar"] as const).flatMap((main_region) =>
        questionsFor({ main_region, redflag_ids: [] }, isPostOp),
      );
  const ids = new Set(asked.map((q) => q.id));
  const isAsked = (q: RedFlag): boolean => !q.only_for || conditions.some((c) => q.only_for?.includes(c.id));
  return [...ids].flatMap((id) => redFlagById(id) ?? []).filter(isAsked);
}

/** All screenings of an episode, newest first. */
export const screeningsOf = (ctx: Ctx, episodeId: string): Promise<StoredScreening[]> =>
  once(ctx, `screenings ${episodeId}`, () => readScreeningsOf(ctx, episodeId));

async function readScreeningsOf(ctx: Ctx, episodeId: string): Promise<StoredScreening[]> {
  const rows = await rowsOf(
    ctx,
    "screenings",
    episodeId,
    (keys) => ctx.tx`
    select s.episode_id as of, s.*, p.name,
      (select json_agg(json_build_object('questionId', a.question_id, 'answer', a.answer, 'escalations', a.escalations,
          'askedAs', a.asked_as))
        from screening_answer a where a.screening_id = s.id) as answers,
      (select json_agg(json_build_object('questionId', c.question_id, 'onWordOf', c.on_word_of, 'words', c.words,
          'by', q.name, 'at', c.cleared_at))
        from screening_clearance c join person q on q.id = c.cleared_by where c.screening_id = s.id) as clearances
    from screening s join person p on p.id = s.answered_by
    where s.episode_id = any(${keys}::uuid[]) order by s.answered_at desc, s.id`,
  );
  return rows.map((r) => {
    const clearances = ((r.clearances ?? []) as StoredScreening["clearances"]).map((c) => ({
      ...c,
      at: new Date(c.at),
    }));
    return {
      id: r.id,
      on: dayOf(ctx, r.answered_at),
      at: r.answered_at,
      by: r.name,
      systolicMmHg: r.systolic_mmhg,
      diastolicMmHg: r.diastolic_mmhg,
      pressureNotTaken: r.pressure_not_taken,
      answers: (r.answers ?? []) as StoredScreening["answers"],
      cleared: clearances.map((c) => c.questionId),
      clearances,
    };
  });
}

/** Where the client's screening stands today. */
export const screeningStateOf = (ctx: Ctx, client: ClientEpisode): Promise<ScreeningState> =>
  once(ctx, `screening state ${client.episodeId}`, () => readScreeningStateOf(ctx, client));

async function readScreeningStateOf(ctx: Ctx, client: ClientEpisode): Promise<ScreeningState> {
  const [last] = await rowsOf(
    ctx,
    "last visit",
    client.episodeId,
    (keys) => ctx.tx`
      select episode_id as of, max(started_at) as at from visit
      where episode_id = any(${keys}::uuid[]) group by episode_id`,
  );
  return screeningState(
    await questionsOf(ctx, client),
    await screeningsOf(ctx, client.episodeId),
    today(ctx),
    last?.at ? dayOf(ctx, last.at) : null,
  );
}

/** Why nothing that loads the leg may be done, a maximal test included; an old screening alone does not bar it. */
export async function loadingBarred(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const state = await screeningStateOf(ctx, client);
  return state.status === "due" || !state.barsFloor ? null : sayPlainly(state.barsFloor);
}

/** Why a reading belongs to this screening; null where it does not. */
async function pressureBecause(
  ctx: Ctx,
  client: ClientEpisode,
  input: Pick<ScreeningInput, "answers">,
): Promise<Coded | null> {
  return pressureCalledFor({
    ...(await pressureFacts(ctx, client)),
    positiveIds: input.answers.filter((a) => a.answer !== "no").map((a) => a.questionId),
  });
}

/** Age and conditions, as far as they call for a reading. */
export async function pressureFacts(
  ctx: Ctx,
  client: ClientEpisode,
): Promise<{ ageYears: number; conditionIds: string[] }> {
  const rows = await ctx.tx`
    select condition_id from episode_condition where episode_id = ${client.episodeId} and ended_on is null`;
  return {
    ageYears: ageYearsOf(ctx, client),
    conditionIds: rows.map((r) => r.condition_id),
  };
}

/** Records a whole screening, signed by who is signed in. Every question of the client needs an answer. */
export async function recordScreening(ctx: Ctx, client: ClientEpisode, input: ScreeningInput): Promise<void> {
  mustMay(ctx, "screen.record");
  if (await isRepeat(ctx, "screening", client.episodeId, input)) return;
  const asked = await questionsOf(ctx, client);
  const missing = asked.filter((q) => !input.answers.some((a) => a.questionId === q.id));
  if (missing.length > 0)
    throw new InputError(
      "",
      "Some questions have no answer.",
      missing.map((q) => ({ field: q.id, sentence: "This question has no answer yet." })),
    );
  const because = await pressureBecause(ctx, client, input);
  if (because && input.systolicMmHg === null && !input.pressureNotTaken)
    throw new InputError(
      "systolicMmHg",
      `Blood pressure is asked for here, because ${sayPlainly(because)}: enter both readings, or say why it was not taken.`,
    );
  const answers = withReading(
    input.answers.filter((a) => asked.some((q) => q.id === a.questionId)),
    input,
  );
  for (const a of answers) {
    const allowed = redFlagById(a.questionId)?.escalate_if.map((e) => e.if) ?? [];
    if (a.escalations.some((e) => !allowed.includes(e)))
      throw new InputError(a.questionId, "This question has no such addition. Reload the page.");
  }
  const [fresh] = await ctx.tx`
    insert into screening (id, clinic_id, episode_id, systolic_mmhg, diastolic_mmhg, pressure_not_taken, answered_by,
      answered_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.systolicMmHg}, ${input.diastolicMmHg},
      ${input.pressureNotTaken ?? null},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict (id) do nothing returning id`;
  if (!fresh) throw idIsTaken();
  await ctx.tx`insert into screening_answer ${ctx.tx(
    answers.map((a) => ({
      clinic_id: ctx.actor.clinicId,
      screening_id: input.id,
      question_id: a.questionId,
      answer: a.answer,
      escalations: a.answer === "no" ? [] : [...a.escalations],
      // a reading may have turned a no of a group into a yes
      asked_as: a.answer === "no" ? a.askedAs : "one",
    })),
  )}`;
  const positive = answers.filter((a) => a.answer !== "no").map((a) => a.questionId);
  await audit(ctx, "screen.record", "screening", client.episodeId, null, { positive });
}

/** Clears a warning sign in every screening in which it stands. Only a therapist may, with a reason or a physician's word. */
export async function clearSign(ctx: Ctx, client: ClientEpisode, input: SignClearance): Promise<void> {
  mustMay(ctx, "recheck.clear");
  if (await isRepeat(ctx, "sign.clear", client.episodeId, input)) return;
  const standing = (await screeningsOf(ctx, client.episodeId)).filter(
    (s) =>
      !s.cleared.includes(input.questionId) &&
      s.answers.some((a) => a.questionId === input.questionId && a.answer !== "no"),
  );
  const flag = redFlagById(input.questionId);
  if (standing.length === 0 || !flag)
    throw new Refused("conflict", "There is no such warning sign to clear any more. Reload the page.");
  let isFirst = true;
  for (const s of standing) {
    await ctx.tx`
      insert into screening_clearance (id, clinic_id, screening_id, question_id, on_word_of, words, cleared_by, cleared_at)
      values (${isFirst ? input.id : crypto.randomUUID()}, ${ctx.actor.clinicId}, ${s.id}, ${input.questionId},
        ${input.onWordOf}, ${input.words}, ${ctx.actor.personId}, ${ctx.now})
      on conflict do nothing`;
    isFirst = false;
  }
  await audit(
    ctx,
    "screen.clear",
    "screening",
    client.episodeId,
    { sign: flag.question },
    { onWordOf: input.onWordOf, words: input.words },
  );
}
