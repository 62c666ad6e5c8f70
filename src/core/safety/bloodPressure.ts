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
