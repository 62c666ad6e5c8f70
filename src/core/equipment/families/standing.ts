import type { Body } from "../../body/segments";
import type { LegConfiguration } from "../../mechanics/legState";
import { freeSquat, splitSquat } from "../../mechanics/postures/squat";
import { terminalExtension } from "../../mechanics/postures/terminalExtension";
import { solveLeg } from "../../mechanics/solvedLeg";
import { plus, times, unit, vector } from "../../mechanics/vector";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type MachineFamily, numberOf, type SettingSpec, type SetUp } from "./family";
import { floorUnder, LIMB_HALF_M, legPoints } from "./parts";

interface FreeKind {
  id: string;
  name: string;
  about: string;
  load: MachineFamily["load"];
  range: readonly [number, number];
  settings?: readonly SettingSpec[];
  configure: (body: Body, s: SetUp, deg: number) => LegConfiguration;
}

const free = (kind: FreeKind): MachineFamily => ({
  id: kind.id,
  name: kind.name,
  about: kind.about,
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
  name: "Squat on the floor",
  about: "Both feet flat; what is carried lies on the shoulders.",
  load: { name: "carried", unit: "kg" },
  range: [0, 110],
  configure: (body, s, deg) => freeSquat(body, deg, { barKg: s.load, share: s.share }),
});

/** Usual lean of the trunk in a lunge, and the braking share of a step. */
const FORWARD_LEAN_DEG = 12;
const STEP_BRAKING = 0.12;

/** Front leg of a split stance. Source: mechanics rules 5.11. */
export const splitStance = free({
  id: "split_stance",
  name: "Split stance",
  about: "The front leg takes about three quarters of the weight.",
  load: { name: "in the hands", unit: "kg" },
  range: [0, 105],
  settings: [
    {
      key: "shankLeanDeg",
      name: "shin leaning forward",
      unit: "°",
      from: 0,
      to: 30,
      step: 5,
      usual: 15,
      meaning: "a shin that leans further asks more of the knee; upright asks more of the hip",
    },
    {
      key: "trunk",
      name: "trunk",
      unit: "",
      from: 0,
      to: 1,
      step: 1,
      usual: 1,
      words: ["upright", "a little forward"],
      meaning:
        "a trunk that leans a little forward, as most people do, asks more of the hip and less of the knee",
    },
    {
      key: "stepping",
      name: "the front foot",
      unit: "",
      from: 0,
      to: 1,
      step: 1,
      usual: 0,
      words: ["stays", "steps out"],
      meaning: "a step is braked by the front foot, which pulls the shin back a little less",
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
  name: "Step",
  about: "The upper leg takes about nine tenths of the weight.",
  load: { name: "in the hands", unit: "kg" },
  range: [0, 100],
  configure: (body, s, deg) => freeSquat(body, deg, { share: 0.9, barKg: s.load }),
});

const TKE_SETTINGS: readonly SettingSpec[] = [
  {
    key: "padAboveM",
    name: "band above the knee",
    unit: "cm",
    from: -0.12,
    to: 0.12,
    step: 0.04,
    usual: 0.08,
    meaning:
      "above the knee pulls the thigh, below it the shin: behind the lower thigh for the front ligament, behind the upper shin for the rear one",
  },
  {
    key: "leanDeg",
    name: "trunk leans",
    unit: "°",
    from: -20,
    to: 20,
    step: 5,
    usual: 0,
    meaning:
      "below 0 leans back: that raises the knee's work and turns the pull on the shin forward; upright the pull itself lowers the knee's work",
  },
  {
    key: "onLegPct",
    name: "weight on this leg",
    unit: "",
    from: 50,
    to: 100,
    step: 10,
    usual: 50,
    meaning: "percent of the body's weight; with both feet on the floor it is half",
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
    because: "the shoes would slide",
    tooLittle: "leaning back like this there is no balance",
  };
  for (let deg = 0; deg <= 60; deg += 10) {
    const ahead = (kg: number) => terminalExtension(body, deg, pulled(settings, kg)).pressureAheadM;
    const bare = ahead(0);
    const perKg = ahead(1) - bare;
    if (perKg <= 1e-9) continue;
    const most = (toeM - bare) / perKg;
    if (most < found.mostKg)
      Object.assign(found, { mostKg: Math.max(0, most), because: "the pressure would reach the toes" });
    found.leastKg = Math.max(found.leastKg, (heelM - bare) / perKg);
  }
  return found;
}

/** Standing straightening against a band or cable from the front. Source: mechanics rules 5.6. */
export const standingExtension: MachineFamily = {
  id: "standing_extension",
  name: "Standing straightening, band or cable",
  about: "A band or cable pulls the knee forward from in front; the leg straightens against it.",
  geometry: [],
  settings: TKE_SETTINGS,
  hasCam: false,
  load: { name: "cable", unit: "kg" },
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
