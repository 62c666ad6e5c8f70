import { randomUUID } from "node:crypto";
import postgres from "postgres";
import type { Role } from "@/core/access/roles";
import type { Irritability, School } from "@/core/progression/painRule";
import type { Action } from "@/core/progression/safetyRules";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import type { StrengthTestInput } from "@/core/strength/testInput";
import { type RobotOptions, robot } from "@/core/testdata/visitRobot";
import type { LogEntry } from "@/core/visit/visitEvent";
import { seededRandom } from "@/devices/simulated/random";
import { simulateLoadCell } from "@/devices/simulated/simulateLoadCell";
import type { Actor, Ctx } from "@/server/base/context";
import { db, inClinic } from "@/server/base/db";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { questionsOf, recordScreening } from "@/server/client/screenings";
import { type VisitDraft, visitDrafts } from "@/server/decide/decisionDrafts";
import { takeDecisions } from "@/server/decide/decisions";
import { answerRecheck } from "@/server/decide/rechecks";
import { recordTest } from "@/server/measure/measurements";
import { saveSheet } from "@/server/sheets/saveSheet";
import { type SheetVersion, sheetsOf } from "@/server/versions/sheets";
import { recordMorning } from "@/server/visits/mornings";
import { logEvent, openVisit, startVisit } from "@/server/visits/running";

/** The owner's connection: makes clinics, and looks past row-level security to check what is really there. */
export const owner = postgres(process.env.OWNER_URL ?? "", {
  max: 2,
  onnotice: () => {},
  types: { numeric: { to: 1700, from: [1700], serialize: String, parse: Number } },
});

export async function closeConnections(): Promise<void> {
  await owner.end();
  await db().end();
}

/** A fixed morning, so that dates in tests do not depend on the day they run. */
export const MONDAY = new Date("2026-03-02T09:00:00Z");
export const daysLater = (days: number, hour = 9): Date => new Date(Date.UTC(2026, 2, 2 + days, hour, 0, 0));

export interface TestClinic {
  id: string;
  actors: Record<Role, Actor>;
  as: <T>(role: Role, work: (ctx: Ctx) => Promise<T>, now?: Date) => Promise<T>;
}

/** A clinic of its own with one person of each role, a machine and cuffs. */
export async function makeClinic(): Promise<TestClinic> {
  const id = randomUUID();
  await owner`insert into clinic (id, name, time_zone) values (${id}, 'Test Clinic', 'Europe/Amsterdam')`;
  const actors = {} as Record<Role, Actor>;
  for (const role of ["therapist", "trainer", "admin"] as const) {
    const personId = randomUUID();
    await owner`
      insert into person (id, clinic_id, email, name, role, password_hash)
      values (${personId}, ${id}, ${`${role}-${id}@test.example`}, ${`Test ${role}`}, ${role}, 'none')`;
    actors[role] = {
      personId,
      clinicId: id,
      name: `Test ${role}`,
      role,
      massUnit: "kg",
      locale: "en-GB",
      clinicName: "Test Clinic",
      timeZone: "Europe/Amsterdam",
    };
  }
  await owner`
    insert into machine (id, clinic_id, name, family, steps, geometry, cam, notches)
    values (${randomUUID()}, ${id}, 'Bay extension', 'seated_knee_extension',
      ${owner.json({ kind: "stack", first: 5, step: 5, plates: 20, addOns: [2.5], pulley: 1 })},
      ${owner.json({ ratioM: 0.3, frictionShare: 0.06, startLoadKg: 0 })}, ${owner.json("flat")}, ${owner.json(
        {
          padM: [{ label: "1", value: 0.33 }],
          backrestDeg: [{ label: "1", value: 105 }],
          endDeg: Array.from({ length: 12 }, (_, i) => ({ label: `${5 + 5 * i}°`, value: 5 + 5 * i })),
          startDeg: Array.from({ length: 9 }, (_, i) => ({ label: `${60 + 5 * i}°`, value: 60 + 5 * i })),
        },
      )})`;
  for (const kg of [0.5, 1, 2, 3])
    await owner`insert into cuff (id, clinic_id, label, mass_kg) values (${randomUUID()}, ${id}, ${`${kg} kg`}, ${kg})`;
  const as: TestClinic["as"] = (role, work, now = MONDAY) =>
    inClinic(id, (tx) => work({ tx, actor: actors[role], now, deviceNow: now }));
  return { id, actors, as };
}

