import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { closeSync, existsSync, openSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import postgres from "postgres";
import { copyClient } from "../../../scripts/grow";

/**
 * The app and its database as processes that a test can stop and start. Tests that run side by side have a stack each: their own
 * cluster and their own port.
 */
interface Stack {
  data: string;
  port: string;
}
const DATA = process.env.BEXLO_DATA ?? ".data/test";
const stackOf = (index: number): Stack => ({
  data: index === 0 ? DATA : `${DATA}-${index}`,
  port: String(Number(process.env.E2E_PORT ?? 4310) + index),
});
const MINE = stackOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0));
const pidFile = ({ data }: Stack): string => path.join(data, "e2e-server.pid");

const pgOf = ({ data }: Stack, ...args: string[]): string =>
  execFileSync("scripts/pg.sh", args, { env: { ...process.env, BEXLO_DATA: data }, encoding: "utf8" }).trim();
const pg = (...args: string[]): string => pgOf(MINE, ...args);

/** As many stacks as tests run side by side, every one of them a copy of the seeded demo of the first. */
export async function startStacks(count: number): Promise<void> {
  if (count > 1) pg("stop");
  for (let i = 1; i < count; i++) {
    pgOf(stackOf(i), "destroy");
    execFileSync("cp", ["-a", DATA, stackOf(i).data]);
  }
  if (count > 1) pg("start");
  const stacks = Array.from({ length: count }, (_, i) => stackOf(i));
  for (const stack of stacks) pgOf(stack, "start");
  await Promise.all(
    stacks.map(async (stack) => {
      await startServer(stack);
      await keepSessions(stack);
      await keepTheSeededDemo(stack);
    }),
  );
}

export async function stopStacks(count: number): Promise<void> {
  await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      await stopServer(stackOf(i));
      if (i > 0) pgOf(stackOf(i), "destroy");
    }),
  );
}

export async function startServer(stack = MINE): Promise<void> {
  const log = openSync(path.join(stack.data, "e2e-server.log"), "a");
  const child: ChildProcess = spawn(
    process.execPath,
    ["node_modules/next/dist/bin/next", "start", "-p", stack.port, "-H", "127.0.0.1"],
    {
      env: {
        ...process.env,
        DATABASE_URL: pgOf(stack, "url", "app"),
        NODE_ENV: "production",
        NEXT_TELEMETRY_DISABLED: "1",
      },
      stdio: ["ignore", log, log],
      detached: true,
    },
  );
  closeSync(log);
  child.unref();
  writeFileSync(pidFile(stack), String(child.pid));
  await isUp(stack);
}

/** More than the app has connections: each of them is tried. */
const ASKED_AT_ONCE = 16;

/** App and database answer, on every connection that the app holds: one that was cut is only noticed when it is used. */
async function isUp(stack: Stack): Promise<void> {
  const isWell = () =>
    fetch(`http://127.0.0.1:${stack.port}/api/health`)
      .then((r) => r.ok)
      .catch(() => false);
  let well = 0;
  for (let i = 0; i < 300; i++) {
    const all = await Promise.all(Array.from({ length: ASKED_AT_ONCE }, isWell));
    well = all.every(Boolean) ? well + 1 : 0;
    if (well === 2) return;
    await new Promise((done) => setTimeout(done, 200));
  }
  throw new Error(`The app did not start; its log is ${stack.data}/e2e-server.log.`);
}

export async function stopServer(stack = MINE): Promise<void> {
  const pid = Number(readFileSync(pidFile(stack), "utf8"));
  process.kill(pid, "SIGTERM");
  for (let i = 0; i < 100; i++) {
    try {
      process.kill(pid, 0);
    } catch {
      return;
    }
    await new Promise((done) => setTimeout(done, 100));
  }
  process.kill(pid, "SIGKILL");
}

/** Stops the app and the database and starts both again: nothing that was in memory survives. */
export async function restartEverything(): Promise<void> {
  await stopServer();
  pg("stop");
  pg("start");
  await startServer();
}

/**
 * A night, or several, pass for a client: what was run is so much older, as the morning after is not asked on the same day. What is
 * logged cannot be changed by the app; this is the database's owner.
 */
export async function letANightPass(clientId: string, nights = 1): Promise<void> {
  const owner = postgres(pg("url", "owner"), { onnotice: () => undefined });
  const visits = owner`select v.id from visit v join episode e on e.id = v.episode_id
    where e.client_id = ${clientId}`;
  await owner`update set_record set started_at = started_at - make_interval(days => ${nights}) where visit_id in (${visits})`;
  await owner`update visit_end set ended_at = ended_at - make_interval(days => ${nights}) where visit_id in (${visits})`;
  await owner`update client_link set sends_at = sends_at - make_interval(days => ${nights}), expires_at = expires_at - make_interval(days => ${nights})
    where visit_id in (${visits})`;
  await owner`update recheck r set at = at - make_interval(days => ${nights})
    from episode e where e.id = r.episode_id and e.client_id = ${clientId}`;
  await owner`update visit set started_at = started_at - make_interval(days => ${nights}),
    received_at = received_at - make_interval(days => ${nights}) where id in (${visits})`;
  // what is done every week beside the exercises moves with them, or other mornings would be left out than before
  await owner`update episode set activities = (select jsonb_agg(jsonb_set(a, '{weekdays}',
      (select jsonb_agg((d::int + 6 - ${nights % 7}::int) % 7 + 1) from jsonb_array_elements_text(a -> 'weekdays') d)))
      from jsonb_array_elements(activities) a)
    where client_id = ${clientId} and jsonb_array_length(activities) > 0`;
  await owner.end();
}

