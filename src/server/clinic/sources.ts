import "server-only";
import { allCitations } from "@/core/rules/citations";
import type { SourceCheck } from "@/core/rules/sourceCheck";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { idIsTaken, isRepeat } from "../base/sameId";

export interface CheckedSource {
  citation: string;
  by: string;
  at: Date;
  note: string;
}

/** Citations that somebody of this clinic has checked; the newest word on each counts. */
export async function checkedSources(ctx: Ctx): Promise<CheckedSource[]> {
  const rows = await ctx.tx`
    select * from (
      select distinct on (s.citation) s.citation, s.is_checked, s.note, s.checked_at, p.name
      from source_check s join person p on p.id = s.checked_by order by s.citation, s.seq desc) newest
    where is_checked order by citation`;
  return rows.map((r) => ({ citation: r.citation, by: r.name, at: r.checked_at, note: r.note }));
}

export const checkedCitations = async (ctx: Ctx): Promise<string[]> =>
  (await checkedSources(ctx)).map((s) => s.citation);

/** Marks a citation as checked, or takes the mark back. */
export async function markSource(ctx: Ctx, input: SourceCheck): Promise<void> {
  mustMay(ctx, "source.check");
  if (await isRepeat(ctx, "source", null, input)) return;
  if (!allCitations().some((c) => c.citation === input.citation))
    throw new InputError("citation", "No rule rests on this source. Reload the page.");
  const rows = await ctx.tx`
    insert into source_check (id, clinic_id, citation, is_checked, note, checked_by, checked_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${input.citation}, ${input.isChecked}, ${input.note},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict (id) do nothing returning id`;
  if (rows.length === 0) throw idIsTaken();
  const after = { citation: input.citation, isChecked: input.isChecked, note: input.note };
  await audit(ctx, "source.check", "source_check", ctx.actor.clinicId, null, after);
}
