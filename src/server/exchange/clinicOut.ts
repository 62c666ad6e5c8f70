import "server-only";
import type { FileRow } from "@/core/exchange/clientFile";
import {
  CLINIC_TABLE_NAMES,
  CLINIC_TABLES,
  type ClinicFile,
  type ClinicTable,
  type MachinesFile,
} from "@/core/exchange/clinicFile";
import { type Ctx, mustMay } from "../base/context";
import { peopleIn } from "./clientOut";

const ORDER: Partial<Record<ClinicTable, string>> = { source_check: "seq" };

/** The clinic's own part as a file: nothing of a client is in it. */
export async function clinicFileOf(ctx: Ctx): Promise<ClinicFile> {
  mustMay(ctx, "export.clinic");
  await ctx.tx`set local timezone to 'UTC'`;
  const rows: Partial<Record<ClinicTable, FileRow[]>> = {};
  for (const name of CLINIC_TABLE_NAMES) {
    const columns = Object.keys(CLINIC_TABLES[name].row.shape).map((c) => `"${c}"`);
    const found = await ctx.tx.unsafe(
      `select to_jsonb(t) as row from (select ${columns.join(", ")} from ${name}
        ${name === "stance_choice" ? "where episode_id is null" : ""} order by ${ORDER[name] ?? "id"}) t`,
    );
    rows[name] = found.map((r) => r.row as FileRow);
  }
  return {
    format: "bexlo-clinic",
    version: 1,
    made_at: ctx.now.toISOString(),
    clinic: { name: ctx.actor.clinicName, time_zone: ctx.actor.timeZone },
    people: await peopleIn(ctx, rows, CLINIC_TABLES),
    rows: rows as ClinicFile["rows"],
  };
}

/** The machines in use, to take to another clinic. */
export async function machinesFileOf(ctx: Ctx): Promise<MachinesFile> {
  mustMay(ctx, "client.read");
  const columns = Object.keys(CLINIC_TABLES.machine.row.shape);
  await ctx.tx`set local timezone to 'UTC'`;
  const found = await ctx.tx`
    select to_jsonb(m) as row from (select ${ctx.tx(columns)} from machine where retired_at is null order by name, id) m`;
  return {
    format: "bexlo-machines",
    version: 1,
    made_at: ctx.now.toISOString(),
    machines: found.map((r) => r.row) as MachinesFile["machines"],
  };
}

/** Ids and names of all clients, by name. */
export const clientIdsOf = async (ctx: Ctx): Promise<{ id: string; name: string }[]> => {
  mustMay(ctx, "export.clinic");
  return (await ctx.tx`select id, name from client order by name, id`).map((r) => ({
    id: r.id,
    name: r.name,
  }));
};
