import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { gunzipSync } from "node:zlib";
import postgres from "postgres";
import { isCriterion } from "@/core/rules/criteria";
import { keptLine } from "@/core/sheet/line/keptLine";
import { sheetLine } from "@/core/sheet/line/sheetInput";
import { signsSaid } from "@/core/visit/signs/recheckSigns";
import { sayPlainly } from "@/words/say";
import { closeConnections, owner } from "../support/clinic";

/** A database of its own in the shape before sheets, with the demo history of that time and a session of an older shape. */
const NAME = "bexlo_earlier";
const url = new URL(process.env.OWNER_URL ?? "");
url.pathname = `/${NAME}`;
let earlier: postgres.Sql;
const BEFORE = "0008_one_prescription.sql";
const folder = "database/migrations";

const migrate = (): string =>
  execFileSync(process.execPath, ["--conditions=react-server", "--import", "tsx", "database/migrate.mts"], {
    encoding: "utf8",
    env: { ...process.env, OWNER_URL: url.href },
  });

interface Before {
  [table: string]: Record<string, unknown>[];
}
let before: Before = {};
const OLD_LINES = [
  {
    exerciseId: "kext_iso_machine",
    scheme: { kind: "holds", sets: 1, reps: 5, holdS: 30, restS: 60, setRestS: 0, feltEffort: 6 },
    sides: 2,
  },
  {
    exerciseId: "lp_horizontal",
    scheme: {
      kind: "straight",
      sets: 3,
      reps: 10,
      reserve: 3,
      tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
      restS: 90,
    },
    sides: 1,
  },
  { exerciseId: "curl_single", scheme: { kind: "accumulated", total: 15, restS: 20 }, sides: 2 },
];

beforeAll(async () => {
  await owner.unsafe(`drop database if exists ${NAME}`);
  await owner.unsafe(`create database ${NAME}`);
  earlier = postgres(url.href, {
    max: 1,
    onnotice: () => {},
    types: { numeric: { to: 1700, from: [1700], serialize: String, parse: Number } },
  });
  await earlier`create table schema_migration (name text primary key, ran_at timestamptz not null default now())`;
  for (const name of readdirSync(folder).sort()) {
    if (name >= BEFORE) break;
    if (name.startsWith("0006")) await oldSession();
    await earlier.unsafe(readFileSync(`${folder}/${name}`, "utf8"));
    await earlier`insert into schema_migration (name) values (${name})`;
  }
  const rows = gunzipSync(readFileSync("tests/integration/earlier/demo.sql.gz")).toString("utf8");
  await earlier.unsafe(
    `set session_replication_role = replica; ${rows}; set session_replication_role = default`,
  );
  await oldWords();
  for (const table of [
    "hold_plan",
    "floor_session",
    "hold_record",
    "floor_session_end",
    "morning_response",
    "decision",
    "session_score",
    "session_template",
  ])
    before = { ...before, [table]: [...(await earlier`select * from ${earlier(table)}`)] };
  migrate();
});
afterAll(async () => {
  await earlier.end();
  await owner.unsafe(`drop database if exists ${NAME}`);
  await closeConnections();
});

const CODES: Readonly<Record<string, string>> = {
  "Pop, gap, giving way, locking": "st_pop",
  "No time left": "time",
};
const SIGNS = "dizzy, headache or unwell; giving way, locking, catching or a pop";

