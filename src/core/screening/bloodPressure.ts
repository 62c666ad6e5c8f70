import { type Coded, saidWith } from "../units/said";
import type { Answer } from "./screening";

const QUESTION = "rf_bp";

interface Reading {
  systolicMmHg: number | null;
  diastolicMmHg: number | null;
}

/** Lower bounds of the bands; the higher band of the two readings counts. Warning-sign data, rf_bp. */
const BANDS = [
  { systolic: 180, diastolic: 110, escalation: "180 systolic or 110 diastolic, or higher, no symptoms" },
  { systolic: 160, diastolic: 100, escalation: "160-179 systolic or 100-109 diastolic" },
  { systolic: 140, diastolic: 90, escalation: null },
] as const;

/**
 * A reading answers the blood-pressure question at least as strictly as its band says; what the person answered
 * beyond that stays.
 */
export function withReading<A extends { questionId: string; answer: Answer; escalations: readonly string[] }>(
  answers: readonly A[],
  r: Reading,
): A[] {
  if (r.systolicMmHg === null || r.diastolicMmHg === null) return [...answers];
  const { systolicMmHg: systolic, diastolicMmHg: diastolic } = r;
  const band = BANDS.find((b) => systolic >= b.systolic || diastolic >= b.diastolic);
  if (!band) return [...answers];
  return answers.map((a) => {
    if (a.questionId !== QUESTION) return a;
    const escalations = band.escalation
      ? [...new Set([...a.escalations, band.escalation])]
      : [...a.escalations];
    return { ...a, answer: a.answer === "no" ? ("yes" as const) : a.answer, escalations };
  });
}

/** From this age on a reading belongs to the first screening [own]. */
const FROM_AGE_YEARS = 60;
/** Conditions of later years and after large operations. */
const CONDITIONS = new Set([
  "knee_oa",
  "hip_oa",
  "total_knee_replacement",
  "unicompartmental_replacement",
  "total_hip_replacement",
  "lumbar_stenosis_extension",
  "deconditioning",
]);
/** Answers about heart, vessels and sugar that a reading belongs to. */
const ANSWERS = new Set([
  QUESTION,
  "rf_chest",
  "rf_breathless",
  "rf_syncope",
  "rf_eye_vessel",
  "rf_heart_history",
  "rf_pregnancy",
  "rf_diabetes",
]);

/** Why blood pressure is asked for in a screening; null where nothing calls for it. Corrections K11. */
export function pressureCalledFor(c: {
  ageYears: number;
  conditionIds: readonly string[];
  positiveIds: readonly string[];
}): Coded | null {
  if (c.ageYears >= FROM_AGE_YEARS) return saidWith("screening.of_age", { years: c.ageYears });
  if (c.conditionIds.some((id) => CONDITIONS.has(id))) return { code: "screening.of_condition" };
  if (c.positiveIds.some((id) => ANSWERS.has(id))) return { code: "screening.of_heart" };
  return null;
}
