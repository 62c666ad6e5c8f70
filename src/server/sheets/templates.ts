import "server-only";
import { type ScoreLine, scoreLine, type TemplateInput } from "@/core/sheet/line/scoreInput";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";

/** A session kept under a name. It is judged by each client's limits when it is taken, not when it is kept. */
export interface SheetTemplate {
  id: string;
  name: string;
  items: ScoreLine[];
  by: string;
}

/** Templates of the clinic that stand, by name. */
export async function templatesOf(ctx: Ctx): Promise<SheetTemplate[]> {
  const rows = await ctx.tx`
    select t.id, t.name, t.items, p.name as by from sheet_template t join person p on p.id = t.made_by
    where t.retired_at is null order by lower(t.name)`;
  return rows.map((r) => ({ id: r.id, name: r.name, items: scoreLine.array().parse(r.items), by: r.by }));
}

/** Keeps a template; one of the same name is replaced, its record stays. */
export async function keepTemplate(ctx: Ctx, input: TemplateInput): Promise<void> {
  mustMay(ctx, "plan.write");
  const { tx, actor } = ctx;
  if (await isRepeat(ctx, "template", null, input)) return;
  const [before] = await tx`
    update sheet_template set retired_at = ${ctx.now}, retired_by = ${actor.personId}
    where retired_at is null and lower(name) = lower(${input.name}) returning id, items`;
  const rows = await tx`
    insert into sheet_template (id, clinic_id, name, items, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${input.name}, ${tx.json(input.items)}, ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (rows.length === 0)
    throw new Refused("conflict", "A template of this name was kept meanwhile. Choose another name.");
  await audit(
    ctx,
    "template.keep",
    "sheet_template",
    input.id,
    before
      ? {
          exercises: scoreLine
            .array()
            .parse(before.items)
            .map((i) => i.exerciseId),
        }
      : null,
    { name: input.name, exercises: input.items.map((i) => i.exerciseId) },
  );
}

/** Puts a template away; sessions that were made from it stay. */
export async function retireTemplate(ctx: Ctx, templateId: string): Promise<void> {
  mustMay(ctx, "plan.write");
  const rows = await ctx.tx`
    update sheet_template set retired_at = ${ctx.now}, retired_by = ${ctx.actor.personId}
    where id = ${templateId} and retired_at is null returning name`;
  if (!rows[0]) throw new Refused("missing", "This template is not there any more. Reload the page.");
  await audit(ctx, "template.retire", "sheet_template", templateId, { name: rows[0].name }, null);
}