/** Signs, stops and ticks in the words of that time. */
async function oldWords(): Promise<void> {
  const ends = await earlier`select session_id from floor_session_end order by session_id limit 3`;
  const said = [...Object.keys(CODES), "somebody's own words"];
  for (const [i, words] of said.entries())
    await earlier`update floor_session_end set stopped = ${words} where session_id = ${ends[i]?.session_id}`;
  await earlier`
    insert into recheck (id, clinic_id, episode_id, at, answered_by, is_clear, what)
    select '00000000-0000-4000-8000-000000000009', clinic_id, episode_id, now(), started_by, false, ${SIGNS}
    from floor_session limit 1`;
  await earlier`
    insert into episode_condition (id, clinic_id, episode_id, condition_id, variant_id, phase_id, began_on, phase_since,
      functional_met, set_by, set_at)
    select '00000000-0000-4000-8000-00000000000a', clinic_id, episode_id, 'total_knee_replacement', 'standard', 'build',
      '2026-01-05', '2026-01-05', array['stairs with rail', 'a task that no rule has'], started_by, now()
    from floor_session limit 1`;
}

/** A session as it was saved before its lines had legs and angles. */
async function oldSession(): Promise<void> {
  await earlier`insert into clinic (id, name, time_zone) values ('00000000-0000-4000-8000-000000000001', 'Old', 'UTC')`;
  await earlier`
    insert into person (id, clinic_id, email, name, role, password_hash)
    values ('00000000-0000-4000-8000-000000000002', '00000000-0000-4000-8000-000000000001', 'o@test.example', 'O',
      'therapist', 'none')`;
  await earlier`
    insert into client (id, clinic_id, name, birth_year, height_m, body_mass_kg)
    values ('00000000-0000-4000-8000-000000000003', '00000000-0000-4000-8000-000000000001', 'Made Up', 1980, 1.7, 70)`;
  await earlier`
    insert into episode (id, clinic_id, client_id, side, condition, began_on, began_with, pain_school, irritability,
      usual_pain, swelling_applies, first_swelling, goal)
    values ('00000000-0000-4000-8000-000000000004', '00000000-0000-4000-8000-000000000001',
      '00000000-0000-4000-8000-000000000003', 'right', 'kneecap pain', '2026-01-05', 'onset', 'monitoring', 'low', 1,
      false, 0, 'stairs')`;
  await earlier`
    insert into session_score (id, clinic_id, episode_id, version, items, seconds, hard_reps, made_by, made_at)
    values ('00000000-0000-4000-8000-000000000005', '00000000-0000-4000-8000-000000000001',
      '00000000-0000-4000-8000-000000000004', 1, ${earlier.json(OLD_LINES)}, 1800, 12,
      '00000000-0000-4000-8000-000000000002', now())`;
}

const count = async (table: string) =>
  Number((await earlier`select count(*) as n from ${earlier(table)}`)[0]?.n);
const had = (table: string) => (before[table] ?? []).length;

test("the history before had everything that can be carried over", () => {
  for (const table of Object.keys(before)) expect([table, had(table) > 0]).toEqual([table, true]);
});

test("signs, stops and ticks are codes; what nobody has a code for stays as it was said", async () => {
  const stops = await earlier`select stopped from visit_end where stopped is not null order by stopped`;
  expect(stops.map((r) => r.stopped)).toEqual(
    expect.arrayContaining(["st_pop", "time", "somebody's own words"]),
  );
  const [sign] = await earlier`select what from recheck where id = '00000000-0000-4000-8000-000000000009'`;
  expect(sign?.what).toBe("unwell; giving_way");
  expect(sayPlainly(signsSaid(sign?.what))).toBe(SIGNS);
  const [ticked] = await earlier`
    select functional_met from episode_condition where id = '00000000-0000-4000-8000-00000000000a'`;
  expect(ticked?.functional_met).toEqual(["stairs_with_rail", "a task that no rule has"]);
  expect(ticked?.functional_met.map(isCriterion)).toEqual([true, false]);
});

test("every plan and session is a version, every record, answer and decision stands, none is twice", async () => {
  expect(await count("sheet_version")).toBe(had("hold_plan") + had("session_score"));
  expect(await count("visit")).toBe(had("floor_session"));
  expect(await count("visit_end")).toBe(had("floor_session"));
  expect(await count("set_record")).toBe(had("hold_record"));
  expect(await count("response")).toBe(had("morning_response"));
  expect(await count("decision")).toBe(had("decision"));
  expect(await count("sheet_template")).toBe(had("session_template"));
  const places = await earlier`
    select visit_id, line_id, set_no, leg, bout_no, count(*) as n from set_record r
    where not is_voided and not exists (select 1 from set_record c where c.corrects = r.id)
    group by 1, 2, 3, 4, 5 having count(*) > 1`;
  expect([...places]).toEqual([]);
});

