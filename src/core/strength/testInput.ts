import { z } from "zod";
import type { Body } from "../body/segments";
import { analyseTrace, type TraceAnalysis } from "../signal/analyseTrace";
import { forceTrace } from "../signal/forceTrace";
import { toRadians } from "../units/clamp";
import { forceN, kneeFlexionDeg, leverArmM, pullAngleDeg, side, uuid } from "../units/fields";
import { wrong } from "../units/wrong";
import { muscleTorqueNm } from "./forceToTorque";
import { isKneeMovement, MOVEMENTS, movement } from "./movements";
import { pickTrials, type TrialResult } from "./pickTrials";

/** Joint pain in the push, 0 to 10; null: not asked. */
const pain = z
  .int({ error: "input.pain_whole" })
  .min(0, { error: "input.pain_whole" })
  .max(10, { error: "input.pain_whole" })
  .nullish();

export const trialInput = z.discriminatedUnion("source", [
  z.object({ id: uuid, source: z.enum(["load_cell", "file"]), trace: forceTrace, pain }),
  z.object({ id: uuid, source: z.literal("typed"), forceN, pain }),
]);
export type TrialInput = z.infer<typeof trialInput>;

/** One strength test as it is sent: what was measured, never a torque; the torque is computed on both ends. */
const testFields = z.object({
  id: uuid,
  movement,
  side,
  kneeFlexionDeg,
  /** of the hip or ankle, where that is what is tested; null for the knee */
  jointAngleDeg: z.number({ error: "input.joint_angle" }).nullable(),
  leverArmM,
  pullAngleDeg,
  zeroedRelaxed: z.boolean(),
  trials: z.array(trialInput).min(1, { error: "input.few_trials" }).max(4, { error: "input.many_trials" }),
});

/** What the set-up of a movement must fulfil beyond each field's own range. */
function checkSetUp(
  t: Pick<z.infer<typeof testFields>, "movement" | "jointAngleDeg" | "zeroedRelaxed">,
  ctx: z.RefinementCtx,
): void {
  const say = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
  const spec = MOVEMENTS[t.movement];
  if (isKneeMovement(t.movement)) return;
  if (t.jointAngleDeg === null || t.jointAngleDeg < spec.leastDeg || t.jointAngleDeg > spec.mostDeg)
    say(
      "jointAngleDeg",
      wrong("input.joint_angle_range", { joint: spec.joint, least: spec.leastDeg, most: spec.mostDeg }),
    );
  if (!t.zeroedRelaxed) say("zeroedRelaxed", "input.zero_cell");
}

export const strengthTestInput = testFields.superRefine(checkSetUp);
export type StrengthTestInput = z.infer<typeof strengthTestInput>;

/** The set-up alone, for the form. */
export const testSetUp = testFields.omit({ id: true, trials: true }).superRefine(checkSetUp);
export type TestSetUp = z.infer<typeof testSetUp>;

/** Range of the clinic's load cell, N: above it a trace is cut off. */
export const LOAD_CELL_LIMIT_N = 2000;

export interface EvaluatedTrial {
  id: string;
  forceN: number | null;
  torqueNm: number | null;
  isValid: boolean;
  analysis: TraceAnalysis | null;
}

export interface EvaluatedTest {
  trials: EvaluatedTrial[];
  result: TrialResult;
}

export function evaluateTrial(setUp: TestSetUp, body: Body, trial: TrialInput): EvaluatedTrial {
  const analysis = trial.source === "typed" ? null : analyseTrace(trial.trace, LOAD_CELL_LIMIT_N);
  const force = trial.source === "typed" ? trial.forceN : (analysis?.resultN ?? null);
  const torqueNm = force === null ? null : torqueOf(setUp, Math.max(0, force), body);
  const isValid = torqueNm !== null && torqueNm > 0 && (analysis === null || analysis.ok);
  return { id: trial.id, forceN: force, torqueNm, isValid, analysis };
}

/** At the hip and ankle the cell is zeroed with the limb relaxed, so that the limb's weight is out already. */
function torqueOf(setUp: TestSetUp, force: number, body: Body): number {
  const { movement: m } = setUp;
  return isKneeMovement(m)
    ? muscleTorqueNm({ ...setUp, movement: m, forceN: force, body })
    : force * setUp.leverArmM * Math.sin(toRadians(setUp.pullAngleDeg));
}

/** Each trial judged and the result of the valid ones. */
export function evaluateTest(test: StrengthTestInput, body: Body): EvaluatedTest {
  const trials = test.trials.map((t) => evaluateTrial(test, body, t));
  return { trials, result: resultOf(trials) };
}

/** The result of the trials that count. */
export function resultOf(trials: readonly EvaluatedTrial[]): TrialResult {
  return pickTrials(trials.filter((t) => t.isValid).map((t) => t.torqueNm as number));
}
