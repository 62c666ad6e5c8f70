import "server-only";
import type { z } from "zod";
import { InputError } from "@/core/units/inputError";
import { morningNotYet } from "@/core/visit/morningOpens";
import type { morningInput } from "@/core/visit/visitInput";
import { audit } from "../base/audit";
import { type Ctx, dayAndHour, dayOf, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { mustBeSame, Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";
import { runOrders } from "./orders";

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
  await ctx.tx`
    insert into response (id, clinic_id, visit_id, corrects, pain, swelling, stiffness_min, alarm, answered_by, answered_at,
      entered_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${input.visitId}, ${input.corrects}, ${input.pain}, ${swelling},
      ${input.stiffnessMin}, null, 'staff', ${ctx.now}, ${ctx.actor.personId})`;
  await audit(ctx, "response.record", "visit", input.visitId, null, {
    pain: input.pain,
    swelling: input.swelling,
    stiffnessMin: input.stiffnessMin,
  });
  await runOrders(ctx, client, input.visitId);
}