/**
 * The morning after a client's last visit can be answered now. Between midnight and 04:00 at the clinic none can: the one of the day
 * before is over, the next is not open. Then the visit moves a day back and its link stays open.
 */
export async function letTheMorningBeNow(clientId: string): Promise<void> {
  const owner = postgres(pg("url", "owner"), { onnotice: () => undefined });
  const [clock] =
    await owner`select extract(hour from now() at time zone time_zone)::int as hour from clinic`;
  await owner.end();
  if (clock?.hour >= 4) return;
  await letANightPass(clientId);
  const again = postgres(pg("url", "owner"), { onnotice: () => undefined });
  // its own link alone; the demo may have been seeded before that midnight, and the link has run out since
  await again`update client_link set expires_at = greatest(expires_at, now()) + make_interval(days => 1)
    where id = (select l.id from client_link l join episode e on e.id = l.episode_id
      where e.client_id = ${clientId} order by l.sends_at desc limit 1)`;
  await again.end();
}

/** The owner's connection beside the app's database, as a database in use cannot be copied or dropped from within. */
async function beside(work: (sql: postgres.Sql) => Promise<void>, stack = MINE): Promise<void> {
  const sql = postgres(pgOf(stack, "url", "owner").replace(/[^/]+$/, "postgres"), {
    onnotice: () => undefined,
  });
  await work(sql);
  await sql.end();
}

const ROLES = ["therapist", "trainer", "admin"] as const;
export type Role = (typeof ROLES)[number];
const sessionsFile = ({ data }: Stack): string => path.join(data, "sessions.json");

/** Every role signs in once: the demo that is set apart holds these sessions, and tests begin with them. */
async function keepSessions(stack: Stack): Promise<void> {
  const origin = `http://127.0.0.1:${stack.port}`;
  const cookies: Record<string, string> = {};
  for (const role of ROLES) {
    const answer = await fetch(`${origin}/api/sign-in`, {
      method: "POST",
      headers: { "content-type": "application/json", origin },
      body: JSON.stringify(signInOf(role)),
    });
    const [cookie] = (answer.headers.get("set-cookie") ?? "").split(";");
    if (!cookie?.includes("=")) throw new Error(`The ${role} of the demo could not sign in.`);
    cookies[role] = cookie;
  }
  writeFileSync(sessionsFile(stack), JSON.stringify(cookies), { mode: 0o600 });
}

/** A role's cookie in the demo as it was set apart; null where nothing was: pictures and measurements have the demo alone. */
export function sessionOf(role: Role): { name: string; value: string; domain: string; path: string } | null {
  if (!existsSync(sessionsFile(MINE))) return null;
  const [name = "", value = ""] = JSON.parse(readFileSync(sessionsFile(MINE), "utf8"))[role].split("=");
  return { name, value, domain: "127.0.0.1", path: "/" };
}

/** Sets the demo apart as it was seeded, before any test writes into it. */
async function keepTheSeededDemo(stack: Stack): Promise<void> {
  await beside(async (sql) => {
    await sql`drop database if exists bexlo_seeded`;
    await endConnections(sql);
    await sql`create database bexlo_seeded template bexlo`;
  }, stack);
}

const endConnections = (sql: postgres.Sql) =>
  sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = 'bexlo' and pid <> pg_backend_pid()`;

/**
 * Puts the demo back as it was seeded, so that no file of tests hangs on what another left behind. The app stays up: it
 * connects again by itself, as after a restart of the database.
 */
export async function putTheDemoBack(): Promise<void> {
  await beside(async (sql) => {
    await sql`drop database bexlo with (force)`;
    await sql`create database bexlo template bexlo_seeded`;
  });
  await isUp(MINE);
}

/** A demo sign-in by role, from the file that the seed wrote. */
export function signInOf(role: Role): { email: string; password: string } {
  const lines = readFileSync(path.join(DATA, "sign-ins.txt"), "utf8").trim().split("\n");
  const [, email, password] = lines.map((l) => l.split("\t")).find(([r]) => r === role) ?? [];
  if (!email || !password) throw new Error(`No demo sign-in for ${role}.`);
  return { email, password };
}

/** Another client with the same history, under the name with a 1 behind it. */
export async function aTwinOf(clientId: string): Promise<void> {
  const owner = postgres(pg("url", "owner"), { onnotice: () => undefined });
  await copyClient(owner, clientId, 1);
  await owner.end();
}

/** A clinic with nothing in it but a therapist, who signs in with the demo's password. */
export async function anEmptyClinic(id: string): Promise<{
  therapist: { email: string; password: string };
  clientId: (name: string) => Promise<string>;
}> {
  const owner = postgres(pg("url", "owner"), { onnotice: () => undefined });
  const { email, password } = signInOf("therapist");
  const own = `therapist@${id}.example`;
  await owner`insert into clinic (id, name, time_zone) select ${id}, 'Empty Clinic', time_zone from clinic limit 1`;
  await owner`insert into person (id, clinic_id, email, name, role, password_hash, mass_unit, locale)
    select gen_random_uuid(), ${id}, ${own}, name, 'therapist', password_hash, mass_unit, locale from person where email = ${email}`;
  await owner.end();
  return {
    therapist: { email: own, password },
    clientId: async (name) => {
      const sql = postgres(pg("url", "owner"), { onnotice: () => undefined });
      const [r] = await sql`select id from client where clinic_id = ${id} and name = ${name}`;
      await sql.end();
      return r?.id;
    },
  };
}
