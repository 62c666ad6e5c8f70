import "server-only";
import { createHash } from "node:crypto";
import type { Ctx } from "../base/context";

/**
 * The id under which something of a file is kept in this clinic: always the same for the same clinic and id, so that a
 * file that is read in twice is known again, and another clinic's ids are never used.
 */
export function idHere(clinicId: string, id: string): string {
  const h = createHash("sha256").update(`${clinicId} ${id}`).digest("hex");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-8${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
}

/** What is there already under one of these ids. */
export async function hereOf(
  ctx: Ctx,
  table: "client" | "machine" | "person",
  ids: readonly string[],
): Promise<Set<string>> {
  const rows = await ctx.tx`select id from ${ctx.tx(table)} where id = any(${[...ids]}::uuid[])`;
  return new Set(rows.map((r) => r.id));
}

/** Machines of a file that this clinic has: by id, or by the same name and kind. Old id -> the clinic's own. */
export async function machinesHere(
  ctx: Ctx,
  machines: readonly { id: string; name: string; family: string }[],
): Promise<Map<string, string>> {
  const own = await ctx.tx`select id, name, family from machine order by retired_at nulls first, name, id`;
  const found = new Map<string, string>();
  for (const m of machines) {
    const same =
      own.find((o) => o.id === m.id || o.id === idHere(ctx.actor.clinicId, m.id)) ??
      own.find((o) => o.name.toLowerCase() === m.name.toLowerCase() && o.family === m.family);
    if (same) found.set(m.id, same.id);
  }
  return found;
}

/** People of a file who are known here: themselves, or as somebody who was named in an earlier file. */
export async function peopleHere(
  ctx: Ctx,
  people: readonly { id: string; role: string }[],
): Promise<Map<string, string>> {
  const here = await hereOf(
    ctx,
    "person",
    people.flatMap((p) => [p.id, idHere(ctx.actor.clinicId, p.id)]),
  );
  // every clinic has its own one who answers by links
  const [theClient] = await ctx.tx`select id from person where role = 'client'`;
  return new Map(
    people.flatMap((p) => {
      if (p.role === "client" && theClient) return [[p.id, theClient.id as string] as const];
      const id = here.has(p.id) ? p.id : idHere(ctx.actor.clinicId, p.id);
      return here.has(id) ? [[p.id, id] as const] : [];
    }),
  );
}
