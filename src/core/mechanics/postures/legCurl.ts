import type { Body } from "../../body/segments";
import { CURL_ARC } from "../camCurve";
import type { LegConfiguration } from "../legState";
import { type LeverGeometry, leverTorqueNm } from "../lever";
import { times, unit, vector } from "../vector";
import { defaultPadDistanceM } from "./kneeExtension";

export interface LegCurlSettings {
  position: "prone" | "seated";
  geometry: LeverGeometry;
  loadKg: number;
  share: number;
  phase?: -1 | 0 | 1;
  padDistanceM?: number;
  /** prone: bend of the bench at the hip; seated: the backrest */
  hipBendDeg?: number;
  backrestDeg?: number;
}

/** Leg curl at one angle, prone or seated: the pad resists bending. Source: mechanics rules 5.5. */
export function legCurl(body: Body, kneeFlexionDeg: number, s: LegCurlSettings): LegConfiguration {
  const thighDeg = s.position === "prone" ? 180 : 0;
  const shankDeg = thighDeg - kneeFlexionDeg;
  const distal = unit(shankDeg);
  const padM = s.padDistanceM ?? defaultPadDistanceM(body);
  const torqueNm = leverTorqueNm(s.geometry, s.loadKg, kneeFlexionDeg, s.phase ?? 0, s.share, CURL_ARC);
  return {
    posture: {
      thighDeg,
      shankDeg,
      trunkDeg: s.position === "prone" ? -(s.hipBendDeg ?? 0) : (s.backrestDeg ?? 105),
      thighSupported: true,
    },
    footDeg: null,
    forces: [
      {
        segment: "shank",
        atM: times(distal, padM),
        forceN: times(vector(-distal.y, distal.x), torqueNm / padM),
      },
    ],
    chain: "open",
  };
}
