import type { Pressure } from "../../mechanics/footPressure";
import { flexionAtSeatStopDeg, legPress } from "../../mechanics/postures/legPress";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit } from "../../mechanics/vector";
import { type FamilyModel, type MachineGeometry, numberOf, type SettingModel, type SetUp } from "./family";
import { alongside, legPoints } from "./parts";
import { STACK } from "./seatedExtension";

export const PRESSURES: readonly Pressure[] = ["heel", "mid", "ball"];

export const PRESSURE: SettingModel = {
  key: "pressure",

  unit: "",
  from: 0,
  to: 2,
  step: 1,
  usual: 1,
};

export const FEET: SettingModel = {
  key: "footM",

  unit: "cm",
  from: -0.05,
  to: 0.3,
  step: 0.025,
  usual: 0.1,
};

export const BACK: SettingModel = {
  key: "backToRailDeg",

  unit: "°",
  from: 90,
  to: 160,
  step: 5,
  usual: 115,
};

export const SEAT: SettingModel = {
  key: "seatGapM",

  unit: "cm",
  from: 0.5,
  to: 0.85,
  step: 0.025,
  usual: 0.575,
};

const TILT = {
  key: "plateTiltDeg",

  unit: "°",
  least: -30,
  most: 30,
  usual: 0,
} as const;
const FRICTION = {
  key: "friction",

  unit: "",
  least: 0,
  most: 0.3,
  usual: 0,
} as const;

interface PressKind {
  id: string;

  moves: "plate" | "carriage";
  railDeg: number;
  railRange: readonly [number, number];
  tiltDeg: number;
  backToRailDeg: number;
  /** stack through a ratio, or plates on something that weighs itself */
  loads: "stack" | "plates";
}

function press(kind: PressKind): FamilyModel {
  const geometry: FamilyModel["geometry"] = [
    {
      key: "railDeg",

      unit: "°",
      least: kind.railRange[0],
      most: kind.railRange[1],
      usual: kind.railDeg,
    },
    { ...TILT, usual: kind.tiltDeg },
    { ...FRICTION, usual: kind.loads === "stack" ? 0 : 0.03 },
    kind.loads === "stack"
      ? {
          key: "ratio",

          unit: "",
          least: 0.2,
          most: 3,
          usual: 1,
        }
      : {
          key: "sledKg",

          unit: "kg",
          least: 0,
          most: 150,
          usual: 45,
        },
    ...(kind.moves === "carriage"
      ? [
          {
            key: "sledKg",

            unit: "kg" as const,
            least: 0,
            most: 150,
            usual: 30,
          },
        ]
      : []),
  ];
  const loadOf = (m: MachineGeometry, s: SetUp) => ({
    moves: kind.moves,
    friction: numberOf(m.values, "friction"),
    phase: s.phase,
    sledKg: m.values.sledKg ?? 0,
    ...(kind.loads === "stack"
      ? { stackKg: s.load, ratio: numberOf(m.values, "ratio") }
      : { platesKg: s.load }),
  });
  return {
    id: kind.id,

    geometry,
    settings: [FEET, { ...BACK, usual: kind.backToRailDeg }, SEAT, PRESSURE],
    hasCam: false,
    hasRatio: kind.loads === "stack",
    load: kind.loads === "stack" ? STACK : { unit: "kg" },
    range: [0, 110],
    solve: (body, m, s, deg, c) =>
      solveLeg(
        body,
        legPress(body, deg, {
          railDeg: numberOf(m.values, "railDeg"),
          backDeg: numberOf(m.values, "railDeg") + numberOf(s.settings, "backToRailDeg"),
          footOffsetM: numberOf(s.settings, "footM"),
          plateTiltDeg: numberOf(m.values, "plateTiltDeg"),
          pressure: PRESSURES[numberOf(s.settings, "pressure")] ?? "mid",
          load: loadOf(m, s),
          share: s.share,
        }),
        c,
      ),
    ends: (body, m, s) => {
      const deg = flexionAtSeatStopDeg(
        body,
        numberOf(s, "seatGapM"),
        numberOf(s, "footM"),
        numberOf(m.values, "plateTiltDeg"),
      );
      return deg === null ? [] : [{ setting: "seatGapM", end: "bent", deg: Math.floor(deg) }];
    },
    outOfReach: (body, m, s, notches) => {
      const reaches = (seatGapM: number) =>
        flexionAtSeatStopDeg(body, seatGapM, numberOf(s, "footM"), numberOf(m.values, "plateTiltDeg")) !==
        null;
      const gap = numberOf(s, "seatGapM");
      if (reaches(gap)) return null;
      const near = notches("seatGapM").filter(reaches).at(-1);
      return { code: "setUp.seat_too_far", atM: gap, wouldDoM: near ?? null };
    },
    sideView: (body, m, _s, _deg, leg) => {
      const p = legPoints(body, leg);
      const rail = numberOf(m.values, "railDeg");
      const across = unit(rail + 90);
      const back = leg.posture.trunkDeg;
      const backPad = alongside("back", p.hip, p.shoulder, back + 90, 0.12);
      const footDeg = leg.footDeg ?? 90;
      const sole = plus(p.ankle, times(unit(footDeg - 90), body.ankleHeightM));
      return {
        parts: [
          alongside("rail", times(unit(rail), -0.15), times(unit(rail), 1.05), rail - 90, 0.14),
          alongside("seat", times(unit(rail), -0.1), times(unit(rail), 0.22), rail - 90, 0.1),
          backPad,
          {
            kind: "plate",
            from: plus(sole, times(unit(footDeg), -0.25)),
            to: plus(sole, times(unit(footDeg), 0.3)),
          },
        ],
        handles: [
          { setting: "footM", at: p.ankle, along: across },
          {
            setting: "backToRailDeg",
            at: backPad.to,
            along: times(unit(back + 90), (0.288 * body.heightM * Math.PI) / 180),
          },
          { setting: "seatGapM", at: times(unit(rail), -0.1), along: times(unit(rail), -1) },
        ],
      };
    },
  };
}

/** Leg presses. Source: mechanics rules 5.2. */
export const seatedPress = press({
  id: "seated_press",

  moves: "plate",
  railDeg: 0,
  railRange: [-20, 30],
  tiltDeg: -10,
  backToRailDeg: 115,
  loads: "stack",
});
export const sledPress = press({
  id: "sled_press",

  moves: "plate",
  railDeg: 45,
  railRange: [20, 60],
  tiltDeg: 0,
  backToRailDeg: 100,
  loads: "plates",
});
export const carriagePress = press({
  id: "carriage_press",

  moves: "carriage",
  railDeg: -10,
  railRange: [-60, 0],
  tiltDeg: 0,
  backToRailDeg: 130,
  loads: "stack",
});
