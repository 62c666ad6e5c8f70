import type { Said } from "../units/said";
import type { FileProblem, FileRow } from "./clientFile";

/** Rows of one kind as they will be written. */
export interface PlannedRows {
  table: string;
  key: string;
  columns: string[];
  rows: FileRow[];
}

/** What a therapist looks at before a client's records count: what limits would follow from them. */
export interface BroughtClient {
  id: string;
  name: string;
  conditions: Said[];
  limits: string[];
  /** warning signs that were answered yes or unsure and stand */
  signs: string[];
  counts: { tests: number; sheets: number; visits: number };
}

/** What a file comes to: what would be written, what is wrong, what it means. Nothing is written while there are problems. */
export interface ImportPlan {
  people: { id: string; name: string }[];
  tables: PlannedRows[];
  clients: BroughtClient[];
  problems: FileProblem[];
  /** what one should know */
  notes: Said[];
}

export const emptyPlan = (problems: FileProblem[] = []): ImportPlan => ({
  people: [],
  tables: [],
  clients: [],
  problems,
  notes: [],
});

/** The summary that is kept with an import and shown. */
export interface ImportSummary {
  clients: BroughtClient[];
  problems: FileProblem[];
  notes: Said[];
  counts: Record<string, number>;
}

export const summaryOf = (p: ImportPlan): ImportSummary => ({
  clients: p.clients,
  problems: p.problems,
  notes: p.notes,
  counts: Object.fromEntries(p.tables.filter((t) => t.rows.length > 0).map((t) => [t.table, t.rows.length])),
});

/** Each thing that should be known, once. */
export const once = (notes: readonly Said[]): Said[] => [
  ...new Map(notes.map((n) => [JSON.stringify(n), n])).values(),
];

/** Plans of several files one after the other, as one. */
export const together = (plans: readonly ImportPlan[]): ImportPlan => ({
  people: [...new Map(plans.flatMap((p) => p.people).map((p) => [p.id, p])).values()],
  tables: plans.flatMap((p) => p.tables),
  clients: plans.flatMap((p) => p.clients),
  problems: plans.flatMap((p) => p.problems),
  notes: once(plans.flatMap((p) => p.notes)),
});
