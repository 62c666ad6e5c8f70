import type { Body } from "../../body/segments";
import { GRAVITY_M_S2 } from "../../units/mass";
import { pressureAheadM, solePoint } from "../footPressure";
import { cross, plus, times, unit, type Vector } from "../vector";
import { balancedLean, massPoints, standingPoints, weightMomentNm } from "../wholeBody";
import type { StandingConfiguration } from "./squat";

export interface TerminalExtensionSettings {
  /** pull of the band or pad, N, and its direction: 0 straight forward */
  pullN: number;
  pullDeg?: number;
  /** above the knee's axis on the thigh, m; below zero on the calf */
  padAboveKneeM?: number;
  /** trunk from upright; null: leans until the pressure stays at mid-foot ("leaning back on the band") */
  leanDeg?: number | null;
  /** of what the floor gives, on this leg: half with both feet down */
  share?: number;
}

/**
 * Standing straightening of the knee against a pull from the front. Its shear changes sign when the trunk leans back or
 * the pad sits below the joint line: never called safe by itself. Source: mechanics rules 5.6.
 */
export function terminalExtension(
  body: Body,
  kneeFlexionDeg: number,
  s: TerminalExtensionSettings,
): StandingConfiguration {
  const shankDeg = -90 - 0.5 * kneeFlexionDeg;
  const thighDeg = shankDeg + kneeFlexionDeg;
  const above = s.padAboveKneeM ?? 0.08;
  const pull = times(unit(s.pullDeg ?? 0), s.pullN);
  // relative to the knee
  const pad = above >= 0 ? times(unit(thighDeg), -above) : times(unit(shankDeg), -above);
  const at = (leanDeg: number) => ({ thighDeg, shankDeg, trunkDeg: 90 - leanDeg });
  const weight = body.massKg * GRAVITY_M_S2 - pull.y;
  const pressureX = (leanDeg: number): number => {
    const { knee } = standingPoints(body, at(leanDeg));
    return (weightMomentNm(massPoints(body, at(leanDeg))) - cross(plus(knee, pad), pull)) / weight;
  };
  const middle = pressureAheadM(body, "mid");
  const found =
    s.leanDeg === null
      ? balancedLean((lean) => pressureX(lean) - middle)
      : { leanDeg: s.leanDeg ?? 0, isBalanced: true };
  const aheadM = s.leanDeg === null ? middle : pressureX(found.leanDeg);
  const ankle = times(unit(shankDeg), body.shankLengthM);
  // both feet share what holds the body, sideways and upwards alike
  const ground: Vector = times({ x: -pull.x, y: weight }, s.share ?? 1);
  return {
    posture: { ...at(found.leanDeg), thighSupported: false },
    footDeg: 0,
    forces: [
      { segment: "foot", atM: plus(ankle, solePoint(body, 0, aheadM)), forceN: ground },
      { segment: above >= 0 ? "thigh" : "shank", atM: pad, forceN: pull },
    ],
    chain: "closed",
    leanDeg: found.leanDeg,
    pressureAheadM: aheadM,
    hipHeightM: standingPoints(body, at(found.leanDeg)).hip.y,
    isBalanced: found.isBalanced,
  };
}
