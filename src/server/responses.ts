import "server-only";
import type { z } from "zod";
import type { morningInput } from "@/core/session/sessionInput";
import { audit } from "./audit";
import type { ClientEpisode } from "./clients";
import { type Ctx, mustMay } from "./context";
import { Refused } from "./refused";

/** Records how the next morning was. A correction is a new row that names the old one; a decided session is closed. */
export async function recordMorning(
  ctx: Ctx,
  client: ClientEpisode,
  input: z.infer<typeof morningInput>,
): Promise<void> {
  mustMay(ctx, "response.record");
  const [session] = await ctx.tx`
    select s.id, d.id as decision_id from floor_session s left join decision d on d.session_id = s.id
    where s.id = ${input.sessionId} and s.episode_id = ${client.episodeId}`;
  if (!session) throw new Refused("missing", "This session is not there. Reload the page.");
  if (session.decision_id)
    throw new Refused(
      "conflict",
      "The decision for this session has been taken; the answer can no longer change it.",
    );
  await ctx.tx`
    insert into morning_response (id, clinic_id, session_id, corrects, pain, swelling, stiffness_min, entered_at,
      entered_by)
    values (${input.id}, ${ctx.actor.clinicId}, ${input.sessionId}, ${input.corrects}, ${input.pain},
      ${client.swellingApplies ? input.swelling : null}, ${input.stiffnessMin}, ${ctx.now}, ${ctx.actor.personId})
    on conflict (id) do nothing`;
  await audit(ctx, "response.record", "floor_session", input.sessionId, null, {
    pain: input.pain,
    swelling: input.swelling,
    stiffnessMin: input.stiffnessMin,
  });
}
