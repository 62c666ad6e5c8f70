import { db, inClinic } from "@/server/base/db";
import { clientEpisode, clientEpisodes } from "@/server/client/clients";
import {
  closeConnections,
  makeClient,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
} from "../../support/clinic";

afterAll(closeConnections);

const CLINIC_TABLES = [
  "person",
  "client",
  "episode",
  "episode_limit",
  "episode_condition",
  "stance_choice",
  "stance_view",
  "screening",
  "screening_answer",
  "screening_clearance",
  "measurement",
  "source_check",
  "machine",
  "machine_calibration",
  "clinic_exercise",
  "set_up_card",
  "exercise_swap",
  "sheet",
  "sheet_version",
  "sheet_line",
  "sheet_template",
  "cuff",
  "strength_test",
  "strength_trial",
  "recheck",
  "visit",
  "visit_event",
  "visit_end",
  "set_record",
  "response",
  "decision",
  "audit",
];

test("every table with a clinic has row-level security and a policy", async () => {
  const rows = await owner`
    select c.relname, c.relrowsecurity, (select count(*)::int from pg_policy p where p.polrelid = c.oid) as policies
    from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attname = 'clinic_id' and not a.attisdropped
    where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace`;
  expect(rows.map((r) => r.relname)).toEqual(expect.arrayContaining(CLINIC_TABLES));
  for (const r of rows) expect(r).toMatchObject({ relrowsecurity: true, policies: 1 });
});

test("the app's role is no superuser, owns nothing and cannot step round row-level security", async () => {
  const [role] =
    await owner`select rolsuper, rolbypassrls, rolcreaterole from pg_roles where rolname = 'bexlo_app'`;
  expect(role).toEqual({ rolsuper: false, rolbypassrls: false, rolcreaterole: false });
  const owned = await owner`select relname from pg_class where relowner = 'bexlo_app'::regrole`;
  expect(owned).toHaveLength(0);
});

describe("two clinics", () => {
  test("see only their own clients, also when a query forgets to ask for the clinic", async () => {
    const [here, there] = [await makeClinic(), await makeClinic()];
    const mine = await makeClient(here);
    const theirs = await makeClient(there);
    const seen = await here.as("therapist", (ctx) => clientEpisodes(ctx));
    expect(seen.map((c) => c.clientId)).toEqual([mine.clientId]);
    await expect(here.as("therapist", (ctx) => clientEpisode(ctx, theirs.clientId))).rejects.toThrow(
      /no such client/,
    );
    const all = await inClinic(here.id, (tx) => tx`select id from client`);
    expect(all.map((r) => r.id)).toEqual([mine.clientId]);
  });

  test("cannot write into each other", async () => {
    const [here, there] = [await makeClinic(), await makeClinic()];
    await expect(
      inClinic(
        here.id,
        (tx) =>
          tx`insert into client (id, clinic_id, name, birth_year, height_m, body_mass_kg)
             values (gen_random_uuid(), ${there.id}, 'x', 1980, 1.7, 70)`,
      ),
    ).rejects.toThrow(/row-level security/);
  });
});

test("without a clinic nothing is seen at all", async () => {
  const clinic = await makeClinic();
  await makeClient(clinic);
  for (const table of CLINIC_TABLES.filter((t) => t !== "person"))
    expect(await db()`select 1 from ${db()(table)}`).toHaveLength(0);
});

test("the clinic setting does not outlive its transaction", async () => {
  const clinic = await makeClinic();
  await makeClient(clinic);
  await inClinic(clinic.id, (tx) => tx`select 1`);
  expect(await db()`select 1 from client`).toHaveLength(0);
});

describe("what was done is append-only", () => {
  test.each([
    "set_record",
    "visit",
    "visit_event",
    "visit_end",
    "response",
    "sheet_version",
    "sheet_line",
    "decision",
    "audit",
    "recheck",
    "episode_limit",
    "stance_choice",
    "stance_view",
    "screening",
    "screening_answer",
    "screening_clearance",
    "source_check",
  ])("%s can be neither changed nor deleted by the app", async (table) => {
    const clinic = await makeClinic();
    const { client } = await plannedClient(clinic);
    await runVisit(clinic, client);
    const keys: Record<string, string> = {
      visit_event: "visit_id",
      visit_end: "visit_id",
      sheet_line: "version_id",
      screening_answer: "screening_id",
    };
    const key = keys[table] ?? "id";
    await expect(
      inClinic(
        clinic.id,
        (tx) => tx`update ${tx(table)} set clinic_id = clinic_id where ${tx(key)} is not null`,
      ),
    ).rejects.toThrow(/permission denied/);
    await expect(inClinic(clinic.id, (tx) => tx`delete from ${tx(table)}`)).rejects.toThrow(
      /permission denied/,
    );
  });
});

test("password hashes and session tokens are out of the app's reach", async () => {
  const clinic = await makeClinic();
  await expect(inClinic(clinic.id, (tx) => tx`select password_hash from person`)).rejects.toThrow(
    /permission denied/,
  );
  await expect(inClinic(clinic.id, (tx) => tx`select token_hash from auth_session`)).rejects.toThrow(
    /permission denied/,
  );
  await expect(db()`select * from sign_in_try`).rejects.toThrow(/permission denied/);
});
