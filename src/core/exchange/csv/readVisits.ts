import { EXERCISES } from "../../rules/exercises";
import { sheetLine } from "../../sheet/line/sheetInput";
import { saidWith } from "../../units/said";
import { CLIENT_TABLES, type ClientTable, type FileProblem, type FileRow } from "../clientFile";
import type { Making } from "../newRows";
import { emptyPlan, type ImportPlan } from "../plan";
import type { Line } from "./fields";
import type { KnownClient } from "./known";

const NAMES = new Map(
  EXERCISES.flatMap((e) => [[e.id.toLowerCase(), e.id] as const, [e.name.toLowerCase(), e.id] as const]),
);
const TABLES = [
  "sheet",
  "sheet_version",
  "sheet_line",
  "visit",
  "visit_end",
  "set_record",
  "response",
  "decision",
] as const satisfies readonly ClientTable[];
/** Nobody wrote how long a repetition took. */
const REP_S = 4;

/** What stands of earlier files and visits: days of a client on which something was done, and versions of a file's sheet. */
export interface PastHere {
  isDone: (episodeId: string, on: string) => boolean;
  /** the newest version of the sheet that files made, 0 without one */
  versionOf: (sheetId: string) => number;
}

interface Done {
  workedS: number | null;
  exerciseId: string;
  sets: number;
  reps: number | null;
  loadKg: number | null;
  before: number | null;
  pain: number;
  after: number | null;
  morning: number | null;
}

const secondsOf = (d: Pick<Done, "reps" | "workedS">): number => d.workedS ?? (d.reps ?? 0) * REP_S;

/**
 * What was done before, of clients who are here: a sheet that is put away, with a version for every day. It counts as done
 * and is shown; nothing is planned from it, and it has no figures that were never computed.
 */
export function readVisits(
  lines: readonly { no: number; line: Line }[],
  m: Making & { today: string },
  find: (line: Line) => KnownClient | null,
  past: PastHere,
): ImportPlan {
  const left = new Set<string>();
  const problems: FileProblem[] = [];
  const visits = new Map<string, { client: KnownClient; on: string; done: Done[] }>();
  for (const { no, line } of lines) {
    if (line.isTakenBack) continue;
    const client = find(line);
    const on = line.day("day", m.today);
    const exerciseId = NAMES.get(line.text("exercise").toLowerCase());
    if (!exerciseId && line.text("exercise") !== "")
      line.problems.push(saidWith("exchange.no_exercise", { found: line.text("exercise").slice(0, 60) }));
    const whole = (key: string, least: number, most: number) => {
      const x = line.number(key, least, most, "");
      if (x !== null && !Number.isInteger(x))
        line.problems.push(saidWith("exchange.column_whole", { column: key }));
      return x;
    };
    const [sets, reps] = [whole("sets", 1, 10) ?? 1, whole("reps", 1, 100)];
    // a hold has seconds and no repetitions
    const workedS = line.number("worked_s", 0, 1800, "s");
    if (reps === null && workedS === null && line.problems.length === 0)
      line.problems.push({ code: "exchange.reps_missing" });
    const loadKg = line.number("load_kg", 0, 1000, "kg");
    const [before, pain, after, morning] = [
      whole("pain_before", 0, 10),
      whole("pain_in", 0, 10),
      whole("pain_after", 0, 10),
      whole("pain_morning", 0, 10),
    ];
    for (const said of line.problems) problems.push({ at: `line ${no}`, said });
    if (line.problems.length > 0 || !client || !on || !exerciseId || pain === null) continue;
    const key = `${client.clientId} ${on}`;
    if (past.isDone(client.episodeId, on)) {
      left.add(key);
      continue;
    }
    const visit = visits.get(key) ?? { client, on, done: [] };
    visit.done.push({ exerciseId, sets, reps, workedS, loadKg, before, pain, after, morning });
    visits.set(key, visit);
  }
  const rows = Object.fromEntries(TABLES.map((t) => [t, [] as FileRow[]])) as Record<
    (typeof TABLES)[number],
    FileRow[]
  >;
  const versions = new Map<string, number>();
  for (const [key, v] of [...visits].sort((a, b) => a[1].on.localeCompare(b[1].on)))
    addVisit(rows, versions, key, v, m, past);
  return {
    ...emptyPlan(problems),
    tables: TABLES.map((table) => ({
      table,
      key: CLIENT_TABLES[table].key,
      columns: Object.keys(CLIENT_TABLES[table].row.shape),
      rows: rows[table],
    })),
    notes: [
      ...(left.size > 0 ? [saidWith("exchange.days_here", { days: left.size })] : []),
      ...(visits.size > 0 ? [{ code: "exchange.past_visits" }] : []),
    ],
  };
}

