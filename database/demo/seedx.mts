/**
 * Fills an empty database with the made-up scenario. The history is made by the product itself: traces from the load
 * cell stand-in, felt effort from the fatigue model, every test, sheet, visit and decision through the same server
 * functions the app uses, with past dates. Pain is a small noisy model of its own. Dates are relative to today.
 * Needs DATABASE_URL (app), OWNER_URL and SIGN_INS_FILE.
 */
import { randomBytes } from "node:crypto";
import { writeFile } from "node:fs/promises";
import postgres from "postgres";
import { limbGravityTorqueNm } from "../../src/core/body/limbGravity";
import { bodyFrom } from "../../src/core/body/segments";
import { plainMeasurement } from "../../src/core/measure/measurementInput";
import { MEASUREMENT_KIND_IDS, measurementKind } from "../../src/core/measure/measurementKinds";
import { isKneeMovement, type Movement } from "../../src/core/strength/movements";
import type { TrialInput } from "../../src/core/strength/testInput";
import { torqueAngleShape } from "../../src/core/strength/torqueAngleShape";
import { clamp } from "../../src/core/units/clamp";
import type { Side } from "../../src/core/units/fields";
import { normal, seededRandom } from "../../src/devices/simulated/random";
import { simulateLoadCell } from "../../src/devices/simulated/simulateLoadCell";
import { hashPassword } from "../../src/server/auth/password";
import type { Actor, Ctx } from "../../src/server/base/context";
import { db, inClinic } from "../../src/server/base/db";
import { writeLimit } from "../../src/server/bounds/limits";
import { type ClientEpisode, clientEpisode } from "../../src/server/client/clients";
import { conditionsOf } from "../../src/server/client/conditions";
import {
  clearSign,
  questionsOf,
  recordScreening,
  screeningStateOf,
} from "../../src/server/client/screenings";
import { chooseStance, noteStanceView } from "../../src/server/client/stances";
import { createClient } from "../../src/server/client/story";
import { addMachine } from "../../src/server/clinic/machines";
import { confirmPhase, tickFunctional } from "../../src/server/facts/phases";
import { recordTest } from "../../src/server/measure/measurements";
import { recordMeasurement } from "../../src/server/measure/otherMeasurements";
import { CLIENTS } from "./clients/index";
import { CLINIC, CUFFS_KG, MACHINES, PEOPLE } from "./clinic";
import type { DemoClient, DemoLimit, DemoSeries } from "./demoClient";
import { type DemoEvent, type DemoWorld, sheetEvents } from "./visits";

const owner = postgres(process.env.OWNER_URL ?? "", { max: 1, onnotice: () => {} });
const [already] = await owner`select 1 from clinic limit 1`;
if (already) {
  await owner.end();
  process.exit(0);
}

const DAY_MS = 86_400_000;
// hours and days below are the clinic's, on whatever clock this machine runs: at 00:30 there "yesterday" is not the day before
process.env.TZ = CLINIC.timeZone;
const now = new Date(Date.now() - (144 - 9)*3600e3);
const random = seededRandom(20_471);
const uuid = (): string => {
  const hex = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16)).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
};
/** A time of day so many days ago; never in the future. */
const daysAgo = (days: number, hour: number, minute = 0): Date => {
  const at = new Date(now);
  at.setDate(at.getDate() - days);
  at.setHours(hour, minute, 0, 0);
  return new Date(Math.min(at.getTime(), now.getTime() - 60_000));
};
const isoDay = (at: Date): string =>
  new Intl.DateTimeFormat("en-CA", { timeZone: CLINIC.timeZone }).format(at);

const clinicId = uuid();
const signIns: string[] = [];
const actors = new Map<string, Actor>();
await owner`insert into clinic (id, name, time_zone) values (${clinicId}, ${CLINIC.name}, ${CLINIC.timeZone})`;
for (const p of PEOPLE) {
  const id = uuid();
  // made afresh for each demo, so that no password lies in the repository
  const password = `${randomBytes(3).toString("hex")}-${randomBytes(3).toString("hex")}`;
  await owner`
    insert into person (id, clinic_id, email, name, role, password_hash, mass_unit)
    values (${id}, ${clinicId}, ${p.email}, ${p.name}, ${p.role}, ${await hashPassword(password)}, ${p.massUnit})`;
  signIns.push(`${p.role}\t${p.email}\t${password}`);
  actors.set(p.key, {
    personId: id,
    clinicId,
    name: p.name,
    role: p.role,
    massUnit: p.massUnit,
    locale: "en-GB",
    clinicName: CLINIC.name,
    timeZone: CLINIC.timeZone,
  });
}
for (const kg of CUFFS_KG)
  await owner`insert into cuff (id, clinic_id, label, mass_kg) values (${uuid()}, ${clinicId}, ${`${kg} kg`}, ${kg})`;

const therapist = actors.get("therapist") as Actor;
const trainer = actors.get("trainer") as Actor;
const at = <T,>(when: Date, work: (ctx: Ctx) => Promise<T>, actor = therapist): Promise<T> =>
  inClinic(clinicId, (tx) => work({ tx, actor, now: when }));

