import { isSameAngle } from "../strength/sameAngle";
import {
  CURVE_FROM_DEG,
  CURVE_SURE_FROM_DEG,
  CURVE_SURE_TO_DEG,
  CURVE_TO_DEG,
  extensionFactorCrossCheck,
  type KneeMovement,
  shapeConstants,
  torqueAngleShape,
} from "../strength/torqueAngleShape";
import { toDegrees, toRadians } from "../units/clamp";
import { InputError } from "../units/inputError";
import { type Said, saidWith } from "../units/said";
import type { Computed } from "../units/working/working";
import type { Learnt } from "./learn";
import { LOW_END_Z, type Shown } from "./shows";

/** What a movement can do over its angles: its peak, where that lies, and which angles were tested. */
export interface CurveCan {
  movement: KneeMovement;
  peak: Shown;
  from: Learnt["from"];
  /** knee flexion at the peak; null: the usual */
  peakDeg: number | null;
  testedDeg: readonly number[];
}

const FORMULA: Record<Learnt["from"], Said> = {
  prior: { code: "work.can_prior" },
  sets: { code: "work.can_sets" },
  trials: { code: "work.can_trials" },
};

/** Away from every tested angle two published shapes differ by so much of it; of the back of the thigh only one is known [own]. */
const FLEXION_SHAPE_DOUBT = 0.1;

function shapeDoubt(can: CurveCan, toDeg: number): number {
  const shape = shapeOf(can);
  const from = nearest(can.testedDeg, toDeg);
  if (from !== null && isSameAngle(from, toDeg)) return 0;
  if (can.movement !== "knee_extension") return FLEXION_SHAPE_DOUBT;
  const fromDeg = from ?? peakDegOf(can);
  const ours = shape(toDeg) / shape(fromDeg);
  const other = extensionFactorCrossCheck(toDeg) / extensionFactorCrossCheck(fromDeg);
  return Math.abs(ours - other) / ours;
}

const nearest = (of: readonly number[], deg: number): number | null =>
  of.length === 0 ? null : of.reduce((a, b) => (Math.abs(b - deg) < Math.abs(a - deg) ? b : a));

const shapeOf = ({ movement, peakDeg }: CurveCan) => {
  const peakRad = peakDeg === null ? undefined : toRadians(peakDeg);
  return (deg: number): number => torqueAngleShape(movement, deg, peakRad);
};

const peakDegOf = (can: CurveCan): number => can.peakDeg ?? toDegrees(shapeConstants(can.movement).c3);

/** Torque at an angle that the curve covers, N·m. */
export const torqueAt = (can: CurveCan, kneeFlexionDeg: number): number =>
  Math.exp(can.peak.mean) * shapeOf(can)(kneeFlexionDeg);

/**
 * What the leg can do at an angle, from everything that was tested and done, with the band that eight of ten lie in:
 * wider away from tested angles. Refuses angles the curve says nothing about. Rule L6.
 */
export function capacityAt(can: CurveCan, kneeFlexionDeg: number): Computed {
  if (!(kneeFlexionDeg >= CURVE_FROM_DEG && kneeFlexionDeg <= CURVE_TO_DEG))
    throw new InputError(
      "kneeFlexionDeg",
      saidWith("work.outside_curve", { fromDeg: CURVE_FROM_DEG, toDeg: CURVE_TO_DEG }),
    );
  const value = torqueAt(can, kneeFlexionDeg);
  const isDoubtful = kneeFlexionDeg < CURVE_SURE_FROM_DEG || kneeFlexionDeg > CURVE_SURE_TO_DEG;
  const tested = can.testedDeg.map((d) => `${round(d)}°`).join(", ");
  return {
    value,
    unit: "N·m",
    doubt: value * Math.hypot(LOW_END_Z * can.peak.sd, shapeDoubt(can, kneeFlexionDeg)),
    origin: can.from === "prior" ? "default" : "estimated",
    working: {
      formulaId: "strength.capacity-at-angle",
      formula: FORMULA[can.from],
      inputs: [
        {
          name: { code: "work.curve_peak" },
          value: saidWith("work.torque_at", {
            nm: round(Math.exp(can.peak.mean)),
            deg: round(peakDegOf(can)),
          }),
          origin: can.from === "prior" ? "default" : "estimated",
        },
        ...(tested === ""
          ? []
          : [{ name: { code: "work.tested_angles" }, value: tested, origin: "measured" as const }]),
      ],
      source: { code: "work.curve_source" },
      confidence: can.from === "prior" ? "own" : "medium",
      cannotTell: isDoubtful
        ? { code: "work.curve_doubtful" }
        : { code: can.from === "prior" ? "work.nobody_showed" : "work.curve_cannot" },
    },
  };
}

const round = (x: number): string => x.toFixed(0);
