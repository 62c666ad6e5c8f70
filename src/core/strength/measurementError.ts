/** Typical error of one fixed-device strength session, %; clinic default [medium], dosing rules F1-F2. */
export const TYPICAL_ERROR_PCT = 5;

/** Typical error where the trials of a test never agreed, % [own]. */
const UNRELIABLE_ERROR_PCT = 10;

/** Half-width of the 95 % interval of a torque from so many tests, as a share of it. */
export function torqueErrorShare(isReliable: boolean, tests = 1): number {
  return (1.96 * (isReliable ? TYPICAL_ERROR_PCT : UNRELIABLE_ERROR_PCT)) / 100 / Math.sqrt(tests);
}

/** Smallest change that is more than measurement error (95 %), % of the value. */
export const minimalDetectableChangePct = (typicalErrorPct: number): number =>
  1.96 * Math.SQRT2 * typicalErrorPct;

export interface Change {
  pct: number;
  mdc: number;
  verdict: "within_noise" | "real";
}

/** Change between two sessions against measurement error. */
export function changeAgainstError(
  before: number,
  after: number,
  typicalErrorPct = TYPICAL_ERROR_PCT,
): Change {
  const pct = ((after - before) / before) * 100;
  const mdc = minimalDetectableChangePct(typicalErrorPct);
  return {
    pct,
    mdc,
    verdict: Math.abs(pct) < mdc ? "within_noise" : "real",
  };
}
