import { execFile, execFileSync } from "node:child_process";
import { readdirSync } from "node:fs";
import { promisify } from "node:util";
import { closeConnections, owner } from "../support/clinic";

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

test("two at once on an empty database both end well, and each file ran once", async () => {
  const url = new URL(process.env.OWNER_URL ?? "");
  url.pathname = "/empty_for_two";
  const run = () =>
    promisify(execFile)(
      process.execPath,
      ["--conditions=react-server", "--import", "tsx", "database/migrate.mts"],
      { env: { ...process.env, OWNER_URL: url.href } },
    );
  const said = await Promise.all([run(), run()]);
  const files = readdirSync("database/migrations").length;
  expect(said.flatMap((s) => s.stdout.split("\n").filter((l) => l.startsWith("migrated")))).toHaveLength(
    files,
  );
  await owner.unsafe("drop database empty_for_two");
});

test("a file that was changed after it had run stops everything and says which", async () => {
  const name = "0001";
  const [first] = await owner`select name, sha256 from schema_migration where name like ${`${name}%`}`;
  await owner`update schema_migration set sha256 = 'another' where name = ${first?.name}`;
  try {
    expect(migrate).toThrow(/0001.* was changed after it had run here/);
  } finally {
    await owner`update schema_migration set sha256 = ${first?.sha256} where name = ${first?.name}`;
  }
  expect(migrate()).toBe("");
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
    `insert into set_record (id, clinic_id, visit_id, line_id, exercise_id, set_no, leg, bout_no, is_voided, started_at,
       tablet_at, worked_s, pain, counted_by, logged_by, received_at)
     values (gen_random_uuid(), gen_random_uuid(), gen_random_uuid(), gen_random_uuid(), 'x', 1, 'both', 1, false, now(),
       now(), 30, 11, 'tap', gen_random_uuid(), now())`,
  );
});
