import type { Body } from "../../../body/segments";
import { legState } from "../../../mechanics/legState";
import {
  calfRaise,
  reverseHipExtension,
  sideRaiseMomentNm,
  straightLegRaise,
} from "../../../mechanics/postures/proneAndLying";
import { GRAVITY_M_S2 } from "../../../units/mass";
import { modelIdOf } from "../../fit/exerciseUse";

/** A moment of work that leaves the knee quiet, at a few places of its own way. */
export interface QuietRow {
  /** degrees of the posture's own way */
  deg: number;
  /** N·m, one a column */
  momentsNm: readonly number[];
}

/** What is computed, and for what; each posture has its columns and its way of naming a place. */
export type QuietAbout =
  | { posture: "reverse_hip"; legs: 1 | 2; kneeFlexionDeg: number; isSupported: boolean }
  | { posture: "calf"; load: "standing" | "seated" | "press"; kg: number }
  | { posture: "side_raise" | "leg_raise" };

export interface QuietNumbers {
  about: QuietAbout;
  rows: readonly QuietRow[];
  source: string;
}

/** Trunk supported by the table under it takes about half of the back's moment (mechanics rules 5.8 [assumed]). */
const TABLE_SUPPORT = 0.5;
const HANG_DEG = [60, 30, 0] as const;
const RAISE_DEG = [0, 15, 30, 45] as const;
const HEEL_DEG = [0, 15, 30] as const;

function reverseHip(body: Body, legs: 1 | 2, kneeFlexionDeg: number, support: number): QuietNumbers {
  return {
    about: { posture: "reverse_hip", legs, kneeFlexionDeg, isSupported: support > 0 },
    rows: HANG_DEG.map((hangDeg) => {
      const at = reverseHipExtension(body, { hangDeg, kneeFlexionDeg, legs, support });
      return {
        deg: hangDeg,
        momentsNm: [at.joint.hipMomentNm ?? 0, at.backMomentNm],
      };
    }),
    source: "mechanics 5.8",
  };
}

function calf(
  body: Body,
  kg: number,
  load: Parameters<typeof calfRaise>[1]["load"],
  share: number,
): QuietNumbers {
  return {
    about: { posture: "calf", load: load.kind, kg },
    rows: HEEL_DEG.map((plantarflexionDeg) => ({
      deg: plantarflexionDeg,
      momentsNm: [calfRaise(body, { plantarflexionDeg, load, share }).ankleMomentNm],
    })),
    source: "mechanics 5.9",
  };
}

function sideRaise(body: Body): QuietNumbers {
  return {
    about: { posture: "side_raise" },
    rows: RAISE_DEG.map((abductionDeg) => ({
      deg: abductionDeg,
      momentsNm: [sideRaiseMomentNm(body, { abductionDeg })],
    })),
    source: "mechanics 5.11",
  };
}

function legRaise(body: Body): QuietNumbers {
  return {
    about: { posture: "leg_raise" },
    rows: RAISE_DEG.map((hipDeg) => {
      const { joint } = legState(body, straightLegRaise(body, { hipDeg }));
      return {
        deg: hipDeg,
        momentsNm: [joint.hipMomentNm ?? 0, joint.kneeMomentNm],
      };
    }),
    source: "mechanics 5.11",
  };
}

/** A load on a calf press or seated raise that numbers are shown for, kg: half of the body. */
const halfBody = (body: Body): number => Math.round(body.massKg / 2 / 5) * 5;

/**
 * What hip and calf work asks of its own joint, for exercises without a model of the knee; null where there is none
 * either. Static, slow movement only; body-weight or the load named.
 */
export function quietNumbers(e: Parameters<typeof modelIdOf>[0], body: Body): QuietNumbers | null {
  const kg = halfBody(body);
  switch (modelIdOf(e)) {
    case "rev_bent_single":
      return reverseHip(body, 1, 90, TABLE_SUPPORT);
    case "rev_straight_single":
      return reverseHip(body, 1, 0, TABLE_SUPPORT);
    case "rev_two":
      return reverseHip(body, 2, 0, TABLE_SUPPORT);
    case "rev_loaded":
      return reverseHip(body, 2, 0, 0);
    case "calf_standing":
      return calf(body, 0, { kind: "standing" }, 0.5);
    case "calf_seated":
      return calf(body, kg, { kind: "seated", loadKg: kg }, 0.5);
    case "calf_press":
      return calf(body, kg, { kind: "press", forceN: kg * GRAVITY_M_S2 }, 0.5);
    case "slr_side":
      return sideRaise(body);
    case "slr_supine":
      return legRaise(body);
    default:
      return null;
  }
}
