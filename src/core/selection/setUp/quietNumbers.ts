import type { Body } from "../../body/segments";
import { legState } from "../../mechanics/legState";
import {
  calfRaise,
  reverseHipExtension,
  sideRaiseMomentNm,
  straightLegRaise,
} from "../../mechanics/postures/proneAndLying";
import { GRAVITY_M_S2, kgWords } from "../../units/mass";
import { modelIdOf } from "../fit/exerciseUse";

/** A moment of work that leaves the knee quiet, at a few places of its own way. */
export interface QuietRow {
  where: string;
  values: readonly string[];
}

export interface QuietNumbers {
  /** what is computed and for what */
  about: string;
  columns: readonly string[];
  rows: readonly QuietRow[];
  source: string;
}

const nm = (x: number): string => `${Math.round(Math.abs(x))} N·m`;

/** Trunk supported by the table under it takes about half of the back's moment (mechanics rules 5.8 [assumed]). */
const TABLE_SUPPORT = 0.5;
const HANG_DEG = [60, 30, 0] as const;
const RAISE_DEG = [0, 15, 30, 45] as const;
const HEEL_DEG = [0, 15, 30] as const;

function reverseHip(body: Body, legs: 1 | 2, kneeFlexionDeg: number, support: number): QuietNumbers {
  return {
    about: `${legs === 1 ? "one leg" : "both legs"}, knee ${kneeFlexionDeg === 0 ? "straight" : "bent to a right angle"}, no added load; ${support ? "table under the pelvis" : "pelvis free"}`,
    columns: ["hip, each leg", "low back"],
    rows: HANG_DEG.map((hangDeg) => {
      const at = reverseHipExtension(body, { hangDeg, kneeFlexionDeg, legs, support });
      return {
        where: hangDeg === 0 ? "in line with the trunk" : `${hangDeg}° below it`,
        values: [nm(at.joint.hipMomentNm ?? 0), nm(at.backMomentNm)],
      };
    }),
    source: "mechanics 5.8",
  };
}

function calf(
  body: Body,
  about: string,
  load: Parameters<typeof calfRaise>[1]["load"],
  share: number,
): QuietNumbers {
  return {
    about,
    columns: ["ankle, each leg"],
    rows: HEEL_DEG.map((plantarflexionDeg) => ({
      where: plantarflexionDeg === 0 ? "foot flat" : `heel raised ${plantarflexionDeg}°`,
      values: [nm(calfRaise(body, { plantarflexionDeg, load, share }).ankleMomentNm)],
    })),
    source: "mechanics 5.9",
  };
}

function sideRaise(body: Body): QuietNumbers {
  return {
    about: "the leg's own weight, lying on the side",
    columns: ["outer hip"],
    rows: RAISE_DEG.map((abductionDeg) => ({
      where: `${abductionDeg}° above level`,
      values: [nm(sideRaiseMomentNm(body, { abductionDeg }))],
    })),
    source: "mechanics 5.11",
  };
}

function legRaise(body: Body): QuietNumbers {
  return {
    about: "the leg's own weight, knee straight",
    columns: ["hip", "knee"],
    rows: RAISE_DEG.map((hipDeg) => {
      const { joint } = legState(body, straightLegRaise(body, { hipDeg }));
      return {
        where: `${hipDeg}° above level`,
        values: [nm(joint.hipMomentNm ?? 0), nm(joint.kneeMomentNm)],
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
      return calf(body, "body weight on two legs", { kind: "standing" }, 0.5);
    case "calf_seated":
      return calf(body, `${kgWords(kg)} on the thighs, two legs`, { kind: "seated", loadKg: kg }, 0.5);
    case "calf_press":
      return calf(
        body,
        `${kgWords(kg)} on the plate, two legs`,
        { kind: "press", forceN: kg * GRAVITY_M_S2 },
        0.5,
      );
    case "slr_side":
      return sideRaise(body);
    case "slr_supine":
      return legRaise(body);
    default:
      return null;
  }
}
