import { clamp, toDegrees, toRadians } from "../units/clamp";
import { InputError } from "../units/inputError";
import { type KneeMovement, shapeConstants, torqueAngleShape } from "./torqueAngleShape";

export interface AngleTest {
  kneeFlexionDeg: number;
  torqueNm: number;
  /** false when the trials never agreed; unknown counts as reliable */
  isReliable?: boolean;
}

export interface TorqueAngleFit {
  movement: KneeMovement;
  /** torque at the peak of the curve, N·m */
  peakTorqueNm: number;
  peakDeg: number;
  /** root mean square distance of the tests from the curve, N·m */
  rmsNm: number;
  /** the angles that were tested */
  testedDeg: readonly number[];
  /** the trials of every test agreed */
  isReliable: boolean;
}

const PEAK_MAY_MOVE_DEG = 12;
const MIN_SPAN_TO_MOVE_PEAK_DEG = 40;

/**
 * The client's own torque-angle curve from one or more tests. One or two tests scale the shape; three or more over
 * at least 40° may also move its peak, by 12° at most. Source: mechanics rules 6.
 */
export function fitTorqueAngle(movement: KneeMovement, tests: readonly AngleTest[]): TorqueAngleFit {
  if (tests.length === 0) throw new InputError("tests", { code: "input.no_test" });
  for (const t of tests) if (!(t.torqueNm > 0)) throw new InputError("tests", { code: "input.test_torque" });
  const { c2, c3 } = shapeConstants(movement);
  const testedDeg = tests.map((t) => t.kneeFlexionDeg);
  const span = Math.max(...testedDeg) - Math.min(...testedDeg);
  let peakRad = c3;
  if (tests.length >= 3 && span >= MIN_SPAN_TO_MOVE_PEAK_DEG) {
    const [a, b] = linearLeastSquares(tests, c2);
    const most = toRadians(PEAK_MAY_MOVE_DEG);
    peakRad = clamp(Math.atan2(b, a) / c2, c3 - most, c3 + most);
  }
  const shapes = tests.map((t) => torqueAngleShape(movement, t.kneeFlexionDeg, peakRad));
  const numerator = tests.reduce((sum, t, i) => sum + t.torqueNm * (shapes[i] as number), 0);
  const peakTorqueNm = numerator / shapes.reduce((sum, s) => sum + s * s, 0);
  const squares = tests.reduce(
    (sum, t, i) => sum + (t.torqueNm - peakTorqueNm * (shapes[i] as number)) ** 2,
    0,
  );
  return {
    movement,
    peakTorqueNm,
    peakDeg: toDegrees(peakRad),
    rmsNm: Math.sqrt(squares / tests.length),
    testedDeg,
    isReliable: tests.every((t) => t.isReliable !== false),
  };
}

/** Best a, b of torque = a cos(c2 θ) + b sin(c2 θ). */
function linearLeastSquares(tests: readonly AngleTest[], c2: number): [number, number] {
  let cc = 0;
  let cs = 0;
  let ss = 0;
  let ct = 0;
  let st = 0;
  for (const t of tests) {
    const c = Math.cos(c2 * toRadians(t.kneeFlexionDeg));
    const s = Math.sin(c2 * toRadians(t.kneeFlexionDeg));
    cc += c * c;
    cs += c * s;
    ss += s * s;
    ct += c * t.torqueNm;
    st += s * t.torqueNm;
  }
  const det = cc * ss - cs * cs;
  return [(ct * ss - st * cs) / det, (st * cc - ct * cs) / det];
}

/** Capacity on the fitted curve, N·m. */
export function capacityNm(fit: TorqueAngleFit, kneeFlexionDeg: number): number {
  return fit.peakTorqueNm * torqueAngleShape(fit.movement, kneeFlexionDeg, toRadians(fit.peakDeg));
}