test("what was carried over says the same as what was there: seconds, pain, force, felt effort, decisions", async () => {
  for (const old of before.hold_record ?? []) {
    const [r] = await earlier`select * from set_record where id = ${old.id as string}`;
    expect(r).toMatchObject({
      visit_id: old.session_id,
      worked_s: old.held_s,
      pain_before: old.pain_before,
      pain: old.pain_after,
      early: old.early,
      mean_force_n: old.mean_force_n,
      is_voided: old.is_voided,
      corrects: old.corrects,
    });
  }
  for (const end of before.floor_session_end ?? []) {
    const [e] = await earlier`
      select e.pain_at_end, e.stopped, (select max(felt) from set_record r where r.visit_id = e.visit_id) as felt
      from visit_end e where e.visit_id = ${end.session_id as string}`;
    expect(e).toMatchObject({
      pain_at_end: end.pain_at_end,
      stopped: CODES[end.stopped as string] ?? end.stopped,
      felt: end.felt_effort,
    });
  }
  for (const d of before.decision ?? []) {
    const [now] = await earlier`select * from decision where id = ${d.id as string}`;
    expect(now).toMatchObject({
      visit_id: d.session_id,
      action: d.action,
      rules: d.rules,
      sentence: d.sentence,
      next_version_id: d.next_plan_id,
      banks: d.banks,
    });
  }
});

test("lines are read by today's schemas, keep one id through all versions, and holds can be run at once", async () => {
  const lines = await earlier`
    select l.*, v.sheet_id, v.version, s.name from sheet_line l join sheet_version v on v.id = l.version_id
    join sheet s on s.id = v.sheet_id order by v.sheet_id, v.version, l.seq`;
  for (const l of lines) {
    expect(sheetLine.parse(l.plan).lineId).toBe(l.line_id);
    expect(l.earlier).not.toBeNull();
    if (l.name === "Holds") {
      const kept = keptLine.parse(l.kept);
      const old = (before.hold_plan ?? []).find((p) => p.id === l.version_id);
      expect(kept.fromDeg).toBe(old?.knee_flexion_deg);
      expect(kept.sets).toHaveLength(old?.sets as number);
      expect(kept.sets[0]).toMatchObject({ how: old?.setting, loadKg: old?.load_kg });
      expect(kept.share).toBeCloseTo(old?.achieved_share as number, 9);
    } else expect(l.kept).toBeNull();
  }
  const holds = lines.filter((l) => l.name === "Holds");
  const bySheet = new Map(holds.map((l) => [l.sheet_id, new Set<string>()]));
  for (const l of holds) bySheet.get(l.sheet_id)?.add(l.line_id);
  expect([...bySheet.values()].every((ids) => ids.size === 1)).toBe(true);
});

test("a session of the oldest shape has its legs and its efforts", async () => {
  const rows = await earlier`
    select plan from sheet_line where version_id = '00000000-0000-4000-8000-000000000005' order by seq`;
  expect(rows.map((r) => sheetLine.parse(r.plan).legs)).toEqual(["one_after_other", "together", "in_turns"]);
  expect(rows[0]?.plan.scheme).toMatchObject({ effort: { kind: "felt", felt: 6 }, atDeg: null });
});

test("running it again changes nothing, and the earlier tables are gone", async () => {
  expect(migrate()).toBe("");
  const old = await earlier`
    select relname from pg_class where relname in ('hold_plan', 'floor_session', 'hold_record', 'session_score')`;
  expect([...old]).toEqual([]);
});
