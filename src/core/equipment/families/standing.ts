import type { Body } from "../../body/segments";
import type { LegConfiguration } from "../../mechanics/legState";
import { freeSquat, splitSquat } from "../../mechanics/postures/squat";
import { terminalExtension } from "../../mechanics/postures/terminalExtension";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, vector } from "../../mechanics/vector";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type FamilyModel, numberOf, type SettingModel, type SetUp, type Slips } from "./family";
import { floorUnder, LIMB_HALF_M, legPoints } from "./parts";

interface FreeKind {
  id: string;

  load: FamilyModel["load"];
  range: readonly [number, number];
  settings?: readonly SettingModel[];
  configure: (body: Body, s: SetUp, deg: number) => LegConfiguration;
}

const free = (kind: FreeKind): FamilyModel => ({
  id: kind.id,

  geometry: [],
  settings: kind.settings ?? [],
  hasCam: false,
  load: kind.load,
  range: kind.range,
  solve: (body, _m, s, deg, c) => solveLeg(body, kind.configure(body, s, deg), c),
  ends: () => [],
  sideView: (body, _m, _s, _deg, leg) => ({
    parts: [floorUnder(body, legPoints(body, leg).ankle)],
    handles: [],
  }),
});

/** On two legs, hands for balance only. Source: mechanics rules 5.3. */
export const squatOnFloor = free({
  id: "squat_on_floor",

  load: { unit: "kg" },
  range: [0, 110],
  configure: (body, s, deg) => freeSquat(body, deg, { barKg: s.load, share: s.share }),
});

/** Usual lean of the trunk in a lunge, and the braking share of a step. */
const FORWARD_LEAN_DEG = 12;
const STEP_BRAKING = 0.12;

/** Front leg of a split stance. Source: mechanics rules 5.11. */
export const splitStance = free({
  id: "split_stance",

  load: { unit: "kg" },
  range: [0, 105],
  settings: [
    {
      key: "shankLeanDeg",

      unit: "°",
      from: 0,
      to: 30,
      step: 5,
      usual: 15,
    },
    {
      key: "trunk",

      unit: "",
      from: 0,
      to: 1,
      step: 1,
      usual: 1,
    },
    {
      key: "stepping",

      unit: "",
      from: 0,
      to: 1,
      step: 1,
      usual: 0,
    },
  ],
  // the shin leans as the knee bends, and only what steps is braked (corrections K3)
  configure: (body, s, deg) =>
    splitSquat(body, deg, {
      loadKg: s.load,
      shankLeanDeg: Math.min(numberOf(s.settings, "shankLeanDeg"), deg / 3),
      leanDeg: numberOf(s.settings, "trunk") === 1 ? FORWARD_LEAN_DEG : 0,
      braking: numberOf(s.settings, "stepping") === 1 ? STEP_BRAKING * Math.min(1, deg / 45) : 0,
    }),
});

/** Upper leg on a step: it takes nine tenths of the weight. Source: mechanics rules 5.10. */
export const stepUpright = free({
  id: "step",

  load: { unit: "kg" },
  range: [0, 100],
  configure: (body, s, deg) => freeSquat(body, deg, { share: 0.9, barKg: s.load }),
});

const TKE_SETTINGS: readonly SettingModel[] = [
  {
    key: "padAboveM",

    unit: "cm",
    from: -0.12,
    to: 0.12,
    step: 0.04,
    usual: 0.08,
  },
  {
    key: "leanDeg",

    unit: "°",
    from: -20,
    to: 20,
    step: 5,
    usual: 0,
  },
  {
    key: "onLegPct",

    unit: "",
    from: 50,
    to: 100,
    step: 10,
    usual: 50,
  },
];

/** Shoes slide from this share of the weight on, and the pressure stays under the foot (mechanics rules 5.3). */
const MOST_FRICTION = 0.5;
/** Toes ahead of and heel behind the ankle, as shares of the foot. */
const TOES = 0.75;
const HEEL_BEHIND = 0.25;

const pulled = (settings: SetUp["settings"], pullKg: number) => ({
  pullN: pullKg * GRAVITY_M_S2,
  padAboveKneeM: numberOf(settings, "padAboveM"),
  leanDeg: numberOf(settings, "leanDeg"),
  share: numberOf(settings, "onLegPct") / 100,
});

/**
 * Pulls that a person can stand against, kg: up to where the pressure reaches the toes or the shoes slide, and from where
 * somebody who leans back no longer falls (corrections K5). The pressure moves evenly with the pull, so two looks at each
 * angle find both ends.
 */
function standsAgainst(body: Body, settings: SetUp["settings"]) {
  const toeM = TOES * body.footLengthM;
  const heelM = -HEEL_BEHIND * body.footLengthM;
  const found = {
    leastKg: 0,
    mostKg: MOST_FRICTION * body.massKg,
    because: "shoes_slide" as Slips,
  };
  for (let deg = 0; deg <= 60; deg += 10) {
    const ahead = (kg: number) => terminalExtension(body, deg, pulled(settings, kg)).pressureAheadM;
    const bare = ahead(0);
    const perKg = ahead(1) - bare;
    if (perKg <= 1e-9) continue;
    const most = (toeM - bare) / perKg;
    if (most < found.mostKg) Object.assign(found, { mostKg: Math.max(0, most), because: "toes" });
    found.leastKg = Math.max(found.leastKg, (heelM - bare) / perKg);
  }
  return found;
}

/** Standing straightening against a band or cable from the front. Source: mechanics rules 5.6. */
export const standingExtension: FamilyModel = {
  id: "standing_extension",

  geometry: [],
  settings: TKE_SETTINGS,
  hasCam: false,
  load: { unit: "kg" },
  standsAgainst,
  isPull: true,
  range: [0, 60],
  solve: (body, _m, s, deg, c) =>
    // whether it balances hangs on the pull: standsAgainst says which pulls do
    solveLeg(body, { ...terminalExtension(body, deg, pulled(s.settings, s.load)), isBalanced: true }, c),
  ends: () => [],
  sideView: (body, _m, s, _deg, leg) => {
    const p = legPoints(body, leg);
    const above = numberOf(s, "padAboveM");
    const along = above >= 0 ? unit(leg.posture.thighDeg) : unit(leg.posture.shankDeg);
    const pad = plus(plus(p.knee, times(along, -above)), vector(-LIMB_HALF_M, 0));
    return {
      parts: [
        { kind: "lever", from: pad, to: vector(pad.x + 0.75, pad.y) },
        { kind: "pad", from: pad, to: pad },
        floorUnder(body, p.ankle),
      ],
      handles: [{ setting: "padAboveM", at: pad, along: vector(0, 1) }],
    };
  },
};
