import "server-only";
import type { ImportPlan } from "@/core/exchange/plan";
import { InputError } from "@/core/units/inputError";
import type { Ctx } from "../base/context";

/** Rows that go in one statement. */
const AT_ONCE = 2000;

/** Writes all that a plan holds, in the caller's transaction, and keeps which rows came from which import. */
export async function writeRows(ctx: Ctx, importId: string, plan: ImportPlan, firstSeq = 0): Promise<number> {
  const { tx, actor } = ctx;
  let seq = firstSeq;
  for (const p of plan.people) await tx`select past_person(${p.id}, ${p.name})`;
  await tx`set constraints all deferred`;
  for (const { table, key, columns, rows } of plan.tables) {
    if (rows.length === 0) continue;
    const names = columns.map((c) => `"${c}"`).join(", ");
    for (let i = 0; i < rows.length; i += AT_ONCE)
      await tx
        .unsafe(
          `insert into "${table}" (clinic_id, ${names})
           select $2::uuid, ${names} from jsonb_populate_recordset(null::"${table}", $1::jsonb)`,
          [tx.json(rows.slice(i, i + AT_ONCE) as never) as never, actor.clinicId],
        )
        .catch((error: { code?: string; constraint_name?: string }) => {
          if (!error.code?.startsWith("23") && !error.code?.startsWith("22")) throw error;
          throw new InputError(
            `rows.${table}`,
            `The clinic's records refuse a row of ${table.replaceAll("_", " ")}${error.constraint_name ? ` (${error.constraint_name})` : ""}. Nothing was written.`,
          );
        });
    seq += 1;
    await tx`
      insert into import_rows (import_id, clinic_id, seq, table_name, key_column, ids)
      values (${importId}, ${actor.clinicId}, ${seq}, ${table}, ${key},
        ${[...new Set(rows.map((r) => r[key] as string))]}::uuid[])`;
  }
  await tx`set constraints all immediate`;
  return seq;
}
