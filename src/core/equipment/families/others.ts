import { kneeExtensionConfiguration } from "../../mechanics/postures/kneeExtension";
import { kneelingCurl } from "../../mechanics/postures/kneelingCurl";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, vector } from "../../mechanics/vector";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type FamilyModel, numberOf } from "./family";
import { alongside, LIMB_HALF_M, legPoints } from "./parts";
import { BACKREST, PAD } from "./seatedExtension";

/** Seated straightening against a weight at the ankle. Source: mechanics rules 5.1. */
export const ankleCuff: FamilyModel = {
  id: "ankle_cuff",

  geometry: [],
  settings: [BACKREST],
  hasCam: false,
  load: { unit: "kg" },
  range: [0, 100],
  solve: (body, _m, s, deg, c) =>
    solveLeg(
      body,
      kneeExtensionConfiguration(body, deg, {
        backrestDeg: numberOf(s.settings, "backrestDeg"),
        resistance: [{ kind: "cuff", massKg: s.load }],
      }),
      c,
    ),
  ends: () => [],
  sideView: (body, _m, _s, _deg, leg) => {
    const p = legPoints(body, leg);
    const cuff = plus(p.knee, times(unit(leg.posture.shankDeg), 0.95 * body.shankLengthM));
    return {
      parts: [
        alongside("seat", vector(-0.12, 0), vector(0.32, 0), -90, 0.1),
        alongside("back", p.hip, p.shoulder, leg.posture.trunkDeg + 90, 0.12),
        { kind: "pad", from: cuff, to: cuff },
      ],
      handles: [],
    };
  },
};

/** Seated straightening against hands or a strap at the shin, square to it: what is held is force, not mass. */
export const heldShin: FamilyModel = {
  id: "held_shin",

  geometry: [],
  settings: [BACKREST, PAD],
  hasCam: false,
  load: { unit: "kg" },
  isHeldByHand: true,
  range: [0, 100],
  solve: (body, _m, s, deg, c) =>
    solveLeg(
      body,
      kneeExtensionConfiguration(body, deg, {
        backrestDeg: numberOf(s.settings, "backrestDeg"),
        resistance: [
          {
            kind: "torque",
            torqueNm: s.load * GRAVITY_M_S2 * numberOf(s.settings, "padM"),
            padDistanceM: numberOf(s.settings, "padM"),
          },
        ],
      }),
      c,
    ),
  ends: () => [],
  sideView: (body, _m, s, _deg, leg) => {
    const p = legPoints(body, leg);
    const shin = unit(leg.posture.shankDeg);
    const pad = plus(
      plus(p.knee, times(shin, numberOf(s, "padM"))),
      times(unit(leg.posture.shankDeg + 90), LIMB_HALF_M),
    );
    return {
      parts: [
        alongside("seat", vector(-0.12, 0), vector(0.32, 0), -90, 0.1),
        alongside("back", p.hip, p.shoulder, leg.posture.trunkDeg + 90, 0.12),
        { kind: "pad", from: pad, to: pad },
      ],
      handles: [{ setting: "padM", at: pad, along: shin }],
    };
  },
};

/** Where the straps hold the ankle and the weight's arm turns. */
const LEVER_USUAL_M = 0.5;

/** Kneeling lowering with a counterweight that helps. More counterweight is lighter. Source: mechanics rules 5.7. */
export const counterweightCurl: FamilyModel = {
  id: "counterweight_curl",

  geometry: [
    {
      key: "leverM",

      unit: "cm",
      least: 0.1,
      most: 1.5,
      usual: LEVER_USUAL_M,
    },
  ],
  settings: [
    {
      key: "hipBendDeg",

      unit: "°",
      from: 0,
      to: 30,
      step: 5,
      usual: 0,
    },
  ],
  hasCam: false,
  load: { unit: "kg" },
  isReversed: true,
  range: [10, 90],
  solve: (body, m, s, deg) => ({
    state: kneelingCurl(body, deg, {
      hipBendDeg: numberOf(s.settings, "hipBendDeg"),
      assist: s.load > 0 ? { kind: "lever", massKg: s.load, leverM: numberOf(m.values, "leverM") } : null,
    }),
    posture: {
      thighDeg: deg - 180,
      shankDeg: -180,
      trunkDeg: deg - numberOf(s.settings, "hipBendDeg"),
      thighSupported: false,
    },
    footDeg: null,
    forces: [],
    chain: "open",
    isBalanced: true,
  }),
  ends: () => [],
  sideView: (body, m, _s, _deg, leg) => {
    const p = legPoints(body, leg);
    const arm = plus(p.knee, times(unit(leg.posture.thighDeg), numberOf(m.values, "leverM")));
    return {
      parts: [
        alongside("seat", plus(p.knee, vector(0.1, 0)), plus(p.ankle, vector(-0.1, 0)), -90, 0.09),
        { kind: "pad", from: plus(p.ankle, vector(0, 0.08)), to: plus(p.ankle, vector(0, 0.08)) },
        { kind: "lever", from: p.knee, to: arm },
        { kind: "axis", from: p.knee, to: p.knee },
      ],
      handles: [],
    };
  },
};
