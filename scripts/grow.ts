import type { Sql, TransactionSql } from "postgres";

/** More of the demo's own rows, for the bench: the database's owner copies them, past the app and its rules. */

interface Table {
  name: string;
  columns: string[];
  uuids: Set<string>;
}

async function tablesOf(sql: Sql): Promise<Table[]> {
  const rows = await sql`
    select table_name as name, array_agg(column_name::text order by ordinal_position) as columns,
      array_agg(column_name::text) filter (where data_type = 'uuid') as uuids
    from information_schema.columns where table_schema = 'public' and is_generated = 'NEVER' and is_identity = 'NO'
    group by table_name having bool_or(column_name = 'clinic_id')`;
  return rows.map((r) => ({ name: r.name, columns: r.columns, uuids: new Set(r.uuids ?? []) }));
}

/** What a client shares with others: never copied. */
const SHARED = new Set([
  "clinic",
  "person",
  "machine",
  "cuff",
  "clinic_exercise",
  "sheet_template",
  "auth_session",
]);

/** An identifier made from a text, in the form of a random one (version 4), as the routes ask for. */
const anew = (text: string): string =>
  `overlay(overlay(md5(${text}) placing '4' from 13) placing 'a' from 17)::uuid`;

/** Rows that were copied past the database's own triggers count as changed. */
const countAsChanged = (tx: TransactionSql) => tx`
  insert into revision (of, clinic_id, revision)
  select id, clinic_id, nextval('revision_seq') from episode on conflict (of) do update set revision = excluded.revision`;

/** Copies a client with everything that belongs to it, `copies` times. */
export async function copyClient(sql: Sql, clientId: string, copies: number): Promise<void> {
  const tables = (await tablesOf(sql)).filter((t) => !SHARED.has(t.name));
  const own = new Set([clientId]);
  for (let before = 0; before < own.size; ) {
    before = own.size;
    for (const t of tables) {
      const links = [...t.uuids].filter((c) => c !== "clinic_id");
      if (!t.uuids.has("id") || links.length === 0) continue;
      const where = links.map((c) => `${c} = any($1::uuid[])`).join(" or ");
      for (const r of await sql.unsafe(`select id from ${t.name} where ${where}`, [[...own]])) own.add(r.id);
    }
  }
  const ids = [...own];
  await sql.begin(async (tx) => {
    await tx`set local session_replication_role = replica`;
    for (const t of tables) {
      const links = [...t.uuids].filter((c) => c !== "clinic_id");
      if (links.length === 0) continue;
      const values = t.columns.map((c) =>
        t.uuids.has(c)
          ? `case when ${c} = any($1::uuid[]) then ${anew(`${c}::text || n`)} else ${c} end`
          : t.name === "client" && c === "name"
            ? "name || ' ' || n"
            : c,
      );
      await tx.unsafe(
        `insert into ${t.name} (${t.columns.join(", ")}) select ${values.join(", ")} from ${t.name}, generate_series(1, ${copies}) n
         where ${links.map((c) => `${c} = any($1::uuid[])`).join(" or ")}`,
        [ids],
      );
    }
    await countAsChanged(tx);
  });
}

/** Repeats the visits of a client backwards in time: `visits` more of them, two days apart, before the oldest. */
export async function growHistory(sql: Sql, clientId: string, visits: number): Promise<void> {
  await sql.begin(async (tx) => {
    await tx`set local session_replication_role = replica`;
    await tx`create temporary table grown on commit drop as
      with old as (
        select v.id, row_number() over (order by v.received_at) - 1 as at, count(*) over () as of, v.received_at,
          min(v.received_at) over () as oldest
        from visit v join episode e on e.id = v.episode_id join visit_end d on d.visit_id = v.id
        where e.client_id = ${clientId})
      select o.id, ${tx.unsafe(anew("o.id::text || n"))} as new_id, o.oldest - make_interval(days => 2 * (n + 1)) - o.received_at as by, n
      from generate_series(0, ${visits - 1}) n join old o on o.at = n % o.of`;
    const tables = (await tablesOf(tx as unknown as Sql)).filter(
      (t) => t.columns.includes("visit_id") || t.name === "visit",
    );
    const times = await tx`select table_name, column_name from information_schema.columns
      where table_schema = 'public' and data_type = 'timestamp with time zone'`;
    const isTime = new Set(times.map((r) => `${r.table_name}.${r.column_name}`));
    for (const t of tables) {
      const visit = t.name === "visit" ? "id" : "visit_id";
      const values = t.columns.map((c) => {
        if (c === visit) return "g.new_id";
        if (c === "id" || c === "corrects") return anew(`t.${c}::text || g.n`);
        return isTime.has(`${t.name}.${c}`) ? `t.${c} + g.by` : `t.${c}`;
      });
      await tx.unsafe(
        `insert into ${t.name} (${t.columns.join(", ")}) select ${values.join(", ")} from ${t.name} t join grown g on g.id = t.${visit}`,
      );
    }
    await countAsChanged(tx);
  });
  await sql`analyze`;
}
