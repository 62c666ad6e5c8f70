import "server-only";
import { type DoseContext, type DosedHold, doseHold } from "@/core/dose/doseHold";
import { type HoldPlan, holdPlan } from "@/core/dose/holdPlan";
import { meansBarred } from "@/core/dose/meansBarred";
import { personalFactor } from "@/core/isometrics/personalFactor";
import { timedHoldsFrom } from "@/core/session/sessionSummary";
import { fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { testsForCurve } from "@/core/strength/testsForCurve";
import { dayInWords } from "@/core/units/dayInWords";
import { InputError } from "@/core/units/inputError";
import { audit } from "./audit";
import { bodyOf, type ClientEpisode } from "./clients";
import { type Ctx, mustMay, once, today } from "./context";
import { exercisesOf } from "./exercises";
import { recordsByPlan } from "./floor/holdRecords";
import { boundsOf, limitsBar } from "./limits";
import { lockEpisode } from "./lock";
import { cuffSteps, kneeExtensionMachine } from "./machines";
import { extensionTests, testsOf } from "./measurements";
import { attempted, mustBeSame, Refused } from "./refused";
import { screeningStateOf } from "./screenings";
import { holdWindowOf } from "./windows";

/** A saved plan: what was wanted and what was computed for it when it was saved. */
export interface StoredPlan {
  id: string;
  version: number;
  plan: HoldPlan;
  setting: string;
  loadKg: number | null;
  targetTorqueNm: number;
  achievedTorqueNm: number;
  achievedShare: number;
  feltExpected: number;
  shinForceN: number;
  madeBy: string;
  madeAt: Date;
}

export const NO_EXTENSION =
  "This clinic has no seated knee-extension machine in use: enter one in Gym, or plan the session without this hold.";

/** Everything a dose is computed from; null when the client has not been tested or the gym has no such machine. */
export async function doseContext(ctx: Ctx, client: ClientEpisode): Promise<DoseContext | null> {
  const tests = testsForCurve(extensionTests(await testsOf(ctx, client.episodeId), client.side));
  if (tests.length === 0) return null;
  const machine = await kneeExtensionMachine(ctx);
  if (!machine) return null;
  const bounds = await boundsOf(ctx, client);
  const runs = await recordsByPlan(ctx, client.episodeId);
  return {
    body: bodyOf(client),
    fit: fitTorqueAngle("knee_extension", tests),
    testedOn: `strength test of ${dayInWords(tests[0]?.takenOn ?? today(ctx))}`,
    machine,
    cuffs: await cuffSteps(ctx),
    window: await holdWindowOf(ctx, client),
    bounds,
    meansBarred: meansBarred(
      bounds,
      (await exercisesOf(ctx)).map((x) => x.exercise),
    ),
    school: client.school,
    irritability: client.irritability,
    personal: personalFactor("knee", timedHoldsFrom(runs)),
  };
}

/** Why nothing can be planned: warning signs, or no limits for what the rules do not cover. Null when it can. */
export async function planningBarred(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  return (await screeningStateOf(ctx, client)).barsPlanning ?? (await limitsBar(ctx, client));
}

/**
 * Saves a new version of the plan. The dose is computed again here; a plan that anything bars is refused.
 * `baseVersion` is the version the person started from: if another one was saved meanwhile, nothing is written.
 */
export async function savePlan(
  ctx: Ctx,
  client: ClientEpisode,
  input: { id: string; baseVersion: number; plan: HoldPlan },
): Promise<StoredPlan> {
  mustMay(ctx, "plan.write");
  await lockEpisode(ctx, client.episodeId);
  if (input.plan.side !== client.side)
    throw new InputError(
      "side",
      `This episode is about the ${client.side} knee; the plan is for the other side.`,
    );
  const barred = await planningBarred(ctx, client);
  if (barred) throw attempted("plan.past", new Refused("conflict", barred));
  const context = await doseContext(ctx, client);
  if (!context && !(await kneeExtensionMachine(ctx))) throw new Refused("conflict", NO_EXTENSION);
  if (!context) throw new InputError("tests", "There is no strength test yet: measure this knee first.");
  const dosed = doseHold(input.plan, context);
  const bars = dosed.notices.find((n) => n.kind === "bars");
  if (bars) throw attempted("plan.barred", new InputError("plan", bars.sentence));
  return insertPlan(ctx, client, input, dosed);
}

async function insertPlan(
  ctx: Ctx,
  client: ClientEpisode,
  input: { id: string; baseVersion: number; plan: HoldPlan },
  dosed: DosedHold,
): Promise<StoredPlan> {
  const { tx, actor } = ctx;
  const { plan } = input;
  const set = dosed.byMeans[plan.means];
  if (!set.possible || !dosed.achieved)
    throw new InputError("plan", "This plan cannot be set on the machine.");
  const newest = await currentPlan(ctx, client.episodeId);
  const known = newest?.id === input.id ? newest : await knownPlan(ctx, client.episodeId, input.id);
  if (known) {
    const isSame = known.version === input.baseVersion + 1 && samePlan(known.plan, input.plan);
    mustBeSame(isSame, "plan.repeat", "A dose with this id was saved before, and differently");
    return known;
  }
  if ((newest?.version ?? 0) !== input.baseVersion) throw newerVersion(newest);
  const machine = await kneeExtensionMachine(ctx);
  if (!machine) throw new Refused("conflict", NO_EXTENSION);
  const rows = await tx`
    insert into hold_plan (id, clinic_id, episode_id, version, machine_id, side, knee_flexion_deg, effort_kind,
      effort_value, means, hold_s, reps, rest_s, sets, set_rest_s, ladder_from_deg, ladder_to_deg, setting, load_kg,
      target_torque_nm, achieved_torque_nm, achieved_share, felt_expected, shin_force_n, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${client.episodeId}, ${input.baseVersion + 1}, ${machine.id},
      ${plan.side}, ${plan.kneeFlexionDeg}, ${plan.effort.kind},
      ${plan.effort.kind === "felt" ? plan.effort.felt : plan.effort.percent}, ${plan.means}, ${plan.pattern.holdS},
      ${plan.pattern.reps}, ${plan.pattern.restS}, ${plan.pattern.sets}, ${plan.pattern.setRestS},
      ${plan.ladderFromDeg}, ${plan.ladderToDeg}, ${set.how}, ${set.loadKg}, ${dosed.targetTorque.value},
      ${set.torqueNm}, ${dosed.achieved.shareOfMax}, ${dosed.achieved.felt.value}, ${set.shinForceN},
      ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  const saved = await currentPlan(ctx, client.episodeId);
  if (rows.length === 0 || !saved) throw newerVersion(saved);
  await audit(ctx, "plan.write", "hold_plan", input.id, newest?.plan ?? null, plan);
  return saved;
}

/** A plan that was saved under this id before; an id of another client's plan is refused by the key itself. */
async function knownPlan(ctx: Ctx, episodeId: string, id: string): Promise<StoredPlan | null> {
  const [r] = await ctx.tx`
    select h.*, p.name as made_by_name from hold_plan h join person p on p.id = h.made_by
    where h.id = ${id} and h.episode_id = ${episodeId}`;
  return r ? planFromRow(r) : null;
}

const samePlan = (a: HoldPlan, b: HoldPlan): boolean =>
  JSON.stringify(holdPlan.parse(a)) === JSON.stringify(holdPlan.parse(b));

const newerVersion = (p: StoredPlan | null): Refused =>
  new Refused(
    "conflict",
    `${p ? `${p.madeBy} saved version ${p.version} meanwhile` : "The plan changed meanwhile"}. What you typed is still here: compare and save again.`,
  );

/** The newest plan of an episode. */
export const currentPlan = (ctx: Ctx, episodeId: string): Promise<StoredPlan | null> =>
  once(ctx, `plan ${episodeId}`, () => readCurrentPlan(ctx, episodeId));

async function readCurrentPlan(ctx: Ctx, episodeId: string): Promise<StoredPlan | null> {
  const [r] = await ctx.tx`
    select h.*, p.name as made_by_name from hold_plan h join person p on p.id = h.made_by
    where episode_id = ${episodeId} order by version desc limit 1`;
  return r ? planFromRow(r) : null;
}

export async function planById(ctx: Ctx, planId: string): Promise<StoredPlan> {
  const [r] = await ctx.tx`
    select h.*, p.name as made_by_name from hold_plan h join person p on p.id = h.made_by where h.id = ${planId}`;
  if (!r) throw new Refused("missing", "This plan is not there. Reload the page.");
  return planFromRow(r);
}

// biome-ignore lint/suspicious/noExplicitAny: a database row, parsed at once
function planFromRow(r: any): StoredPlan {
  const plan = holdPlan.parse({
    side: r.side,
    kneeFlexionDeg: r.knee_flexion_deg,
    effort:
      r.effort_kind === "felt"
        ? { kind: "felt", felt: r.effort_value }
        : { kind: "percent", percent: r.effort_value },
    means: r.means,
    pattern: { holdS: r.hold_s, reps: r.reps, restS: r.rest_s, sets: r.sets, setRestS: r.set_rest_s },
    ladderFromDeg: r.ladder_from_deg,
    ladderToDeg: r.ladder_to_deg,
  });
  return {
    id: r.id,
    version: r.version,
    plan,
    setting: r.setting,
    loadKg: r.load_kg,
    targetTorqueNm: r.target_torque_nm,
    achievedTorqueNm: r.achieved_torque_nm,
    achievedShare: r.achieved_share,
    feltExpected: r.felt_expected,
    shinForceN: r.shin_force_n,
    madeBy: r.made_by_name,
    madeAt: r.made_at,
  };
}
