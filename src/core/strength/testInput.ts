import { z } from "zod";
import type { Body } from "../body/segments";
import { analyseTrace, type TraceAnalysis } from "../signal/analyseTrace";
import { forceTrace } from "../signal/forceTrace";
import { forceN, kneeFlexionDeg, leverArmM, pullAngleDeg, side, uuid } from "../units/fields";
import { muscleTorqueNm } from "./forceToTorque";
import { pickTrials, type TrialResult } from "./pickTrials";

export const trialInput = z.discriminatedUnion("source", [
  z.object({ id: uuid, source: z.enum(["load_cell", "file"]), trace: forceTrace }),
  z.object({ id: uuid, source: z.literal("typed"), forceN }),
]);
export type TrialInput = z.infer<typeof trialInput>;

/** One strength test as it is sent: what was measured, never a torque; the torque is computed on both ends. */
export const strengthTestInput = z.object({
  id: uuid,
  side,
  kneeFlexionDeg,
  leverArmM,
  pullAngleDeg,
  zeroedRelaxed: z.boolean(),
  trials: z
    .array(trialInput)
    .min(1, { error: "Record at least two trials." })
    .max(4, { error: "Four trials are the most; start a new test." }),
});
export type StrengthTestInput = z.infer<typeof strengthTestInput>;

export type TestSetUp = Omit<StrengthTestInput, "id" | "trials">;

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
  const torqueNm =
    force === null
      ? null
      : muscleTorqueNm({ ...setUp, movement: "knee_extension", forceN: Math.max(0, force), body });
  const isValid = torqueNm !== null && torqueNm > 0 && (analysis === null || analysis.ok);
  return { id: trial.id, forceN: force, torqueNm, isValid, analysis };
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