export interface ClientOptions {
  name?: string;
  school?: School;
  irritability?: Irritability;
  swellingApplies?: boolean;
  /** in the terms of the rule base */
  rules?: {
    conditionId: string;
    variantId: string;
    phaseId: string;
    /** false: just entered, nobody confirmed a phase */
    isConfirmed?: boolean;
    beganOn: string;
    stances?: Record<string, string>;
  }[];
  /** warning signs answered no; true unless said otherwise */
  isScreened?: boolean;
  limits?: { low: number | null; high: number | null; kind?: "knee_flexion_under_load" | "joint_pain" }[];
}

/** A client with one open episode of the right knee. */
export async function makeClient(clinic: TestClinic, o: ClientOptions = {}): Promise<ClientEpisode> {
  const clientId = randomUUID();
  const episodeId = randomUUID();
  await owner`
    insert into client (id, clinic_id, name, birth_year, height_m, body_mass_kg)
    values (${clientId}, ${clinic.id}, ${o.name ?? "Made Up"}, 1980, 1.7, 70)`;
  await owner`
    insert into episode (id, clinic_id, client_id, side, condition, began_on, began_with, pain_school, irritability,
      usual_pain, story_at, swelling_applies, first_swelling, goal)
    values (${episodeId}, ${clinic.id}, ${clientId}, 'right', 'kneecap pain', '2026-01-05', 'onset',
      ${o.school ?? "monitoring"}, ${o.irritability ?? "low"}, 1, ${MONDAY}, ${o.swellingApplies ?? false}, 0, 'stairs')`;
  for (const l of o.limits ?? [])
    await owner`
      insert into episode_limit (id, clinic_id, episode_id, kind, bound, origin, reason, set_at)
      values (${randomUUID()}, ${clinic.id}, ${episodeId}, ${l.kind ?? "knee_flexion_under_load"},
        numrange(${l.low}, ${l.high}, '[]'), 'surgeon', 'a written note', ${MONDAY})`;
  for (const r of o.rules ?? []) {
    await owner`
      insert into episode_condition (id, clinic_id, episode_id, condition_id, variant_id, phase_id, phase_since, began_on,
        set_by, set_at, confirmed_at)
      values (${randomUUID()}, ${clinic.id}, ${episodeId}, ${r.conditionId}, ${r.variantId}, ${r.phaseId}, ${r.beganOn},
        ${r.beganOn}, ${clinic.actors.therapist.personId}, ${MONDAY}, ${r.isConfirmed === false ? null : MONDAY})`;
    for (const [school, option] of Object.entries(r.stances ?? {}))
      await owner`
        insert into stance_choice (id, clinic_id, episode_id, stance_id, option_id, reason, set_by, set_at)
        values (${randomUUID()}, ${clinic.id}, ${episodeId}, ${`${r.conditionId}.${school}`}, ${option}, 'a reason',
          ${clinic.actors.therapist.personId}, ${MONDAY})`;
  }
  if (o.isScreened !== false) await screenClear(clinic, clientId);
  return clinic.as("therapist", (ctx) => clientEpisode(ctx, clientId));
}

