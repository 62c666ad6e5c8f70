import "server-only";
import type { Ctx } from "./context";

/** Who changed what, when, from what to what. Written in the same transaction as the change. */
export async function audit(
  ctx: Ctx,
  deed: string,
  subject: string,
  subjectId: string,
  before: object | null,
  after: object | null,
): Promise<void> {
  const { tx, actor } = ctx;
  await tx`
    insert into audit (clinic_id, at, person_id, deed, subject, subject_id, before, after)
    values (${actor.clinicId}, ${ctx.now}, ${actor.personId}, ${deed}, ${subject}, ${subjectId},
      ${before === null ? null : tx.json(before as never)}, ${after === null ? null : tx.json(after as never)})`;
}
