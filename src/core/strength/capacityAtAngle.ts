import { InputError } from "../units/inputError";
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
      `The strength curve covers ${CURVE_FROM_DEG}° to ${CURVE_TO_DEG}°; choose a hold angle inside it.`,
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
        ? "curve through the tests, one of which was at this angle"
        : `tested at ${list(fit.testedDeg)}, carried to ${round(kneeFlexionDeg)}° along the torque-angle curve`,
      inputs: [
        {
          name: "peak of the curve",
          value: `${round(fit.peakTorqueNm)} N·m at ${round(fit.peakDeg)}°`,
          origin: "estimated",
          from: testedOn,
        },
        { name: "tested angles", value: list(fit.testedDeg), origin: "measured", from: testedOn },
        { name: "tests off the curve by", value: `${round(fit.rmsNm)} N·m`, origin: "estimated" },
      ],
      source: "torque-angle cosine fit (mechanics 6)",
      confidence: "medium",
      cannotTell: !fit.isReliable
        ? "Much: the trials of a test never agreed. Test again before relying on it."
        : doubtful
          ? "Below 20° and above 100° the curve is doubtful: test at this angle before relying on it."
          : "How strong the leg is when tired, sore or at speed.",
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
