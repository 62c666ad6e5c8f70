import "server-only";
import type { z } from "zod";
import type { RequestKind, requestAnswered, requestAsked } from "@/core/requests/requestInput";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, mustMay } from "../base/context";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";

/** What somebody asked a therapist for, with the answer where there is one. */
export interface ClientRequest {
  id: string;
  kind: RequestKind;
  sheetId: string | null;
  lineId: string | null;
  words: string;
  by: string;
  at: Date;
  /** null: not answered yet */
  isAllowed: boolean | null;
  answer: string | null;
  answeredBy: string | null;
}

/** Answered ones are read for so long. */
const ANSWERED_DAYS = 7;

/** Requests that wait, and those answered in the last week, the newest first. */
export async function requestsOf(ctx: Ctx, episodeId: string): Promise<ClientRequest[]> {
  const rows = await rowsOf(
    ctx,
    "requests",
    episodeId,
    (keys) => ctx.tx`
      select r.episode_id as of, r.*, p.name, a.name as answered_name from request r
      join person p on p.id = r.asked_by left join person a on a.id = r.answered_by
      where r.episode_id = any(${keys}::uuid[])
        and (r.answered_at is null or r.answered_at > ${ctx.now}::timestamptz - make_interval(days => ${ANSWERED_DAYS}))
      order by r.asked_at desc, r.id`,
  );
  return rows.map((r) => ({
    id: r.id,
    kind: r.kind,
    sheetId: r.sheet_id,
    lineId: r.line_id,
    words: r.words,
    by: r.name,
    at: r.asked_at,
    isAllowed: r.is_allowed,
    answer: r.answer,
    answeredBy: r.answered_name,
  }));
}

/** Asks a therapist. Sent twice it is one. */
export async function makeRequest(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof requestAsked>,
): Promise<void> {
  mustMay(ctx, "request.make");
  if (await isRepeat(ctx, "request", client.episodeId, input)) return;
  if (input.sheetId !== null) {
    const [sheet] =
      await ctx.tx`select 1 from sheet where id = ${input.sheetId} and episode_id = ${client.episodeId}`;
    if (!sheet) throw new Refused("missing", "This sheet is not there any more. Reload the page.");
  }
  await ctx.tx`
    insert into request (id, clinic_id, episode_id, sheet_id, line_id, kind, words, asked_by, asked_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.sheetId}, ${input.lineId}, ${input.kind},
      ${input.words}, ${ctx.actor.personId}, ${ctx.now})`;
  const { kind, words } = input;
  await audit(ctx, "request.make", "request", input.id, null, { kind, words });
}

/**
 * Allows or refuses what was asked. It is a word and no more: limits, doses and decisions are still changed by the
 * therapist on their own pages, and the floor still keeps to them.
 */
export async function answerRequest(
  ctx: Ctx,
  id: string,
  input: z.infer<typeof requestAnswered>,
): Promise<void> {
  mustMay(ctx, "request.answer");
  const rows = await ctx.tx`
    update request set is_allowed = ${input.isAllowed}, answer = ${input.answer}, answered_by = ${ctx.actor.personId},
      answered_at = ${ctx.now}
    where id = ${id} and answered_at is null returning episode_id`;
  if (rows.length === 0) {
    const [known] = await ctx.tx`
      select r.is_allowed, r.answer, r.answered_by, p.name from request r join person p on p.id = r.answered_by where r.id = ${id}`;
    if (!known) throw new Refused("missing", "This request is not there any more. Reload the page.");
    // the same word of the same person is one; of another, or with other words, it is told what stands
    const isSame = known.answered_by === ctx.actor.personId && (known.answer ?? "") === (input.answer ?? "");
    if (known.is_allowed === input.isAllowed && isSame) return;
    throw new Refused(
      "conflict",
      `${known.name} ${known.is_allowed ? "allowed" : "refused"} it meanwhile${known.answer ? `: ${known.answer}` : ""}. Reload the page.`,
    );
  }
  await audit(ctx, "request.answer", "request", id, null, input);
}
