import { z } from "zod";
import { type Said, saidWith } from "../units/said";
import {
  client,
  condition,
  episode,
  screening,
  screeningAnswer,
  screeningClearance,
  stanceChoice,
  stanceView,
} from "./rows/client";
import { machine, person } from "./rows/clinic";
import { moment, type TableOf, text } from "./rows/fields";
import { episodeLimit, measurement, strengthTest, strengthTrial } from "./rows/measure";
import { setUpCard, sheet, sheetLineRow, sheetVersion, swap } from "./rows/sheets";
import {
  concernSeen,
  decision,
  oddConfirmed,
  recheck,
  response,
  setRecord,
  visit,
  visitEnd,
  visitEvent,
} from "./rows/visits";
import { auditRow, block, blockDay, request, returnChoice } from "./rows/week";

/** Everything that belongs to a client, each kind of row after those that it names. */
export const CLIENT_TABLES = {
  client,
  episode,
  episode_condition: condition,
  stance_choice: stanceChoice,
  stance_view: stanceView,
  screening,
  screening_answer: screeningAnswer,
  screening_clearance: screeningClearance,
  episode_limit: episodeLimit,
  strength_test: strengthTest,
  strength_trial: strengthTrial,
  measurement,
  set_up_card: setUpCard,
  exercise_swap: swap,
  sheet,
  sheet_version: sheetVersion,
  sheet_line: sheetLineRow,
  recheck,
  visit,
  visit_event: visitEvent,
  visit_end: visitEnd,
  set_record: setRecord,
  response,
  concern_seen: concernSeen,
  odd_confirmed: oddConfirmed,
  decision,
  block,
  block_day: blockDay,
  request,
  return_choice: returnChoice,
  audit: auditRow,
} as const;
export type ClientTable = keyof typeof CLIENT_TABLES;
export const CLIENT_TABLE_NAMES = Object.keys(CLIENT_TABLES) as ClientTable[];

/** A row as a file has it: columns by their names. */
export type FileRow = Record<string, unknown>;

/** More than ten years of visits every second day; more was made to be costly. */
export const MOST_ROWS = 200_000;

/** Kinds of rows that files of an earlier time do not have. */
const LATER_TABLES: ReadonlySet<ClientTable> = new Set(["concern_seen", "odd_confirmed"]);

const rowsShape = Object.fromEntries(
  CLIENT_TABLE_NAMES.map((name) => {
    const rows = z.array(CLIENT_TABLES[name].row).max(MOST_ROWS);
    return [name, LATER_TABLES.has(name) ? rows.default([]) : rows];
  }),
) as { [K in ClientTable]: z.ZodArray<(typeof CLIENT_TABLES)[K]["row"]> };

/** A client with everything of theirs: the product's own format, version 1. docs/formats.md. */
export const clientFile = z.strictObject({
  format: z.literal("bexlo-client"),
  version: z.literal(1),
  made_at: moment,
  clinic: z.strictObject({ name: text(120), time_zone: text(60) }),
  people: z.array(person).max(500),
  machines: z.array(machine.row).max(500),
  rows: z.strictObject({ ...rowsShape, client: z.array(client.row).length(1) }),
});
export type ClientFile = z.infer<typeof clientFile>;

/** Something wrong in a file: where, and what to do. `at` is a place in the file, or a line. */
export interface FileProblem {
  at: string;
  said: Said;
}

const MOST_PROBLEMS = 200;

/** Rows that name what is not in the file, and ids that are there twice; empty where the file holds together. */
export function looseEnds(
  rows: Partial<Record<string, readonly FileRow[]>>,
  tables: Readonly<Record<string, TableOf>>,
  known: { people: readonly { id: string }[]; machines: readonly { id: string }[] },
): FileProblem[] {
  const idsOf = (name: string): Set<string> =>
    name === "person"
      ? new Set(known.people.map((p) => p.id))
      : name === "machine" && !rows.machine
        ? new Set(known.machines.map((m) => m.id))
        : new Set((rows[name] ?? []).map((r) => r.id as string));
  const sets = new Map<string, Set<string>>();
  const has = (name: string, id: string): boolean => {
    const set = sets.get(name) ?? idsOf(name);
    sets.set(name, set);
    return set.has(id);
  };
  const problems: FileProblem[] = [];
  for (const [name, t] of Object.entries(tables)) {
    const seen = new Set<unknown>();
    for (const [i, row] of (rows[name] ?? []).entries()) {
      if (problems.length >= MOST_PROBLEMS) return problems;
      if (t.key === "id" && seen.has(row.id))
        problems.push({
          at: `rows.${name}.${i}`,
          said: { code: "exchange.row_twice" },
        });
      seen.add(row.id);
      for (const [column, of] of Object.entries(t.names) as [string, string][])
        if (row[column] !== null && !has(of, row[column] as string))
          problems.push({
            at: `rows.${name}.${i}.${column}`,
            said: saidWith("exchange.names_unknown", { table: of }),
          });
    }
  }
  return problems;
}