function addVisit(
  rows: Record<(typeof TABLES)[number], FileRow[]>,
  versions: Map<string, number>,
  key: string,
  { client, on, done }: { client: KnownClient; on: string; done: Done[] },
  m: Making,
  past: PastHere,
): void {
  const sheetId = m.idOf(`sheet ${client.episodeId}`);
  const at = `${on}T12:00:00Z`;
  const known = past.versionOf(sheetId);
  if (!versions.has(sheetId) && known === 0)
    rows.sheet.push({
      id: sheetId,
      episode_id: client.episodeId,
      name: "Earlier, from a file",
      place: "gym",
      made_by: m.by,
      made_at: at,
      retired_at: m.at,
      retired_by: m.by,
    });
  const version = (versions.get(sheetId) ?? known) + 1;
  versions.set(sheetId, version);
  const versionId = m.idOf(`version ${key}`);
  const visitId = m.idOf(`visit ${key}`);
  const seconds = done.reduce((sum, d) => sum + d.sets * secondsOf(d), 0);
  rows.sheet_version.push({
    id: versionId,
    sheet_id: sheetId,
    version,
    origin: "desk",
    seconds,
    hard_reps: 0,
    kneecap_chair_s: null,
    made_by: m.by,
    made_at: at,
  });
  rows.visit.push({
    id: visitId,
    episode_id: client.episodeId,
    version_id: versionId,
    place: "clinic",
    first_side: client.side,
    // nobody here asked for warning signs that day
    recheck_id: null,
    lines: null,
    started_at: at,
    tablet_at: at,
    received_at: at,
    started_by: m.by,
  });
  const [first, last] = [done[0], done.at(-1)];
  rows.visit_end.push({
    visit_id: visitId,
    ended_at: at,
    tablet_at: at,
    received_at: at,
    pain_at_start: first?.before ?? null,
    pain_at_end: last?.after ?? null,
    stopped: null,
    markers: [],
    feels: [],
    effort: null,
    signed_by: m.by,
  });
  const morning = done.find((d) => d.morning !== null)?.morning ?? null;
  if (morning !== null)
    rows.response.push({
      id: m.idOf(`response ${key}`),
      visit_id: visitId,
      corrects: null,
      pain: morning,
      swelling: null,
      stiffness_min: null,
      besides: null,
      regions: [],
      soreness: null,
      alarm: null,
      answered_by: "staff",
      answered_at: at,
      entered_by: m.by,
      swelling_word: null,
    });
  // nobody decides anything about it any more
  rows.decision.push({
    id: m.idOf(`decision ${key}`),
    visit_id: visitId,
    line_id: null,
    input: {},
    computed_action: "HOLD",
    rules: [],
    reasons: [],
    changes: [],
    action: "HOLD",
    override_reason: null,
    banks: false,
    sentence: "From a file: nothing was decided here.",
    by_order_of: null,
    next_version_id: null,
    decided_at: m.at,
    decided_by: m.by,
  });
  const nth = new Map<string, number>();
  done.forEach((d, i) => {
    const before = nth.get(d.exerciseId) ?? 0;
    nth.set(d.exerciseId, before + d.sets);
    const lineId = m.idOf(`line ${client.episodeId} ${d.exerciseId}`);
    const plan = sheetLine.parse({
      lineId,
      exerciseId: d.exerciseId,
      scheme: {
        kind: "straight",
        sets: d.sets,
        reps: Math.min(30, d.reps ?? 1),
        reserve: 3,
        tempo: { liftS: 2, topS: 0, lowerS: 2, bottomS: 0 },
        restS: 90,
      },
      legs: "together",
      window: null,
      sharesRests: false,
    });
    if (!rows.sheet_line.some((l) => l.version_id === versionId && l.line_id === lineId))
      rows.sheet_line.push({
        version_id: versionId,
        line_id: lineId,
        seq: i + 1,
        exercise_id: d.exerciseId,
        scheme_kind: "straight",
        plan,
        kept: null,
        earlier: null,
      });
    for (let set = 1; set <= d.sets; set++)
      rows.set_record.push({
        id: m.idOf(`set ${key} ${d.exerciseId} ${before + set}`),
        visit_id: visitId,
        line_id: lineId,
        exercise_id: d.exerciseId,
        set_no: before + set,
        leg: "both",
        bout_no: 1,
        corrects: null,
        is_voided: false,
        started_at: at,
        tablet_at: at,
        worked_s: Math.min(1800, secondsOf(d)),
        reps: d.reps,
        load_kg: d.loadKg,
        how: null,
        range_from_deg: null,
        range_to_deg: null,
        pain_before: set === 1 ? d.before : null,
        pain: d.pain,
        reserve: null,
        felt: null,
        early: null,
        mean_force_n: null,
        counted_by: "tap",
        faults: [],
        elsewhere: [],
        worn: "none",
        help: "none",
        logged_by: m.by,
        received_at: at,
      });
  });
}
