import type { Body } from "../../body/segments";
import type { LegConfiguration } from "../../mechanics/legState";
import { solveLeg } from "../../mechanics/solvedLeg";
import { freeSquat, splitSquat } from "../../mechanics/squat";
import { terminalExtension } from "../../mechanics/terminalExtension";
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
  ],
  configure: (body, s, deg) =>
    splitSquat(body, deg, { loadKg: s.load, shankLeanDeg: numberOf(s.settings, "shankLeanDeg") }),
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
    key: "leaning",
    name: "trunk",
    unit: "",
    from: 0,
    to: 1,
    step: 1,
    usual: 0,
    words: ["over the foot", "leaning back"],
    meaning: "leaning back on the band turns the pull on the shin forward: it is not safe by itself",
  },
];

/** Standing straightening against a band or cable from the front. Source: mechanics rules 5.6. */
export const standingExtension: MachineFamily = {
  id: "standing_extension",
  name: "Standing straightening, band or cable",
  about: "A band or cable pulls the knee forward from in front; the leg straightens against it.",
  geometry: [],
  settings: TKE_SETTINGS,
  hasCam: false,
  load: { name: "cable", unit: "kg" },
  // a pull of more than a quarter of the body's weight slides the shoe or takes the balance [own]
  mostLoadKg: (body) => 0.25 * body.massKg,
  range: [0, 60],
  solve: (body, _m, s, deg, c) =>
    solveLeg(
      body,
      terminalExtension(body, deg, {
        pullN: s.load * GRAVITY_M_S2,
        padAboveKneeM: numberOf(s.settings, "padAboveM"),
        leanDeg: numberOf(s.settings, "leaning") === 1 ? null : 0,
        share: s.share,
      }),
      c,
    ),
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
