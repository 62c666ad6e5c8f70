/**
 * Lever arms, contact area and angles around the knee over flexion (degrees). Sources and remembered confidence:
 * mechanics rules 4; every curve says where it is held because its fit turns away from anatomy.
 */

const bent = (kneeFlexionDeg: number): number => Math.max(0, kneeFlexionDeg);

/** Quadriceps lever, m. van Eijden 1987 fit [medium]; held from its minimum at 96.2° on. */
export function quadricepsLeverM(kneeFlexionDeg: number): number {
  const t = Math.min(bent(kneeFlexionDeg), 96.2);
  return 8.0e-8 * t ** 3 - 1.3e-5 * t ** 2 + 2.8e-4 * t + 0.046;
}

/** Kneecap-joint force per quadriceps force [medium]; held from 110° on. */
export function kneecapForceRatio(kneeFlexionDeg: number): number {
  const t = Math.min(bent(kneeFlexionDeg), 110);
  return (0.462 + 1.47e-3 * t - 3.84e-5 * t * t) / (1 - 1.62e-2 * t + 1.55e-4 * t * t - 6.98e-7 * t ** 3);
}

/** Kneecap contact area, mm²: Powers 1998 polynomial to 60° [medium], saturating above [own]. */
export function contactAreaMm2(kneeFlexionDeg: number): number {
  const t = bent(kneeFlexionDeg);
  if (t <= 60) return 0.0781 * t * t + 0.6763 * t + 151.75;
  const a0 = 473.5;
  const slope = 10.048;
  const plateau = 540;
  return a0 + (plateau - a0) * (1 - Math.exp((-(t - 60) * slope) / (plateau - a0)));
}

/** Patellar tendon lever, m [order of magnitude]. */
export function patellarTendonLeverM(kneeFlexionDeg: number): number {
  const t = Math.min(bent(kneeFlexionDeg), 100);
  return 0.044 + 1.714e-4 * t - 2.449e-6 * t * t;
}

/** Patellar tendon angle to the shin, degrees; zero at the quadriceps-neutral angle of 70° [medium]. */
export const patellarTendonAngleDeg = (kneeFlexionDeg: number): number =>
  Math.max(21 - 0.3 * bent(kneeFlexionDeg), -9);

/** Hamstring lever at the knee, m [order of magnitude]. */
export function hamstringLeverM(kneeFlexionDeg: number): number {
  const t = bent(kneeFlexionDeg);
  return 0.025 + 2.9e-4 * t - 2.1e-6 * t * t;
}

/** Hamstring angle to the shin, degrees (straight-line geometry). */
export const hamstringAngleDeg = (kneeFlexionDeg: number): number => 3 + 0.95 * bent(kneeFlexionDeg);
