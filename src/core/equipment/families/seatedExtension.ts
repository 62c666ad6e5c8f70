import type { LeverGeometry } from "../../mechanics/lever";
import { kneeExtensionConfiguration } from "../../mechanics/postures/kneeExtension";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, vector } from "../../mechanics/vector";
import { type FamilyModel, type MachineGeometry, numberOf, type SettingModel } from "./family";
import { alongside, LIMB_HALF_M, legPoints } from "./parts";

/** Settings that lever machines share. */
export const PAD: SettingModel = {
  key: "padM",

  unit: "cm",
  from: 0.2,
  to: 0.42,
  step: 0.02,
  usual: 0.36,
};
export const BACKREST: SettingModel = {
  key: "backrestDeg",

  unit: "°",
  from: 90,
  to: 135,
  step: 5,
  usual: 105,
};
export const STACK = { unit: "kg" } as const;

export const LEVER_GEOMETRY = [
  {
    key: "ratioM",

    unit: "cm",
    least: 0.05,
    most: 1,
    usual: 0.3,
  },
  {
    key: "startLoadKg",

    unit: "kg",
    least: -10,
    most: 40,
    usual: 0,
  },
  {
    key: "frictionShare",

    unit: "",
    least: 0,
    most: 0.5,
    usual: 0.05,
  },
] as const satisfies FamilyModel["geometry"];

/** A lever as its machine's own numbers say. */
export const leverOf = (m: MachineGeometry): LeverGeometry => ({
  ratioM: numberOf(m.values, "ratioM"),
  cam: m.cam,
  frictionShare: numberOf(m.values, "frictionShare"),
  startLoadKg: numberOf(m.values, "startLoadKg"),
});

/** Seated knee extension on a lever. Source: mechanics rules 5.1. */
export const seatedExtension: FamilyModel = {
  id: "seated_knee_extension",

  geometry: LEVER_GEOMETRY,
  settings: [
    BACKREST,
    PAD,
    {
      key: "startDeg",

      unit: "°",
      from: 60,
      to: 110,
      step: 5,
      usual: 100,
    },
    {
      key: "endDeg",

      unit: "°",
      from: 0,
      to: 60,
      step: 5,
      usual: 0,
    },
  ],
  hasCam: true,
  load: STACK,
  range: [0, 110],
  solve: (body, m, s, deg, c) =>
    solveLeg(
      body,
      kneeExtensionConfiguration(body, deg, {
        backrestDeg: numberOf(s.settings, "backrestDeg"),
        resistance: [
          {
            kind: "lever",
            geometry: leverOf(m),
            loadKg: s.load,
            share: s.share,
            phase: s.phase,
            padDistanceM: numberOf(s.settings, "padM"),
          },
        ],
      }),
      c,
    ),
  ends: (_body, _m, s) => [
    { setting: "startDeg", end: "bent", deg: numberOf(s, "startDeg") },
    { setting: "endDeg", end: "straight", deg: numberOf(s, "endDeg") },
  ],
  sideView: (body, _m, s, _deg, leg) => {
    const p = legPoints(body, leg);
    const padM = numberOf(s, "padM");
    const shin = unit(leg.posture.shankDeg);
    const front = leg.posture.shankDeg + 90;
    const pad = plus(plus(p.knee, times(shin, padM)), times(unit(front), LIMB_HALF_M));
    return {
      parts: [
        alongside("seat", vector(-0.12, 0), vector(0.32, 0), -90, 0.1),
        alongside("back", p.hip, p.shoulder, leg.posture.trunkDeg + 90, 0.12),
        { kind: "lever", from: p.knee, to: pad },
        { kind: "pad", from: pad, to: pad },
        { kind: "axis", from: p.knee, to: p.knee },
      ],
      handles: [
        { setting: "padM", at: pad, along: shin },
        {
          setting: "backrestDeg",
          at: plus(p.shoulder, times(unit(leg.posture.trunkDeg + 90), 0.12)),
          // a degree more turns the back's top by that much of an arc
          along: times(unit(leg.posture.trunkDeg + 90), (0.288 * body.heightM * Math.PI) / 180),
        },
      ],
    };
  },
};
