import type { Basis } from "../setUp/row";

/** One side of a ready question: an exercise, set like this. */
export interface AskedSetUp {
  exerciseId: string;
  name: string;
  settings?: Readonly<Record<string, number>>;
  load?: number;
}

/** A question that is asked again and again, answered by two set-ups side by side. */
export interface ReadyQuestion {
  id: string;
  ask: string;
  deg: number;
  basis: Basis["kind"];
  sides: readonly [AskedSetUp, AskedSetUp];
}

export const READY_QUESTIONS: readonly ReadyQuestion[] = [
  {
    id: "press-heavier",
    ask: "Why can one push so much more on the press?",
    deg: 45,
    basis: "moment",
    sides: [
      { exerciseId: "lp_horizontal", name: "the press" },
      { exerciseId: "kext_full", name: "the extension" },
    ],
  },
  {
    id: "feet-high",
    ask: "Why do feet placed high work the hip?",
    deg: 80,
    basis: "load",
    sides: [
      { exerciseId: "lp_horizontal", name: "feet high", settings: { footM: 0.25 } },
      { exerciseId: "lp_horizontal", name: "feet low", settings: { footM: 0.0 } },
    ],
  },
  {
    id: "feet-near-rail",
    ask: "Why do feet too near the rail stress the knee?",
    deg: 80,
    basis: "load",
    sides: [
      { exerciseId: "sq_rail_feet_fwd", name: "feet near", settings: { feetForwardM: 0.05 } },
      { exerciseId: "sq_rail_feet_fwd", name: "feet ahead", settings: { feetForwardM: 0.35 } },
    ],
  },
  {
    id: "sled-rounds",
    ask: "Why can a 45° sled round the back?",
    deg: 85,
    basis: "effort",
    sides: [
      { exerciseId: "lp_sled45", name: "the sled" },
      { exerciseId: "lp_horizontal", name: "the level press" },
    ],
  },
  {
    id: "standing-extension",
    ask: "When does a standing straightening spare the front ligament?",
    deg: 15,
    basis: "load",
    sides: [
      { exerciseId: "tke_standing", name: "trunk over the foot", settings: { leanDeg: 0, padAboveM: 0.08 } },
      { exerciseId: "tke_standing", name: "leaning back", settings: { leanDeg: -15, padAboveM: 0.08 } },
    ],
  },
];