const world: DemoWorld = {
  at,
  therapist,
  trainer,
  daysAgo,
  isoDay: (inDays) => isoDay(new Date(now.getTime() + inDays * DAY_MS)),
  uuid,
  random,
};
for (const m of MACHINES) await at(daysAgo(400, 9), (ctx) => addMachine(ctx, uuid(), m));
for (const demo of CLIENTS) await liveThrough(demo);
await owner.end();
await db().end();
await writeFile(process.env.SIGN_INS_FILE ?? "", `${signIns.join("\n")}\n`, { mode: 0o600 });

/** Story, screening, limits, measurements, tests, sheets, visits, mornings and decisions, in the order of their days. */
async function liveThrough(d: DemoClient): Promise<void> {
  const clientId = uuid();
  const entered = daysAgo(d.enteredDaysAgo, 9);
  await at(entered, (ctx) =>
    createClient(ctx, {
      clientId,
      episodeId: uuid(),
      person: {
        name: d.name,
        occupation: d.occupation,
        birthYear: d.birthYear,
        heightM: d.heightM,
        bodyMassKg: d.bodyMassKg,
        shankLengthM: null,
        normSex: d.normSex,
      },
      episode: { ...d.story, weekdays: [...d.story.weekdays], beganOn: isoDay(daysAgo(d.beganDaysAgo, 9)) },
    }),
  );
  const fresh = (when: Date) => at(when, (ctx) => clientEpisode(ctx, clientId));
  const events: DemoEvent[] = [
    ...d.screenings.map((s) => screened(d, clientId, s)),
    ...d.limits.map((l) => ({
      when: daysAgo(Math.min(d.enteredDaysAgo, 28), 9, 30),
      run: (when: Date) => written(clientId, l, when),
    })),
    ...d.series.flatMap((s) => seriesEvents(clientId, s)),
    // on entry nothing is measured: the first phase is confirmed as it is, later ones open one by one
    ...d.phases.slice(0, 1).map(() => ({
      when: daysAgo(d.enteredDaysAgo, 9, 40),
      run: async (when: Date) => confirmed(await fresh(when), null, when),
    })),
    ...d.phases.map((p) => ({
      when: daysAgo(p.daysAgo, 9, 45),
      run: async (when: Date) => confirmed(await fresh(when), p, when),
    })),
    ...d.tests.flatMap((t, k) =>
      t.anglesDeg.flatMap((deg, i) =>
        (["left", "right"] as const).map((side, s) => ({
          when: daysAgo(t.daysAgo, 10, (k % 3) * 18 + i * 6 + s * 3),
          run: async (when: Date) => testAt(d, await fresh(when), t.movement, side, deg, when),
        })),
      ),
    ),
    ...d.can.map((criterion, i) => ({
      when: daysAgo(2, 9, i),
      run: async (when: Date) => ticked(await fresh(when), criterion, when),
    })),
    ...(d.stance ? [stanceChosen(clientId, d.stance)] : []),
    ...d.sheets.flatMap((sheet) => sheetEvents(world, d, clientId, sheet)),
  ];
  events.sort((a, b) => a.when.getTime() - b.when.getTime());
  for (const e of events) await e.run(e.when);
}

function screened(d: DemoClient, clientId: string, s: DemoClient["screenings"][number]): DemoEvent {
  const isFirst = s.daysAgo === d.enteredDaysAgo;
  return {
    when: daysAgo(s.daysAgo, 9, isFirst ? 15 : 5),
    run: async (when) => {
      const who = actors.get(s.by ?? "therapist") as Actor;
      await at(
        when,
        async (ctx) => {
          const client = await clientEpisode(ctx, clientId);
          // an earlier sign is cleared before the questions are asked again
          for (const sign of (await screeningStateOf(ctx, client)).standing)
            if (sign.consequence !== "proceed_with_caution")
              await clearSign(ctx, client, {
                id: uuid(),
                questionId: sign.flag.id,
                onWordOf: "physician",
                words:
                  "examined by the practice's physician: no weakness, sensation back, training may go on",
              });
          await recordScreening(ctx, client, {
            id: uuid(),
            answers: (await questionsOf(ctx, client)).map((q) => ({
              questionId: q.id,
              answer: s.yes?.[q.id] ?? "no",
              escalations: [],
              askedAs: "one" as const,
            })),
            systolicMmHg: 118 + Math.floor(random() * 16),
            diastolicMmHg: 70 + Math.floor(random() * 12),
          });
        },
        who,
      );
    },
  };
}

async function written(clientId: string, l: DemoLimit, when: Date): Promise<void> {
  await at(when, async (ctx) =>
    writeLimit(ctx, await clientEpisode(ctx, clientId), {
      id: uuid(),
      kind: l.kind,
      low: l.low ?? null,
      high: l.high ?? null,
      word: l.word ?? null,
      origin: l.origin,
      reason: l.reason,
      endsOn: l.endsInDays === null ? null : isoDay(new Date(now.getTime() + l.endsInDays * DAY_MS)),
      replaces: null,
      isLifted: false,
      evenIfChanged: false,
    }),
  );
}

