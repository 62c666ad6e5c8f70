import { flexionAtReachDeg } from "../../mechanics/linkage";
import { hackSquat } from "../../mechanics/postures/hackSquat";
import { flexionAtHipHeightDeg, guidedSquat, HIP_ABOVE_SEAT_M } from "../../mechanics/postures/squat";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, vector } from "../../mechanics/vector";
import { type ArcEnd, type FamilyModel, numberOf, type SettingModel } from "./family";
import { alongside, floorUnder, legPoints } from "./parts";
import { PRESSURE, PRESSURES } from "./presses";

const PLATES = { unit: "kg" } as const;

const DEPTH: SettingModel = {
  key: "depthDeg",

  unit: "°",
  from: 40,
  to: 110,
  step: 5,
  usual: 100,
};

function sled(isPendulum: boolean): FamilyModel {
  return {
    id: isPendulum ? "pendulum_squat" : "hack_squat",

    geometry: [
      {
        key: "inclineDeg",

        unit: "°",
        least: 20,
        most: 90,
        usual: isPendulum ? 75 : 60,
      },
      ...(isPendulum
        ? [
            {
              key: "inclineBottomDeg",

              unit: "°" as const,
              least: 20,
              most: 90,
              usual: 45,
            },
          ]
        : []),
      {
        key: "carriageKg",

        unit: "kg",
        least: 0,
        most: 150,
        usual: 30,
      },
      {
        key: "friction",

        unit: "",
        least: 0,
        most: 0.3,
        usual: 0.03,
      },
    ],
    settings: [
      {
        key: "footForwardM",

        unit: "cm",
        from: 0,
        to: 0.3,
        step: 0.025,
        usual: 0.15,
      },
      DEPTH,
    ],
    hasCam: false,
    load: PLATES,
    range: [0, 110],
    solve: (body, m, s, deg, c) =>
      solveLeg(
        body,
        hackSquat(body, deg, {
          inclineDeg: numberOf(m.values, "inclineDeg"),
          inclineBottomDeg: m.values.inclineBottomDeg,
          footForwardM: numberOf(s.settings, "footForwardM"),
          carriageKg: numberOf(m.values, "carriageKg"),
          friction: numberOf(m.values, "friction"),
          platesKg: s.load,
          share: s.share,
          phase: s.phase,
        }),
        c,
      ),
    ends: (_body, _m, s) => [{ setting: "depthDeg", end: "bent", deg: numberOf(s, "depthDeg") }],
    sideView: (body, _m, _s, _deg, leg) => {
      const p = legPoints(body, leg);
      const back = leg.posture.trunkDeg;
      const footDeg = leg.footDeg ?? 0;
      const sole = plus(p.ankle, times(unit(footDeg - 90), body.ankleHeightM));
      return {
        parts: [
          alongside("rail", times(unit(back), -0.5), times(unit(back), 0.7), back + 90, 0.16),
          alongside("back", p.hip, p.shoulder, back + 90, 0.12),
          {
            kind: "plate",
            from: plus(sole, times(unit(footDeg), -0.25)),
            to: plus(sole, times(unit(footDeg), 0.35)),
          },
        ],
        handles: [{ setting: "footForwardM", at: p.ankle, along: unit(footDeg) }],
      };
    },
  };
}

/** Back-supported squats. Source: mechanics rules 5.4. */
export const hackSled = sled(false);
export const pendulum = sled(true);

/** Highest friction of a shoe on a floor that is planned with. Source: mechanics rules 5.3. */
export const FRICTION_WARNING = 0.5;

/** Below this bend nobody sits down to a bench. */
const LEAST_BEND_DEG = 10;

/** A bar on upright rails, feet ahead of it, a bench behind if wanted. Source: mechanics rules 5.3. */
export const railSquat: FamilyModel = {
  id: "rail_squat",

  geometry: [
    {
      key: "barKg",

      unit: "kg",
      least: 0,
      most: 40,
      usual: 15,
    },
  ],
  settings: [
    {
      key: "feetForwardM",

      unit: "cm",
      from: 0,
      to: 0.45,
      step: 0.05,
      usual: 0.3,
    },
    {
      key: "benchM",

      unit: "cm",
      from: 0.25,
      to: 0.6,
      step: 0.05,
      usual: 0.45,
    },
    PRESSURE,
  ],
  hasCam: false,
  load: { unit: "kg" },
  range: [0, 110],
  solve: (body, m, s, deg, c) =>
    solveLeg(
      body,
      guidedSquat(body, deg, {
        feetForwardM: numberOf(s.settings, "feetForwardM"),
        barKg: numberOf(m.values, "barKg") + s.load,
        share: s.share,
        pressure: PRESSURES[numberOf(s.settings, "pressure")] ?? "mid",
      }),
      c,
    ),
  ends: (body, m, s): ArcEnd[] => {
    // feet far ahead of a short leg end the way down before the bench does
    const reachDeg = flexionAtReachDeg(body, 0, numberOf(s, "feetForwardM"));
    if (reachDeg === null || reachDeg <= LEAST_BEND_DEG + 1) return [];
    const deg = flexionAtHipHeightDeg(
      (t) =>
        guidedSquat(body, t, {
          feetForwardM: numberOf(s, "feetForwardM"),
          barKg: numberOf(m.values, "barKg"),
        }).hipHeightM,
      numberOf(s, "benchM") + HIP_ABOVE_SEAT_M,
      LEAST_BEND_DEG,
      Math.min(110, reachDeg - 1),
    );
    return deg === null ? [] : [{ setting: "benchM", end: "bent", deg: Math.floor(deg) }];
  },
  outOfReach: (body, m, s, notches) => {
    // a bench that is higher than the hip of the standing leg leaves no way down
    const standing = guidedSquat(body, LEAST_BEND_DEG, {
      feetForwardM: numberOf(s, "feetForwardM"),
      barKg: numberOf(m.values, "barKg"),
    }).hipHeightM;
    const fits = (benchM: number) => benchM + HIP_ABOVE_SEAT_M < standing;
    const bench = numberOf(s, "benchM");
    if (fits(bench)) return null;
    const low = notches("benchM").filter(fits).at(-1);
    return { code: "setUp.bench_too_high", atM: bench, wouldDoM: low ?? null };
  },
  sideView: (body, _m, s, _deg, leg) => {
    const p = legPoints(body, leg);
    const floorY = p.ankle.y - body.ankleHeightM;
    const benchY = floorY + numberOf(s, "benchM");
    return {
      parts: [
        { kind: "rail", from: vector(p.shoulder.x, floorY), to: vector(p.shoulder.x, p.shoulder.y + 0.15) },
        { kind: "bar", from: p.shoulder, to: p.shoulder },
        { kind: "seat", from: vector(-0.45, benchY), to: vector(-0.05, benchY) },
        floorUnder(body, p.ankle),
      ],
      handles: [
        { setting: "feetForwardM", at: p.ankle, along: vector(1, 0) },
        { setting: "benchM", at: vector(-0.45, benchY), along: vector(0, 1) },
      ],
    };
  },
};