/** Every warning sign asked and answered no. */
export async function screenClear(
  clinic: TestClinic,
  clientId: string,
  at = MONDAY,
  yes: Record<string, "yes" | "unsure"> = {},
): Promise<string> {
  const id = randomUUID();
  await clinic.as(
    "therapist",
    async (ctx) => {
      const client = await clientEpisode(ctx, clientId);
      const answers = (await questionsOf(ctx, client)).map((q) => ({
        questionId: q.id,
        answer: yes[q.id] ?? ("no" as const),
        escalations: [],
        askedAs: "one" as const,
      }));
      await recordScreening(ctx, client, { id, answers, systolicMmHg: 122, diastolicMmHg: 76 });
    },
    at,
  );
  return id;
}

/** A push of known force through the load cell stand-in. */
export function pushTrace(forceN: number, seed = 1): { timeS: number[]; forceN: number[] } {
  const trace: { timeS: number[]; forceN: number[] } = { timeS: [], forceN: [] };
  const push = { maxForceN: forceN * 3, aimForceN: forceN, restS: 1, pushS: 5 };
  for (const s of simulateLoadCell(push, seededRandom(seed))) {
    trace.timeS.push(s.timeS);
    trace.forceN.push(s.forceN);
  }
  return trace;
}

export function testInput(over: Partial<StrengthTestInput> = {}): StrengthTestInput {
  return {
    id: randomUUID(),
    movement: "knee_extension",
    side: "right",
    kneeFlexionDeg: 60,
    jointAngleDeg: null,
    leverArmM: 0.33,
    pullAngleDeg: 90,
    zeroedRelaxed: false,
    trials: [
      { id: randomUUID(), source: "typed", forceN: 400 },
      { id: randomUUID(), source: "typed", forceN: 410 },
    ],
    ...over,
  };
}

/** A hold on the clinic's machine, two of half a minute, as a line that climbs from 45° to 90°. */
export const hold = (over: Partial<SheetLine> = {}): SheetLine => ({
  lineId: randomUUID(),
  exerciseId: "kext_iso_machine",
  scheme: {
    kind: "holds",
    sets: 1,
    reps: 2,
    holdS: 30,
    restS: 60,
    setRestS: 0,
    effort: { kind: "felt", felt: 6 },
    atDeg: 60,
  },
  legs: "one",
  window: null,
  sharesRests: false,
  ladder: { of: "angle", fromDeg: 45, toDeg: 90 },
  ...over,
});

/** The same hold with other numbers. */
export const holdWith = (
  scheme: Partial<Extract<SheetLine["scheme"], { kind: "holds" }>>,
  over: Partial<SheetLine> = {},
): SheetLine => {
  const line = hold(over);
  return { ...line, scheme: { ...line.scheme, ...scheme } as SheetLine["scheme"] };
};

/** Straight sets without a machine, which every clinic can do. */
export const squats = (over: Partial<SheetLine> = {}): SheetLine => ({
  lineId: randomUUID(),
  exerciseId: "half_squat",
  scheme: {
    kind: "straight",
    sets: 2,
    reps: 8,
    reserve: 4,
    tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
    restS: 60,
  },
  legs: "together",
  window: { fromDeg: 20, toDeg: 60 },
  sharesRests: false,
  ...over,
});

export interface SaveOptions {
  id?: string;
  sheetId?: string;
  name?: string;
  place?: "gym" | "home" | "bodyweight";
  baseVersion?: number;
}

/** Saves a sheet as a page would send it. */
export const saveLines = (ctx: Ctx, client: ClientEpisode, items: SheetLine[], o: SaveOptions = {}) =>
  saveSheet(ctx, client, {
    id: o.id ?? randomUUID(),
    sheetId: o.sheetId ?? randomUUID(),
    name: o.name ?? "Gym",
    place: o.place ?? "gym",
    baseVersion: o.baseVersion ?? 0,
    items,
  });

/** A client who was tested and has a sheet. */
export async function plannedClient(
  clinic: TestClinic,
  o: ClientOptions = {},
  items: SheetLine[] = [hold()],
): Promise<{ client: ClientEpisode; sheet: SheetVersion }> {
  const client = await makeClient(clinic, o);
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  const sheet = await clinic.as("therapist", (ctx) => saveLines(ctx, client, items));
  return { client, sheet };
}

