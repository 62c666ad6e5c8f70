import { InputError } from "../units/inputError";
import { saidWith } from "../units/said";
import type { Computed } from "../units/working/working";
import { capacityNm, type TorqueAngleFit } from "./fitTorqueAngle";
import { torqueErrorShare } from "./measurementError";
import { isSameAngle } from "./sameAngle";
import {
  CURVE_FROM_DEG,
  CURVE_SURE_FROM_DEG,
  CURVE_SURE_TO_DEG,
  CURVE_TO_DEG,
  extensionFactorCrossCheck,
} from "./torqueAngleShape";

/**
 * What the leg can do at an angle, with its doubt: the test's own error and, away from the tested angles, the
 * distance between two published shapes. Refuses angles the curve says nothing about.
 */
export function capacityAtAngle(fit: TorqueAngleFit, kneeFlexionDeg: number, testedOn: string): Computed {
  if (!(kneeFlexionDeg >= CURVE_FROM_DEG && kneeFlexionDeg <= CURVE_TO_DEG))
    throw new InputError(
      "kneeFlexionDeg",
      saidWith("work.outside_curve", { fromDeg: CURVE_FROM_DEG, toDeg: CURVE_TO_DEG }),
    );
  const value = capacityNm(fit, kneeFlexionDeg);
  const nearest = fit.testedDeg.reduce((best, d) =>
    Math.abs(d - kneeFlexionDeg) < Math.abs(best - kneeFlexionDeg) ? d : best,
  );
  const testedHere = isSameAngle(nearest, kneeFlexionDeg);
  const shape = testedHere ? 0 : shapeDoubt(fit, nearest, kneeFlexionDeg);
  const test = torqueErrorShare(fit.isReliable, fit.testedDeg.length);
  const doubtful = kneeFlexionDeg < CURVE_SURE_FROM_DEG || kneeFlexionDeg > CURVE_SURE_TO_DEG;
  return {
    value,
    unit: "N·m",
    doubt: value * Math.hypot(test, shape),
    origin: testedHere ? "measured" : "estimated",
    working: {
      formulaId: "strength.capacity-at-angle",
      formula: testedHere
        ? { code: "work.curve_here" }
        : saidWith("work.carried", { tested: list(fit.testedDeg), deg: round(kneeFlexionDeg) }),
      inputs: [
        {
          name: { code: "work.curve_peak" },
          value: saidWith("work.torque_at", { nm: round(fit.peakTorqueNm), deg: round(fit.peakDeg) }),
          origin: "estimated",
          from: testedOn,
        },
        {
          name: { code: "work.tested_angles" },
          value: list(fit.testedDeg),
          origin: "measured",
          from: testedOn,
        },
        { name: { code: "work.off_curve" }, value: `${round(fit.rmsNm)} N·m`, origin: "estimated" },
      ],
      source: { code: "work.curve_source" },
      confidence: "medium",
      cannotTell: !fit.isReliable
        ? { code: "work.trials_never" }
        : doubtful
          ? { code: "work.curve_doubtful" }
          : { code: "work.curve_cannot" },
    },
  };
}

/** Relative doubt of carrying a test from one angle to another. */
function shapeDoubt(fit: TorqueAngleFit, fromDeg: number, toDeg: number): number {
  if (fit.movement !== "knee_extension") return 0.1;
  const ours = capacityNm(fit, toDeg) / capacityNm(fit, fromDeg);
  const other = extensionFactorCrossCheck(toDeg) / extensionFactorCrossCheck(fromDeg);
  return Math.abs(ours - other) / ours;
}

const round = (x: number): string => x.toFixed(0);
const list = (degs: readonly number[]): string => degs.map((d) => `${round(d)}°`).join(", ");