function seriesEvents(clientId: string, s: DemoSeries): DemoEvent[] {
  const [first, last] = [s.daysAgo[0] ?? 0, s.daysAgo[s.daysAgo.length - 1] ?? 0];
  const spec = measurementKind(s.kind);
  const minute = MEASUREMENT_KIND_IDS.indexOf(s.kind);
  return s.daysAgo.map((day) => ({
    when: daysAgo(day, 9, 20 + minute),
    run: async (when) => {
      const share = first === last ? 1 : (first - day) / (first - last);
      const raw = s.from + (s.to - s.from) * share + s.noise * normal(random);
      const value = clamp(
        spec.isWhole || spec.unit === "°" ? Math.round(raw) : Math.round(raw * 10) / 10,
        spec.least,
        spec.most,
      );
      const input = {
        ...plainMeasurement(uuid(), s.kind, s.side ?? null, value),
        ...(s.way ? { way: s.way } : {}),
        ...(s.kind === "sit_to_stand_30s" ? { chairM: 0.43, armsUsed: false } : {}),
      };
      await at(when, async (ctx) => recordMeasurement(ctx, await clientEpisode(ctx, clientId), input));
    },
  }));
}

/** Confirms a phase with its reason; null: the one that holds, as it is. */
async function confirmed(
  client: ClientEpisode,
  p: DemoClient["phases"][number] | null,
  when: Date,
): Promise<void> {
  await at(when, async (ctx) => {
    const [c] = await conditionsOf(ctx, client.episodeId);
    if (!c) throw new Error("The demo client has no condition.");
    await confirmPhase(ctx, client, {
      conditionRowId: c.rowId,
      version: c.version,
      phaseId: p?.id ?? c.phase.id,
      reason: p?.reason ?? null,
    });
  });
}

async function ticked(client: ClientEpisode, criterion: string, when: Date): Promise<void> {
  await at(when, async (ctx) => {
    const [c] = await conditionsOf(ctx, client.episodeId);
    if (c)
      await tickFunctional(ctx, client, {
        conditionRowId: c.rowId,
        version: c.version,
        criterion,
        isMet: true,
      });
  });
}

function stanceChosen(clientId: string, s: NonNullable<DemoClient["stance"]>): DemoEvent {
  return {
    when: daysAgo(s.daysAgo, 16),
    run: async (when) => {
      await at(when, async (ctx) =>
        chooseStance(ctx, await clientEpisode(ctx, clientId), {
          id: uuid(),
          stanceId: s.id,
          optionId: s.chosen,
          reason: s.reason,
          replaces: null,
          surgeonAgrees: false,
        }),
      );
      await at(
        when,
        async (ctx) =>
          noteStanceView(ctx, await clientEpisode(ctx, clientId), {
            id: uuid(),
            stanceId: s.id,
            optionId: s.colleague.option,
            reason: s.colleague.reason,
          }),
        actors.get("colleague") as Actor,
      );
    },
  };
}

/** The pretended leg's peak torque on a day; the involved side gains from its first test on. */
function truePeakNm(d: DemoClient, m: Movement, side: Side, when: Date): number {
  const [involved, other] = d.truth.peakNm[m] ?? [50, 50];
  if (side !== d.story.side) return other;
  const firstTest = Math.max(0, ...d.tests.map((t) => t.daysAgo));
  const weeks = (when.getTime() - daysAgo(firstTest, 10).getTime()) / (7 * DAY_MS);
  return involved * (1 + (d.truth.gainPerWeekPct / 100) * Math.max(0, weeks));
}

async function testAt(
  d: DemoClient,
  client: ClientEpisode,
  m: Movement,
  side: Side,
  deg: number,
  when: Date,
): Promise<void> {
  const isKnee = isKneeMovement(m);
  const leverArmM = isKnee ? 0.33 : 0.4;
  const peakNm = truePeakNm(d, m, side, when);
  const torqueNm = isKnee ? peakNm * torqueAngleShape(m, deg) : peakNm;
  const limbNm = isKnee ? limbGravityTorqueNm(bodyFrom(d.bodyMassKg, d.heightM), deg) : 0;
  const forceN = (torqueNm + (m === "knee_flexion" ? limbNm : -limbNm)) / leverArmM;
  const trials: TrialInput[] = [0.97, 1, 0.98].map((share) => {
    const most = forceN * share * (1 + 0.015 * normal(random));
    const trace: { timeS: number[]; forceN: number[] } = { timeS: [], forceN: [] };
    for (const s of simulateLoadCell({ maxForceN: most, aimForceN: most, restS: 1, pushS: 5 }, random)) {
      trace.timeS.push(s.timeS);
      trace.forceN.push(s.forceN);
    }
    return { id: uuid(), source: "load_cell", trace };
  });
  await at(when, (ctx) =>
    recordTest(ctx, client, {
      id: uuid(),
      movement: m,
      side,
      kneeFlexionDeg: isKnee ? deg : 0,
      jointAngleDeg: isKnee ? null : deg,
      leverArmM,
      pullAngleDeg: 90,
      zeroedRelaxed: !isKnee,
      trials,
    }),
  );
}
