/**
 * Brings a database to the newest shape: makes it and the app role if they are missing, then runs each file of
 * migrations/ that has not run yet, in order, each in a transaction. Forward only: two at once wait for each other, and a
 * file that was changed after it had run stops everything, because nobody could say what shape the database has.
 * Needs OWNER_URL and APP_URL (scripts/pg.sh url owner|app).
 */
import { createHash } from "node:crypto";
import { readdir, readFile } from "node:fs/promises";
import postgres from "postgres";

const ownerUrl = process.env.OWNER_URL;
const appUrl = process.env.APP_URL;
if (!ownerUrl || !appUrl) throw new Error("OWNER_URL and APP_URL are not set.");
const quiet = { max: 1, onnotice: () => {} };

const databaseName = new URL(ownerUrl).pathname.slice(1);
const adminUrl = new URL(ownerUrl);
adminUrl.pathname = "/postgres";
const admin = postgres(adminUrl.href, quiet);
// held until this process ends its connection
const MIGRATION_LOCK = 7_401_208;
await admin`select pg_advisory_lock(${MIGRATION_LOCK})`;
const [exists] = await admin`select 1 from pg_database where datname = ${databaseName}`;
if (!exists) await admin.unsafe(`create database "${databaseName}"`);
const password = new URL(appUrl).password;
if (!/^[0-9a-f]+$/.test(password)) throw new Error("The app password must be hexadecimal.");
const [role] = await admin`select 1 from pg_roles where rolname = 'bexlo_app'`;
await admin.unsafe(
  `${role ? "alter" : "create"} role bexlo_app login nosuperuser nobypassrls nocreatedb nocreaterole password '${password}'`,
);

const sql = postgres(ownerUrl, quiet);
await sql`create table if not exists schema_migration (name text primary key, ran_at timestamptz not null default now())`;
await sql`alter table schema_migration add column if not exists sha256 text`;
const folder = new URL("./migrations/", import.meta.url);
for (const name of (await readdir(folder)).filter((f) => f.endsWith(".sql")).sort()) {
  const text = await readFile(new URL(name, folder), "utf8");
  const sha256 = createHash("sha256").update(text).digest("hex");
  const [done] = await sql`select sha256 from schema_migration where name = ${name}`;
  if (done?.sha256 && done.sha256 !== sha256)
    throw new Error(
      `${name} was changed after it had run here. Put it back and write a new migration instead.`,
    );
  if (done) {
    // it ran before its text was kept
    await sql`update schema_migration set sha256 = ${sha256} where name = ${name} and sha256 is null`;
    continue;
  }
  await sql.begin(async (tx) => {
    await tx.unsafe(text);
    await tx`insert into schema_migration (name, sha256) values (${name}, ${sha256})`;
  });
  console.log(`migrated ${name}`);
}
await sql.end();
await admin.end();
