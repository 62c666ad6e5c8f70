/**
 * Fills an empty database with the made-up scenario. The history is made by the product itself: traces from the load
 * cell stand-in, felt effort from the fatigue model, every test, plan, session and decision through the same server
 * functions the app uses, with past dates. Pain is a small noisy model of its own. Dates are relative to today.
 * Needs DATABASE_URL (app), OWNER_URL and SIGN_INS_FILE.
 */
import { randomBytes } from "node:crypto";
import { writeFile } from "node:fs/promises";
import postgres from "postgres";
import { limbGravityTorqueNm } from "../../src/core/body/limbGravity";
import { bodyFrom } from "../../src/core/body/segments";
import { simulateHolds } from "../../src/core/isometrics/simulateHolds";
import { normal, type Random, seededRandom } from "../../src/core/signal/random";
import { simulateLoadCell } from "../../src/core/signal/simulateLoadCell";
import type { TrialInput } from "../../src/core/strength/testInput";
import { torqueAngleShape } from "../../src/core/strength/torqueAngleShape";
import { clamp } from "../../src/core/units/clamp";
import type { Side } from "../../src/core/units/fields";
import { hashPassword } from "../../src/server/auth/password";
import { type ClientEpisode, clientEpisode } from "../../src/server/clients";
import type { Actor, Ctx } from "../../src/server/context";
import { db, inClinic } from "../../src/server/db";
import { proposal, takeDecision } from "../../src/server/decisions";
import { recordTest } from "../../src/server/measurements";
import { currentPlan, savePlan } from "../../src/server/plans";
import { recordMorning } from "../../src/server/responses";
import { answerRecheck, endSession, logHold, startSession } from "../../src/server/sessions";
import { CLIENTS, CLINIC, CUFFS_KG, type DemoClient, MACHINE, PEOPLE } from "./scenario";

const owner = postgres(process.env.OWNER_URL ?? "", { max: 1, onnotice: () => {} });
const [already] = await owner`select 1 from clinic limit 1`;
if (already) {
  await owner.end();
  process.exit(0);
}

