import "server-only";
import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { InputError } from "@/core/units/inputError";
import {
  answerFixed,
  type ClientMorning,
  gradeSaid,
  type SwellingSaid,
} from "@/core/visit/client/clientMorning";
import { morningNotYet } from "@/core/visit/morningOpens";
import { recheckFor } from "@/core/visit/recheckSigns";
import type { morningInput } from "@/core/visit/visitInput";
import { audit } from "../base/audit";
import { type Ctx, dayAndHour, dayOf, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { mustBeSame, Refused } from "../base/refused";
import { type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { runOrders } from "./orders";
import { writeRecheck } from "./rechecks";
import { recentVisits, swellingBefore } from "./visits";

/** Why the morning after a visit cannot be answered yet; null from 04:00 of the next day at the clinic. */
export const morningWaits = (ctx: Ctx, startedAt: Date): string | null =>
  morningNotYet(dayOf(ctx, startedAt), dayAndHour(ctx, ctx.now));

/**
 * Records how the next morning was. A correction is a new row that names the old one; a decided visit is closed. Where
 * standing orders let lines go on by themselves, they do it now.
 */
export async function recordMorning(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof morningInput>,
): Promise<void> {
  mustMay(ctx, "response.record");
  await lockEpisode(ctx, client.episodeId);
  const [visit] = await ctx.tx`
    select v.id, v.started_at, exists (select 1 from decision d where d.visit_id = v.id) as decided
    from visit v where v.id = ${input.visitId} and v.episode_id = ${client.episodeId}`;
  if (!visit) throw new Refused("missing", "This visit is not there. Reload the page.");
  const notYet = morningWaits(ctx, visit.started_at);
  if (notYet) throw new Refused("conflict", notYet);
  const [known] = await ctx.tx`
    select visit_id, corrects, pain, swelling, stiffness_min from response where id = ${input.id}`;
  const swelling = client.swellingApplies ? input.swelling : null;
  if (known) {
    const isSame =
      known.visit_id === input.visitId &&
      known.corrects === input.corrects &&
      known.pain === input.pain &&
      known.swelling === swelling &&
      known.stiffness_min === input.stiffnessMin;
    return mustBeSame(isSame, "response.repeat", "This morning was entered before, with other answers");
  }
  if (input.corrects !== null) {
    const [old] =
      await ctx.tx`select 1 from response where id = ${input.corrects} and visit_id = ${input.visitId}`;
    if (!old)
      throw new InputError(
        "corrects",
        "The answer that this corrects is not of this visit. Reload the page.",
      );
  }
  if (visit.decided)
    throw new Refused(
      "conflict",
      "The decision for this visit has been taken; the answer can no longer change it.",
    );
  await write(ctx, client, { ...input, swelling, swellingWord: null, alarm: null }, "staff");
}

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
  const [same] = await ctx.tx`select visit_id from response where id = ${input.id}`;
  const signs = recheckFor(weeksAfterSurgery(ctx, client)).filter((s) => input.signs.includes(s));
  const isAlarming = signs.length > 0;
  if (same) return { isKept: same.visit_id === visitId, isAlarming };
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
  const before = swellingBefore(client, visits, visit.startedAt);
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
      alarm: isAlarming ? signs.join("; ") : null,
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
    alarm: string | null;
  },
  answeredBy: "client" | "staff",
): Promise<void> {
  await ctx.tx`
    insert into response (id, clinic_id, visit_id, corrects, pain, swelling, swelling_word, stiffness_min, alarm,
      answered_by, answered_at, entered_by)
    values (${r.id}, ${ctx.actor.clinicId}, ${r.visitId}, ${r.corrects}, ${r.pain}, ${r.swelling}, ${r.swellingWord},
      ${r.stiffnessMin}, ${r.alarm}, ${answeredBy}, ${ctx.now}, ${ctx.actor.personId})`;
  const { pain, swelling, stiffnessMin, alarm } = r;
  await audit(ctx, "response.record", "visit", r.visitId, null, { pain, swelling, stiffnessMin, alarm });
  await runOrders(ctx, client, r.visitId);
}
