import "server-only";
import type { z } from "zod";
import { morningNotYet } from "@/core/session/morningOpens";
import type { morningInput } from "@/core/session/sessionInput";
import { InputError } from "@/core/units/inputError";
import { audit } from "../audit";
import type { ClientEpisode } from "../clients";
import { type Ctx, dayAndHour, dayOf, mustMay } from "../context";
import { lockEpisode } from "../lock";
import { mustBeSame, Refused } from "../refused";

/** Why the morning after a session cannot be answered yet; null from 04:00 of the next day at the clinic. */
export const morningWaits = (ctx: Ctx, startedAt: Date): string | null =>
  morningNotYet(dayOf(ctx, startedAt), dayAndHour(ctx, ctx.now));

/** Records how the next morning was. A correction is a new row that names the old one; a decided session is closed. */
export async function recordMorning(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof morningInput>,
): Promise<void> {
  mustMay(ctx, "response.record");
  await lockEpisode(ctx, client.episodeId);
  const [session] = await ctx.tx`
    select s.id, s.started_at, d.id as decision_id from floor_session s left join decision d on d.session_id = s.id
    where s.id = ${input.sessionId} and s.episode_id = ${client.episodeId}`;
  if (!session) throw new Refused("missing", "This session is not there. Reload the page.");
  const notYet = morningWaits(ctx, session.started_at);
  if (notYet) throw new Refused("conflict", notYet);
  const [known] = await ctx.tx`
    select session_id, corrects, pain, swelling, stiffness_min from morning_response where id = ${input.id}`;
  const swelling = client.swellingApplies ? input.swelling : null;
  if (known) {
    const isSame =
      known.session_id === input.sessionId &&
      known.corrects === input.corrects &&
      known.pain === input.pain &&
      known.swelling === swelling &&
      known.stiffness_min === input.stiffnessMin;
    return mustBeSame(isSame, "response.repeat", "This morning was entered before, with other answers");
  }
  if (input.corrects !== null) {
    const [old] = await ctx.tx`
      select 1 from morning_response where id = ${input.corrects} and session_id = ${input.sessionId}`;
    if (!old)
      throw new InputError(
        "corrects",
        "The answer that this corrects is not of this session. Reload the page.",
      );
  }
  if (session.decision_id)
    throw new Refused(
      "conflict",
      "The decision for this session has been taken; the answer can no longer change it.",
    );
  await ctx.tx`
    insert into morning_response (id, clinic_id, session_id, corrects, pain, swelling, stiffness_min, entered_at,
      entered_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${input.sessionId}, ${input.corrects}, ${input.pain},
      ${swelling}, ${input.stiffnessMin}, ${ctx.now}, ${ctx.actor.personId})`;
  await audit(ctx, "response.record", "floor_session", input.sessionId, null, {
    pain: input.pain,
    swelling: input.swelling,
    stiffnessMin: input.stiffnessMin,
  });
}