const DAY_MS = 86_400_000;
const now = new Date();
const random = seededRandom(20_471);
const uuid = (): string => {
  const hex = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16)).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
};
/** A time of day so many days ago; never in the future. */
const daysAgo = (days: number, hour: number, minute = 0): Date => {
  const at = new Date(now.getTime() - days * DAY_MS);
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
await owner`
  insert into machine (id, clinic_id, name, family, steps, ratio_m, cam, pad_distance_m, friction_share, backrest_deg,
    usable_deg, angle_notch_deg, set_up)
  values (${uuid()}, ${clinicId}, ${MACHINE.name}, 'seated_knee_extension', ${owner.json(MACHINE.steps)},
    ${MACHINE.ratioM}, ${owner.json(MACHINE.cam)}, ${MACHINE.padDistanceM}, ${MACHINE.frictionShare},
    ${MACHINE.backrestDeg}, numrange(${MACHINE.usable[0]}, ${MACHINE.usable[1]}, '[]'), ${MACHINE.angleNotchDeg},
    ${MACHINE.setUp})`;
for (const kg of CUFFS_KG)
  await owner`insert into cuff (id, clinic_id, label, mass_kg) values (${uuid()}, ${clinicId}, ${`${kg} kg`}, ${kg})`;

const therapist = actors.get("therapist") as Actor;
const trainer = actors.get("trainer") as Actor;
const at = <T,>(when: Date, work: (ctx: Ctx) => Promise<T>, actor = therapist): Promise<T> =>
  inClinic(clinicId, (tx) => work({ tx, actor, now: when }));

for (const demo of CLIENTS) {
  const clientId = await insertClient(demo);
  if (demo.history) await liveThrough(demo, clientId, demo.history);
}
await owner.end();
await db().end();
await writeFile(process.env.SIGN_INS_FILE ?? "", `${signIns.join("\n")}\n`, { mode: 0o600 });

async function insertClient(d: DemoClient): Promise<string> {
  const clientId = uuid();
  const episodeId = uuid();
  await owner`
    insert into client (id, clinic_id, name, occupation, birth_year, height_m, body_mass_kg)
    values (${clientId}, ${clinicId}, ${d.name}, ${d.occupation}, ${d.birthYear}, ${d.heightM}, ${d.bodyMassKg})`;
  await owner`
    insert into episode (id, clinic_id, client_id, side, condition, began_on, began_with, pain_school, irritability,
      usual_pain, swelling_applies, first_swelling, goal)
    values (${episodeId}, ${clinicId}, ${clientId}, ${d.side}, ${d.condition}, ${isoDay(daysAgo(d.beganDaysAgo, 9))},
      ${d.beganWith}, ${d.school}, ${d.irritability}, ${d.usualPain}, ${d.swellingApplies}, ${d.firstSwelling},
      ${d.goal})`;
  await owner`
    insert into episode_condition (id, clinic_id, episode_id, condition_id, variant_id, phase_id, began_on, set_by, set_at)
    values (${uuid()}, ${clinicId}, ${episodeId}, ${d.rules.conditionId}, ${d.rules.variantId}, ${d.rules.phaseId},
      ${isoDay(daysAgo(d.beganDaysAgo, 9))}, ${therapist.personId}, ${daysAgo(Math.min(d.beganDaysAgo, 28), 9)})`;
  for (const l of d.limits)
    await owner`
      insert into episode_limit (id, clinic_id, episode_id, kind, bound, origin, reason, ends_on, set_by, set_at)
      values (${uuid()}, ${clinicId}, ${episodeId}, ${l.kind}, numrange(${l.low}, ${l.high}, '[]'), ${l.origin},
        ${l.reason}, ${l.endsInDays === null ? null : isoDay(new Date(now.getTime() + l.endsInDays * DAY_MS))},
        ${therapist.personId}, ${daysAgo(Math.min(d.beganDaysAgo, 28), 9)})`;
  return clientId;
}

/** Tests, plan, sessions, mornings and decisions, one day after the other. */
async function liveThrough(
  d: DemoClient,
  clientId: string,
  h: NonNullable<DemoClient["history"]>,
): Promise<void> {
  const firstDay = daysAgo(h.testedDaysAgo, 10);
  const client = await at(firstDay, (ctx) => clientEpisode(ctx, clientId));
  for (const [i, deg] of h.testAnglesDeg.entries()) {
    await testAt(d, client, d.side, deg, daysAgo(h.testedDaysAgo, 10, i * 12));
    await testAt(
      d,
      client,
      d.side === "left" ? "right" : "left",
      deg,
      daysAgo(h.testedDaysAgo, 10, i * 12 + 6),
    );
  }
  await at(daysAgo(h.testedDaysAgo, 11), (ctx) =>
    savePlan(ctx, client, { id: uuid(), baseVersion: 0, plan: { ...h.plan, side: d.side } }),
  );
  for (const [i, day] of h.sessionsDaysAgo.entries()) {
    await decideIfDue(client, daysAgo(day, 14));
    await runSession(d, client, day, i);
    const isLast = i === h.sessionsDaysAgo.length - 1;
    if (isLast && h.lastMorning === "open") continue;
    const flare = isLast && h.lastMorning !== "open" ? h.lastMorning : null;
    await morningAfter(d, client, day - 1, flare);
  }
}

async function decideIfDue(client: ClientEpisode, when: Date): Promise<void> {
  await at(when, async (ctx) => {
    const draft = await proposal(ctx, client);
    if (!draft) return;
    // a step that cannot be set is not taken; the therapist stays and says why
    const action = draft.next[draft.decision.action].bars ? "HOLD" : draft.decision.action;
    await takeDecision(ctx, client, {
      id: uuid(),
      sessionId: draft.session.id,
      action,
      computedAction: draft.decision.action,
      overrideReason:
        action === draft.decision.action ? null : "the next step cannot be set on this machine yet",
    });
  });
}

function truePeakNm(d: DemoClient, side: Side, when: Date): number {
  if (side !== d.side) return d.truth.otherPeakNm;
  const weeks = (when.getTime() - daysAgo(d.history?.testedDaysAgo ?? 0, 10).getTime()) / (7 * DAY_MS);
  return d.truth.peakNm * (1 + (d.truth.gainPerWeekPct / 100) * Math.max(0, weeks));
}

async function testAt(
  d: DemoClient,
  client: ClientEpisode,
  side: Side,
  deg: number,
  when: Date,
): Promise<void> {
  const leverArmM = 0.33;
  const body = bodyFrom(d.bodyMassKg, d.heightM);
  const torqueNm = truePeakNm(d, side, when) * torqueAngleShape("knee_extension", deg);
  const forceN = (torqueNm - limbGravityTorqueNm(body, deg)) / leverArmM;
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
      movement: "knee_extension",
      side,
      kneeFlexionDeg: deg,
      jointAngleDeg: null,
      leverArmM,
      pullAngleDeg: 90,
      zeroedRelaxed: false,
      trials,
    }),
  );
}

