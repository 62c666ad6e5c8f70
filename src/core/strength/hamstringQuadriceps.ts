export interface HamstringQuadriceps {
  ratio: number;
  band: "low" | "usual" | "quadriceps_first";
}

const LOW = 0.5;
const HIGH = 0.8;

/**
 * Isometric hamstring-to-quadriceps torque at one and the same angle; it falls with flexion, so the angle is printed
 * with it. Null when the quadriceps torque is zero. Dosing rules F3 [medium].
 */
export function hamstringQuadriceps(hamstringNm: number, quadricepsNm: number): HamstringQuadriceps | null {
  if (!(quadricepsNm > 0)) return null;
  const ratio = hamstringNm / quadricepsNm;
  return { ratio, band: ratio < LOW ? "low" : ratio > HIGH ? "quadriceps_first" : "usual" };
}
