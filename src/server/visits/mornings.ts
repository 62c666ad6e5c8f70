import "server-only";
import { randomUUID } from "node:crypto";
import type { z } from "zod";
import type { Activity } from "@/core/schedule/activity";
import type { Soreness } from "@/core/schedule/soreness";
import { SWELLING_WORDS } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import type { PainAt } from "@/core/units/painRegion";
import {
  answerFixed,
  type ClientMorning,
  gradeSaid,
  type SwellingSaid,
} from "@/core/visit/client/clientMorning";
import { morningNotYet } from "@/core/visit/morningOpens";
import { keptSigns, recheckFor } from "@/core/visit/signs/recheckSigns";
import type { morningInput } from "@/core/visit/visitInput";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, dayAndHour, dayOf, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import { type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { runOrders } from "../decide/orders";
import { writeRecheck } from "../decide/rechecks";
import { type Morning, recentVisits, swellingBefore } from "../history/visits";

/** Why the morning after a visit cannot be answered yet; null from 04:00 of the next day at the clinic. */
export function morningWaits(ctx: Ctx, startedAt: Date): string | null {
  const waits = morningNotYet(dayOf(ctx, startedAt), dayAndHour(ctx, ctx.now));
  return waits && sayPlainly(waits);
}

/**
 * Records how the next morning was. A correction is a new row that names the old one; a decided visit is closed. Where
 * standing orders let lines go on by themselves, they do it now.
 */
export async function recordMorning(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof morningInput>,
): Promise<MorningKept> {
  mustMay(ctx, "response.record");
  await lockEpisode(ctx, client.episodeId);
  const visit = (await recentVisits(ctx, client.episodeId)).find((v) => v.id === input.visitId);
  if (!visit) throw new Refused("missing", "This visit is not there, or long ago. Reload the page.");
  const notYet = morningWaits(ctx, visit.startedAt);
  if (notYet) throw new Refused("conflict", notYet);
  const swelling = client.swellingApplies ? input.swelling : null;
  if (await isRepeat(ctx, "response", client.episodeId, input)) return { corrected: null };
  if (visit.decisions.length > 0)
    throw new Refused(
      "conflict",
      "The decision for this visit has been taken; the answer can no longer change it.",
    );
  const stands = visit.morning;
  if (input.corrects !== null && stands?.id !== input.corrects)
    throw stands
      ? new Refused("conflict", `${standsWords(stands)} Reload the page to correct that answer.`)
      : new InputError("corrects", "The answer that this corrects is not of this visit. Reload the page.");
  // two people at once: one answer stands. A worse one is kept as its correction, a milder one never in silence
  if (input.corrects === null && stands && isMilder({ pain: input.pain, swelling }, stands))
    throw attempted(
      "response.second",
      new Refused(
        "conflict",
        `${standsWords(stands)} Yours is milder, so it does not replace it by itself: reload the page, and correct it there if it is wrong.`,
      ),
    );
  const corrects = input.corrects ?? stands?.id ?? null;
  await write(
    ctx,
    client,
    {
      ...input,
      corrects,
      swelling,
      besides: input.besides ?? null,
      regions: input.regions ?? [],
      soreness: input.soreness ?? null,
      swellingWord: null,
      alarm: null,
    },
    "staff",
  );
  return { corrected: input.corrects === null && stands ? standsWords(stands) : null };
}

/** What is entered of a morning that had an answer already. */
export interface MorningKept {
  /** what stood before, and was corrected by this; null: nothing, or it was meant to be corrected */
  corrected: string | null;
}

const standsWords = (m: Morning): string =>
  `${m.answeredBy === "client" ? "The client" : m.enteredBy} answered for this morning already: joint pain ${m.pain}${m.swelling === null ? "" : `, swelling ${SWELLING_WORDS[m.swelling]}`}.`;

/** Less pain or less swelling than what stands. */
const isMilder = (
  a: { pain: number; swelling: number | null },
  stands: Pick<Morning, "pain" | "swelling">,
): boolean => a.pain < stands.pain || (a.swelling ?? 0) < (stands.swelling ?? 0);

/** What the client hears after an answer. */
export interface AnswerKept {
  /** the answer was kept; false: it came too late, and only its warning signs were passed on */
  isKept: boolean;
  /** it says something that the clinic looks at first */
  isAlarming: boolean;
}

/**
 * The client's own answer by the link of a visit. Warning signs are always taken, and stop the floor at once; the rest
 * can be changed until noon of the same day, while the plan has not gone on from it.
 */
export async function answerMorning(
  ctx: Ctx,
  client: ClientEpisode,
  visitId: string,
  input: ClientMorning,
): Promise<AnswerKept> {
  mustMay(ctx, "morning.answer");
  await lockEpisode(ctx, client.episodeId);
  const visits = await recentVisits(ctx, client.episodeId);
  const visit = visits.find((v) => v.id === visitId);
  if (!visit) throw new Refused("missing", "This link has run out. Ask the clinic for a new one.");
  const signs = recheckFor(weeksAfterSurgery(ctx, client)).filter((s) => input.signs.includes(s));
  const isAlarming = signs.length > 0;
  try {
    if (await isRepeat(ctx, "response", client.episodeId, { ...input, visitId })) {
      const [kept] = await ctx.tx`select 1 from response where id = ${input.id}`;
      return { isKept: kept !== undefined, isAlarming };
    }
  } catch (error) {
    // another answer under the id of one that stands: its warning signs are taken all the same
    if (!isAlarming || !(error instanceof Refused)) throw error;
    await writeRecheck(ctx, client, { id: randomUUID(), signs, visitId });
    return { isKept: false, isAlarming };
  }
  const notYet = morningWaits(ctx, visit.startedAt);
  if (notYet) throw new Refused("conflict", notYet);
  if (isAlarming) await writeRecheck(ctx, client, { id: randomUUID(), signs, visitId });
  const fixed = answerFixed(
    visit.morning ? dayOf(ctx, visit.morning.enteredAt) : null,
    dayAndHour(ctx, ctx.now),
    visit.decisions.length > 0,
  );
  if (fixed && isAlarming) return { isKept: false, isAlarming };
  if (fixed)
    throw new Refused(
      "conflict",
      fixed === "used"
        ? "Your clinic has gone on from your answer already. If something has changed, call them."
        : "Answers can be changed until noon. If something has changed since, call your clinic.",
    );
  if (visit.morning?.answeredBy === "staff") {
    if (isAlarming) return { isKept: false, isAlarming };
    throw new Refused(
      "conflict",
      "Your clinic has written down how this morning was already. If it was different, call them.",
    );
  }
  const before = swellingBefore(client, visits, visit.day);
  await write(
    ctx,
    client,
    {
      id: input.id,
      visitId,
      corrects: visit.morning?.id ?? null,
      pain: input.pain,
      swelling: client.swellingApplies && input.swelling !== null ? gradeSaid(input.swelling, before) : null,
      swellingWord: input.swelling,
      stiffnessMin: input.stiffnessMin,
      besides: input.besides ?? null,
      regions: input.regions ?? [],
      soreness: input.soreness ?? null,
      alarm: isAlarming ? keptSigns(signs) : null,
    },
    "client",
  );
  return { isKept: true, isAlarming };
}

/** The answer as it is kept; standing orders go on from it. The caller holds the episode's lock. */
async function write(
  ctx: Ctx,
  client: ClientEpisode,
  r: {
    id: string;
    visitId: string;
    corrects: string | null;
    pain: number;
    swelling: number | null;
    swellingWord: SwellingSaid | null;
    stiffnessMin: number | null;
    besides: readonly Activity[] | null;
    regions: readonly PainAt[];
    soreness: Soreness;
    alarm: string | null;
  },
  answeredBy: "client" | "staff",
): Promise<void> {
  await ctx.tx`
    insert into response (id, clinic_id, visit_id, corrects, pain, swelling, swelling_word, stiffness_min, alarm,
      besides, regions, soreness, answered_by, answered_at, entered_by)
    values (${r.id}, ${ctx.actor.clinicId}, ${r.visitId}, ${r.corrects}, ${r.pain}, ${r.swelling}, ${r.swellingWord},
      ${r.stiffnessMin}, ${r.alarm},
      ${r.besides && ctx.tx.json(r.besides as never)}, ${ctx.tx.json(r.regions as never)},
      ${r.soreness && ctx.tx.json(r.soreness as never)},
      ${answeredBy}, ${ctx.now}, ${ctx.actor.personId})`;
  const { pain, swelling, stiffnessMin, besides, regions, soreness, alarm } = r;
  const answer = { pain, swelling, stiffnessMin, besides, regions, soreness, alarm };
  await audit(ctx, "response.record", "visit", r.visitId, null, answer);
  // one morning for all that was run on that day
  const visits = await recentVisits(ctx, client.episodeId);
  const day = visits.find((v) => v.id === r.visitId)?.day;
  for (const v of visits) if (v.day === day && v.end) await runOrders(ctx, client, v.id);
}
