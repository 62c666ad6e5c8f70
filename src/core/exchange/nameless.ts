import type { ClientFile, FileRow } from "./clientFile";
import { idsIn, renamed } from "./renamed";

/** Columns that people write freely into: a name may stand in any of them. */
const FREE: Readonly<Record<string, readonly string[]>> = {
  client: ["occupation"],
  episode: ["condition", "details", "surgeon_note", "goal", "closed_because"],
  stance_choice: ["reason"],
  stance_view: ["reason"],
  screening: ["pressure_not_taken"],
  screening_clearance: ["words"],
  episode_limit: ["reason"],
  strength_test: ["void_reason"],
  measurement: ["void_reason", "apparatus", "test_name", "test_unit"],
  set_up_card: ["feet", "note", "above_start"],
  exercise_swap: ["reason"],
  recheck: ["what"],
  response: ["alarm"],
  visit_end: ["stopped"],
  decision: ["override_reason", "by_order_of"],
  request: ["words", "answer"],
  return_choice: ["reason"],
};

const LEFT_OUT = "left out";

/**
 * The same client without names: the client, the clinic, its people and every text that somebody wrote freely are left
 * out, the record of changes too, ids are made anew. Dates, the year of birth and body measures stay, since the course
 * cannot be read without them: whoever knows those may still know who it is.
 */
export function nameless(file: ClientFile, newId: (id: string) => string): ClientFile {
  const names = new Map([...idsIn(file)].map((id) => [id, newId(id)]));
  const blank = (table: string, row: FileRow): FileRow => ({
    ...row,
    ...Object.fromEntries(
      (FREE[table] ?? []).flatMap((column) => (row[column] === null ? [] : [[column, LEFT_OUT]])),
    ),
  });
  const rows = Object.fromEntries(
    Object.entries(file.rows).map(([table, all]) => [
      table,
      table === "audit" ? [] : (all as FileRow[]).map((row) => blank(table, row)),
    ]),
  ) as ClientFile["rows"];
  const noWords = (x: unknown): unknown => {
    if (Array.isArray(x)) return x.map(noWords);
    if (x === null || typeof x !== "object") return x;
    return Object.fromEntries(
      Object.entries(x).map(([key, value]) => [
        key,
        key === "words" && typeof value === "string" ? LEFT_OUT : noWords(value),
      ]),
    );
  };
  return renamed(
    {
      ...file,
      clinic: { ...file.clinic, name: LEFT_OUT },
      people: file.people.map((p, i) => ({ ...p, name: `person ${i + 1}` })),
      rows: {
        ...rows,
        client: rows.client.map((c) => ({ ...c, name: "client" })),
        episode: rows.episode.map((e) => ({
          ...e,
          goals: e.goals.map((g) => ({ ...g, words: g.goalId ? "" : LEFT_OUT })),
        })),
        // notes of the floor stand in its log
        visit_event: noWords(rows.visit_event) as ClientFile["rows"]["visit_event"],
      },
    },
    names,
  );
}
