import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { scoreLine } from "@/core/dose/scoreInput";
import { closeConnections, makeClient, makeClinic, owner } from "../support/clinic";

afterAll(closeConnections);

const migrate = (): string =>
  execFileSync(process.execPath, ["--conditions=react-server", "--import", "tsx", "database/migrate.mts"], {
    encoding: "utf8",
    env: process.env,
  });

test("every migration ran, and running them again changes nothing", async () => {
  const files = readdirSync("database/migrations").sort();
  const ran = async () => (await owner`select name from schema_migration order by name`).map((r) => r.name);
  expect(await ran()).toEqual(files);
  expect(migrate()).toBe("");
  expect(await ran()).toEqual(files);
});

test("the database itself refuses what the schemas refuse", async () => {
  const bad = (statement: string) =>
    expect(owner.unsafe(statement)).rejects.toThrow(/violates check constraint/);
  const client = (height: string, mass: string) =>
    `insert into client (id, clinic_id, name, birth_year, height_m, body_mass_kg)
     values (gen_random_uuid(), gen_random_uuid(), 'x', 1980, ${height}, ${mass})`;
  await bad(client("17", "70"));
  await bad(client("1.7", "0"));
  await bad(client("'NaN'", "70"));
  await bad(
    `insert into hold_record (id, clinic_id, session_id, seq, is_voided, started_at, held_s, pain_before, pain_after,
       logged_by, received_at)
     values (gen_random_uuid(), gen_random_uuid(), gen_random_uuid(), 1, false, now(), 30, 1, 11, gen_random_uuid(), now())`,
  );
});

test("sessions saved before lines had legs and angles are read as lines of today", async () => {
  const clinic = await makeClinic();
  const client = await makeClient(clinic);
  const [person] = await owner`
    select p.id, p.clinic_id from person p join episode e on e.clinic_id = p.clinic_id
    where e.id = ${client.episodeId} limit 1`;
  const [convert] = readFileSync("database/migrations/0006_whole_sessions.sql", "utf8").split(
    "-- seconds of a chair",
  );
  const tempo = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 };
  const holds = { kind: "holds", sets: 1, reps: 5, holdS: 30, restS: 60, setRestS: 0, feltEffort: 6 };
  const old = [
    { exerciseId: "kext_iso_machine", scheme: holds, sides: 2 },
    { exerciseId: "kext_iso_machine", scheme: holds, sides: 1 },
    {
      exerciseId: "lp_horizontal",
      scheme: { kind: "straight", sets: 3, reps: 10, reserve: 3, tempo, restS: 90 },
      sides: 1,
    },
    { exerciseId: "curl_single", scheme: { kind: "accumulated", total: 15, restS: 20 }, sides: 2 },
    { exerciseId: "lp_sled45", scheme: { kind: "drop", drops: 2, dropPct: 20 }, sides: 1 },
    { exerciseId: "str_hamstring", scheme: { kind: "stretch", totalS: 60, toleratedS: 30 }, sides: 2 },
  ];
  const read = await owner
    .begin(async (tx) => {
      // the oldest shape stands alone in this transaction, which is given back
      await tx`delete from session_score`;
      await tx`
        insert into session_score (id, clinic_id, episode_id, version, items, seconds, hard_reps, made_by, made_at)
        values (gen_random_uuid(), ${person?.clinic_id}, ${client.episodeId}, 1, ${tx.json(old)}, 1800, 12, ${person?.id}, now())`;
      await tx.unsafe(convert ?? "");
      const [row] = await tx`select items from session_score`;
      throw Object.assign(new Error("given back"), { items: row?.items });
    })
    .catch((e: { items?: unknown }) => e.items);
  const lines = scoreLine.array().parse(read);
  expect(lines.map((l) => l.legs)).toEqual([
    "one_after_other",
    "one",
    "together",
    "in_turns",
    "together",
    "one_after_other",
  ]);
  expect(lines[0]?.scheme).toMatchObject({ effort: { kind: "felt", felt: 6 }, atDeg: null });
  expect(lines.every((l) => l.window === null && !l.sharesRests)).toBe(true);
});
