import "server-only";
import { createHash } from "node:crypto";
import type { Ctx } from "./context";
import { attempted, Refused } from "./refused";

/** The same content gives the same text, in whatever order its keys came. */
function textOf(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(textOf).join(",")}]`;
  if (value === null || typeof value !== "object") return JSON.stringify(value ?? null);
  const entries = Object.entries(value)
    .filter(([, v]) => v !== undefined && v !== null)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([k, v]) => `${JSON.stringify(k)}:${textOf(v)}`).join(",")}}`;
}

const MOST_SAID = 20;
const LONGEST_SAID = 80;

/** Short values, by the names of their fields. */
const saidIn = (body: object): Record<string, string | number | boolean> =>
  Object.fromEntries(
    Object.entries(body)
      .filter(
        ([k, v]) => k !== "id" && !/[iI]d$/.test(k) && ["string", "number", "boolean"].includes(typeof v),
      )
      .filter(([, v]) => String(v).length <= LONGEST_SAID)
      .slice(0, MOST_SAID),
  );

/** A name of a field in words: "lowDeg" is "low deg". */
const wordsOf = (field: string): string => field.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);

/**
 * Whether this was written before under its id: then nothing is written again. Something else under the same id is refused
 * with what stands. The one answer for everything that a device sends under an id of its own making; to be asked inside
 * the transaction that writes, before anything is written.
 */
export async function isRepeat(
  ctx: Ctx,
  deed: string,
  about: string | null,
  body: object,
  id: string = (body as { id: string }).id,
): Promise<boolean> {
  const content = createHash("sha256").update(textOf(body)).digest();
  const said = saidIn(body);
  const fresh = await ctx.tx`
    insert into written (clinic_id, id, deed, about, content, said, by, at)
    values (${ctx.actor.clinicId}, ${id}, ${deed}, ${about ?? ""}, ${content}, ${ctx.tx.json(said)}, ${ctx.actor.personId},
      ${ctx.now})
    on conflict (clinic_id, id) do nothing returning id`;
  if (fresh.length > 0) return false;
  const [stands] = await ctx.tx`
    select w.deed, w.about, w.content, w.said, p.name from written w join person p on p.id = w.by where w.id = ${id}`;
  if (stands?.deed === deed && stands.about === (about ?? "") && content.equals(stands.content)) return true;
  const other =
    stands?.deed === deed
      ? Object.entries(stands.said as Record<string, unknown>).filter(([k, v]) => said[k] !== v)
      : [];
  const what = other.slice(0, 4).map(([k, v]) => `${wordsOf(k)} ${v}`);
  throw attempted(
    `${deed}.repeat`,
    new Refused(
      "conflict",
      `${stands?.name ?? "Somebody"} sent something else under this id before${what.length > 0 ? ` (${what.join(", ")})` : ""}. What was sent first stands; this one is kept aside for the therapist to look at. Reload the page to see what stands.`,
    ),
  );
}

/** Whether anything was written under an id: a page whose reply was lost asks this first. */
export async function standsUnder(ctx: Ctx, id: string): Promise<boolean> {
  const rows = await ctx.tx`
    select 1 from written where id = ${id} union all select 1 from sheet_version where id = ${id} limit 1`;
  return rows.length > 0;
}

/** An id that another record has, of this clinic or of any other: nothing was written. */
export const idIsTaken = (): Refused =>
  new Refused("conflict", "This could not be kept under its id. Reload the page and save it again.");
