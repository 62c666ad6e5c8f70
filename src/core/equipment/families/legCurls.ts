import { legCurl } from "../../mechanics/postures/legCurl";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, vector } from "../../mechanics/vector";
import { type FamilyModel, numberOf } from "./family";
import { alongside, LIMB_HALF_M, legPoints } from "./parts";
import { BACKREST, LEVER_GEOMETRY, leverOf, PAD, STACK } from "./seatedExtension";

function curl(position: "prone" | "seated"): FamilyModel {
  const isProne = position === "prone";
  return {
    id: `leg_curl_${position}`,

    geometry: LEVER_GEOMETRY,
    settings: [
      isProne
        ? {
            key: "hipBendDeg",

            unit: "°",
            from: 0,
            to: 30,
            step: 5,
            usual: 10,
          }
        : BACKREST,
      { ...PAD },
      {
        key: "startDeg",

        unit: "°",
        from: 0,
        to: 30,
        step: 5,
        usual: 0,
      },
      {
        key: "endDeg",

        unit: "°",
        from: 60,
        to: 110,
        step: 5,
        usual: 110,
      },
    ],
    hasCam: true,
    load: STACK,
    range: [0, 110],
    solve: (body, m, s, deg, c) =>
      solveLeg(
        body,
        legCurl(body, deg, {
          position,
          geometry: leverOf(m),
          loadKg: s.load,
          share: s.share,
          phase: s.phase,
          padDistanceM: numberOf(s.settings, "padM"),
          hipBendDeg: s.settings.hipBendDeg,
          backrestDeg: s.settings.backrestDeg,
        }),
        c,
      ),
    ends: (_body, _m, s) => [
      { setting: "startDeg", end: "straight", deg: numberOf(s, "startDeg") },
      { setting: "endDeg", end: "bent", deg: numberOf(s, "endDeg") },
    ],
    sideView: (body, _m, s, _deg, leg) => {
      const p = legPoints(body, leg);
      const shin = unit(leg.posture.shankDeg);
      const behind = leg.posture.shankDeg - 90;
      const pad = plus(plus(p.knee, times(shin, numberOf(s, "padM"))), times(unit(behind), LIMB_HALF_M));
      const under = isProne ? -90 : leg.posture.trunkDeg + 90;
      return {
        parts: [
          alongside("seat", isProne ? p.knee : vector(-0.12, 0), isProne ? p.hip : vector(0.32, 0), -90, 0.1),
          alongside("back", p.hip, p.shoulder, under, 0.12),
          { kind: "lever", from: p.knee, to: pad },
          { kind: "pad", from: pad, to: pad },
          { kind: "axis", from: p.knee, to: p.knee },
        ],
        handles: [{ setting: "padM", at: pad, along: shin }],
      };
    },
  };
}

/** Lying and seated leg curl. Source: mechanics rules 5.5. */
export const proneCurl = curl("prone");
export const seatedCurl = curl("seated");
