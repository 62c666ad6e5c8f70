/**
 * Brings a database to the newest shape: makes it and the app role if they are missing, then runs each file of
 * migrations/ that has not run yet, in order, each in a transaction. Forward only.
 * Needs OWNER_URL and APP_URL (scripts/pg.sh url owner|app).
 */
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
const [exists] = await admin`select 1 from pg_database where datname = ${databaseName}`;
if (!exists) await admin.unsafe(`create database "${databaseName}"`);
const password = new URL(appUrl).password;
if (!/^[0-9a-f]+$/.test(password)) throw new Error("The app password must be hexadecimal.");
const [role] = await admin`select 1 from pg_roles where rolname = 'bexlo_app'`;
await admin.unsafe(
  `${role ? "alter" : "create"} role bexlo_app login nosuperuser nobypassrls nocreatedb nocreaterole password '${password}'`,
);
await admin.end();

const sql = postgres(ownerUrl, quiet);
await sql`create table if not exists schema_migration (name text primary key, ran_at timestamptz not null default now())`;
const folder = new URL("./migrations/", import.meta.url);
for (const name of (await readdir(folder)).filter((f) => f.endsWith(".sql")).sort()) {
  const [done] = await sql`select 1 from schema_migration where name = ${name}`;
  if (done) continue;
  const text = await readFile(new URL(name, folder), "utf8");
  await sql.begin(async (tx) => {
    await tx.unsafe(text);
    await tx`insert into schema_migration (name) values (${name})`;
  });
  console.log(`migrated ${name}`);
}
await sql.end();