async function runSession(d: DemoClient, client: ClientEpisode, day: number, index: number): Promise<void> {
  const start = daysAgo(day, 15, 10 + Math.floor(random() * 20));
  const recheckId = uuid();
  const sessionId = uuid();
  const plan = await at(start, (ctx) => currentPlan(ctx, client.episodeId));
  if (!plan) throw new Error("The demo client has no plan.");
  const { pattern, kneeFlexionDeg } = plan.plan;
  const peak = truePeakNm(d, d.side, start);
  const trueShare = clamp(
    plan.achievedTorqueNm / (peak * torqueAngleShape("knee_extension", kneeFlexionDeg)),
    0.05,
    0.95,
  );
  const felt = simulateHolds("knee", trueShare, pattern);
  await at(start, (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }), trainer);
  await at(
    start,
    (ctx) =>
      startSession(ctx, client, {
        id: sessionId,
        planId: plan.id,
        recheckId,
        startedAt: start.toISOString(),
      }),
    trainer,
  );
  let pain = clampPain(d.usualPain - 0.4 + 0.5 * normal(random), random);
  const holds = pattern.reps * pattern.sets;
  // the history has no session that a stop rule ended
  const most = d.school === "monitoring" ? 3 : 2;
  for (let seq = 1; seq <= holds; seq++) {
    const effort = felt.holds[seq - 1]?.effortEnd ?? 10;
    const after = clampPain(
      d.usualPain * 0.55 + d.truth.painPerEffort * effort - 0.05 * index + 0.35 * normal(random),
      random,
    );
    const startedAt = new Date(start.getTime() + (60 + (seq - 1) * (pattern.holdS + pattern.restS)) * 1000);
    await at(
      startedAt,
      (ctx) =>
        logHold(ctx, sessionId, {
          id: uuid(),
          seq,
          corrects: null,
          voided: false,
          startedAt: startedAt.toISOString(),
          heldS: pattern.holdS,
          painBefore: pain,
          painAfter: Math.min(after, most),
          early: null,
          meanForceN: Math.round(plan.shinForceN * (1 + 0.02 * normal(random)) * 10) / 10,
        }),
      trainer,
    );
    pain = Math.max(0, Math.min(after, most) - (random() < 0.6 ? 1 : 0));
  }
  const end = new Date(start.getTime() + (120 + holds * (pattern.holdS + pattern.restS)) * 1000);
  await at(
    end,
    (ctx) =>
      endSession(ctx, sessionId, {
        endedAt: end.toISOString(),
        painAtStart: null,
        painAtEnd: pain,
        feltEffort: Math.round(2 * clamp(felt.effort10 + 0.3 * normal(random), 1, 10)) / 2,
        stopped: null,
      }),
    trainer,
  );
}

async function morningAfter(
  d: DemoClient,
  client: ClientEpisode,
  day: number,
  flare: { painRise: number; swelling: number } | null,
): Promise<void> {
  const when = daysAgo(day, 8, 5 + Math.floor(random() * 30));
  await at(when, async (ctx) => {
    const draft = await proposal(ctx, client);
    if (!draft) return;
    await recordMorning(ctx, client, {
      id: uuid(),
      sessionId: draft.session.id,
      corrects: null,
      pain: flare ? d.usualPain + flare.painRise : Math.max(0, Math.round(d.usualPain - random() * 1.4)),
      swelling: d.swellingApplies ? (flare?.swelling ?? d.firstSwelling) : null,
      stiffnessMin: flare ? 35 : 5 + Math.floor(random() * 10),
    });
  });
}

function clampPain(x: number, from: Random): number {
  return clamp(Math.round(x + (from() - 0.5) * 0.4), 0, 10);
}