export const currentSheet = async (clinic: TestClinic, client: ClientEpisode, at = MONDAY) =>
  (await clinic.as("trainer", (ctx) => sheetsOf(ctx, client.episodeId), at))[0] as SheetVersion;

/** A visit of a planned client that was started and has nothing logged yet; its id. */
export async function openedVisit(
  clinic: TestClinic,
  client: ClientEpisode,
  at = MONDAY,
  sheet?: SheetVersion,
): Promise<string> {
  const version = sheet ?? (await currentSheet(clinic, client, at));
  const [id, recheckId] = [randomUUID(), randomUUID()];
  await clinic.as(
    "trainer",
    (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }),
    at,
  );
  await clinic.as(
    "trainer",
    (ctx) => startVisit(ctx, client, { id, versionId: version.id, recheckId, startedAt: at.toISOString() }),
    at,
  );
  return id;
}

export interface RunOptions extends RobotOptions {
  at?: Date;
  sheet?: SheetVersion;
}

/** What a visit of these lines would log, as a tablet sends it from a time on. */
export async function logOf(
  clinic: TestClinic,
  client: ClientEpisode,
  at: Date,
  o: RobotOptions = {},
): Promise<LogEntry[]> {
  const open = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId), at);
  if (!open) throw new Error("no visit is open");
  const { events } = robot(open.lines, { felt: 6, reserve: 4, ids: randomUUID, ...o });
  const first = events[0]?.at ?? 0;
  return events.map((e) => ({ ...e, at: at.getTime() + (e.at - first) }));
}

/** Sends entries of a visit's log, in order. */
export async function sendLog(
  clinic: TestClinic,
  visitId: string,
  entries: readonly LogEntry[],
  from = 1,
): Promise<void> {
  for (const [i, entry] of entries.entries())
    await clinic.as("trainer", (ctx) => logEvent(ctx, visitId, { seq: from + i, entry }), new Date(entry.at));
}

/** A whole visit of the newest sheet, run by the trainer; gives its id. */
export async function runVisit(
  clinic: TestClinic,
  client: ClientEpisode,
  o: RunOptions = {},
): Promise<string> {
  const { at = MONDAY, sheet, ...run } = o;
  const visitId = await openedVisit(clinic, client, at, sheet);
  await sendLog(clinic, visitId, await logOf(clinic, client, at, run));
  return visitId;
}

/** The morning after a visit, entered by the clinic on a day. */
export const enterMorning = (
  clinic: TestClinic,
  client: ClientEpisode,
  visitId: string,
  at: Date,
  morning: Partial<Parameters<typeof recordMorning>[2]>,
  by: keyof TestClinic["actors"] = "trainer",
) =>
  clinic.as(
    by,
    (ctx) =>
      recordMorning(ctx, client, {
        ...{ id: randomUUID(), visitId, corrects: null, pain: 1, swelling: null, stiffnessMin: null },
        ...morning,
      }),
    at,
  );

/** Takes every draft of the oldest visit that waits, as it stands; gives what was drafted, null where none waits. */
export async function takeAll(
  clinic: TestClinic,
  client: ClientEpisode,
  at: Date,
): Promise<VisitDraft | null> {
  return clinic.as(
    "therapist",
    async (ctx) => {
      const [draft] = await visitDrafts(ctx, client);
      if (!draft) return null;
      const one = (lineId: string | null, action: Action) => ({
        id: randomUUID(),
        lineId,
        action,
        computedAction: action,
        overrideReason: null,
      });
      await takeDecisions(ctx, client, {
        visitId: draft.visit.id,
        lines: draft.stopsAll
          ? [one(null, "STOP_REFER")]
          : draft.lines.map((l) => one(l.plan.lineId, l.decision.action)),
      });
      return draft;
    },
    at,
  );
}
