import "server-only";
import type { TraceFlag } from "@/core/signal/analyseTrace";
import type { ForceTrace } from "@/core/signal/forceTrace";
import type { Movement } from "@/core/strength/movements";
import { evaluateTest, type StrengthTestInput } from "@/core/strength/testInput";
import { painStopsTest, testBarred } from "@/core/strength/testRules";
import type { DatedTest } from "@/core/strength/testsForCurve";
import type { Side } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { FLAG_SENTENCES } from "@/words/en/strength";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, mustMay, once } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import { painMaxFor } from "../bounds/limits";
import { bodyOf, type ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { loadingBarred } from "../client/screenings";

export interface StoredTest extends DatedTest {
  id: string;
  movement: Movement;
  jointAngleDeg: number | null;
  side: Side;
  isReliable: boolean;
  leverArmM: number;
  /** of the day of the test */
  bodyMassKg: number;
  takenBy: string;
  trials: {
    id: string;
    no: number;
    torqueNm: number | null;
    isValid: boolean;
    flags: string[];
    hasTrace: boolean;
    /** joint pain in it; null: not asked */
    pain: number | null;
  }[];
}

/** Strength tests of an episode that stand, newest first. */
export const testsOf = (ctx: Ctx, episodeId: string): Promise<StoredTest[]> =>
  once(ctx, `tests ${episodeId}`, () => readTestsOf(ctx, episodeId));

async function readTestsOf(ctx: Ctx, episodeId: string): Promise<StoredTest[]> {
  const rows = await rowsOf(
    ctx,
    "tests",
    episodeId,
    (keys) => ctx.tx`
    select t.episode_id as of, t.id, t.movement, t.joint_angle_deg, t.side, t.knee_flexion_deg, t.torque_nm, t.is_reliable, t.lever_arm_m, t.body_mass_kg,
      t.taken_at, p.name as taken_by,
      json_agg(json_build_object('id', r.id, 'no', r.trial_no, 'torqueNm', r.torque_nm, 'isValid', r.is_valid,
        'flags', r.flags, 'hasTrace', r.trace_time_s is not null, 'pain', r.pain) order by r.trial_no) as trials
    from strength_test t join strength_trial r on r.test_id = t.id join person p on p.id = t.taken_by
    where t.episode_id = any(${keys}::uuid[]) and t.voided_at is null
    group by t.id, p.name order by t.taken_at desc`,
  );
  return rows.map((r) => ({
    id: r.id,
    movement: r.movement,
    jointAngleDeg: r.joint_angle_deg,
    side: r.side,
    kneeFlexionDeg: r.knee_flexion_deg,
    torqueNm: r.torque_nm,
    isReliable: r.is_reliable,
    leverArmM: r.lever_arm_m,
    bodyMassKg: r.body_mass_kg,
    takenOn: dayOf(ctx, r.taken_at),
    takenBy: r.taken_by,
    trials: r.trials,
  }));
}

/** The tests a knee-extension dose is computed from: of one side. */
export const extensionTests = (tests: readonly StoredTest[], side: Side): StoredTest[] =>
  tests.filter((t) => t.movement === "knee_extension" && t.side === side);

/** What is known of the client that bars a maximal test of the involved side. */
export async function testCircumstances(ctx: Ctx, client: ClientEpisode) {
  return (await conditionsOf(ctx, client.episodeId)).map((c) => ({
    conditionId: c.condition.id,
    variantId: c.variantId,
    weeks: c.week,
  }));
}

/**
 * Records a strength test. The torque is computed here from what was measured; nothing is written unless two valid
 * trials agree or four were made. Sending the same test twice changes nothing.
 */
export async function recordTest(ctx: Ctx, client: ClientEpisode, input: StrengthTestInput): Promise<void> {
  mustMay(ctx, "test.record");
  if (await isRepeat(ctx, "test", client.episodeId, input)) return;
  const { tx, actor } = ctx;
  const body = bodyOf(client);
  const sign = await loadingBarred(ctx, client);
  if (sign) throw new Refused("conflict", sign);
  const barred = testBarred(input.movement, input.kneeFlexionDeg, {
    conditions: await testCircumstances(ctx, client),
    side: input.side === client.side ? "involved" : "other",
  });
  if (barred) throw new InputError("kneeFlexionDeg", barred);
  // the push that hurt too much is the last one
  const painMax = await painMaxFor(ctx, client);
  const stopped = painStopsTest(
    input.trials.slice(0, -1).map((t) => t.pain),
    painMax,
  );
  if (stopped) throw new InputError("trials", stopped);
  const { trials, result } = evaluateTest(input, body);
  if (result.status === "need-more") throw new InputError("trials", needMoreSentence(trials, result.diffPct));
  const [fresh] = await tx`
    insert into strength_test (id, clinic_id, episode_id, side, movement, knee_flexion_deg, joint_angle_deg,
      lever_arm_m, pull_angle_deg, zeroed_relaxed, body_mass_kg, shank_length_m, torque_nm, is_reliable, taken_at, taken_by)
    values (${input.id}, ${actor.clinicId}, ${client.episodeId}, ${input.side}, ${input.movement},
      ${input.kneeFlexionDeg}, ${input.jointAngleDeg}, ${input.leverArmM}, ${input.pullAngleDeg}, ${input.zeroedRelaxed}, ${body.massKg},
      ${body.shankLengthM}, ${result.value}, ${result.status === "ok"}, ${ctx.now}, ${actor.personId})
    on conflict (id) do nothing returning id`;
  if (!fresh) throw idIsTaken();
  for (const [i, trial] of trials.entries()) {
    const sent = input.trials[i] as StrengthTestInput["trials"][number];
    const trace = sent.source === "typed" ? null : sent.trace;
    await tx`
      insert into strength_trial (id, clinic_id, test_id, trial_no, source, force_n, torque_nm, is_valid, flags,
        trace_time_s, trace_force_n, pain)
      values (${trial.id}, ${actor.clinicId}, ${input.id}, ${i + 1}, ${sent.source}, ${trial.forceN},
        ${trial.torqueNm}, ${trial.isValid}, ${trial.analysis?.flags ?? []}, ${trace?.timeS ?? null},
        ${trace?.forceN ?? null}, ${sent.pain ?? null})`;
  }
  const after = {
    movement: input.movement,
    side: input.side,
    kneeFlexionDeg: input.kneeFlexionDeg,
    torqueNm: result.value,
  };
  await audit(ctx, "test.record", "strength_test", input.id, null, after);
}

function needMoreSentence(trials: ReturnType<typeof evaluateTest>["trials"], diffPct: number | null): string {
  const bad = trials.findIndex((t) => !t.isValid);
  if (diffPct !== null)
    return `The two best trials differ by ${diffPct.toFixed(0)} %, more than 10 %: record another trial, up to four.`;
  const flag = trials[bad]?.analysis?.flags[0];
  const why = flag ? ` Trial ${bad + 1}: ${FLAG_SENTENCES[flag as TraceFlag]}.` : "";
  return `Two valid trials are needed.${why}`;
}

/** Takes a test back; it stays in the record with the reason. */
export async function voidTest(
  ctx: Ctx,
  client: ClientEpisode,
  testId: string,
  reason: string,
): Promise<void> {
  mustMay(ctx, "test.record");
  const rows = await ctx.tx`
    update strength_test set voided_at = ${ctx.now}, voided_by = ${ctx.actor.personId}, void_reason = ${reason}
    where id = ${testId} and episode_id = ${client.episodeId} and voided_at is null returning id`;
  if (rows.length === 0) throw new Refused("missing", "This test is not there any more. Reload the page.");
  await audit(ctx, "test.void", "strength_test", testId, null, { reason });
}

/** The stored trace of one trial. */
export async function trialTrace(ctx: Ctx, trialId: string): Promise<ForceTrace> {
  const [r] = await ctx.tx`select trace_time_s, trace_force_n from strength_trial where id = ${trialId}`;
  if (!r?.trace_time_s) throw new Refused("missing", "This trial was typed in; it has no trace.");
  return { timeS: r.trace_time_s, forceN: r.trace_force_n };
}
