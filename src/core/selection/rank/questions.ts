import type { Basis } from "../setUp/row";

/** Questions that are asked again and again. */
export type QuestionId =
  | "press-heavier"
  | "feet-high"
  | "feet-near-rail"
  | "sled-rounds"
  | "standing-extension";

/** One side of a ready question: an exercise, set like this. */
export interface AskedSetUp {
  exerciseId: string;
  settings?: Readonly<Record<string, number>>;
  load?: number;
}

/** A question that is asked again and again, answered by two set-ups side by side. */
export interface ReadyQuestion {
  id: QuestionId;
  deg: number;
  basis: Basis["kind"];
  sides: readonly [AskedSetUp, AskedSetUp];
}

export const READY_QUESTIONS: readonly ReadyQuestion[] = [
  {
    id: "press-heavier",
    deg: 45,
    basis: "moment",
    sides: [{ exerciseId: "lp_horizontal" }, { exerciseId: "kext_full" }],
  },
  {
    id: "feet-high",
    deg: 80,
    basis: "load",
    sides: [
      { exerciseId: "lp_horizontal", settings: { footM: 0.25 } },
      { exerciseId: "lp_horizontal", settings: { footM: 0.0 } },
    ],
  },
  {
    id: "feet-near-rail",
    deg: 80,
    basis: "load",
    sides: [
      { exerciseId: "sq_rail_feet_fwd", settings: { feetForwardM: 0.05 } },
      { exerciseId: "sq_rail_feet_fwd", settings: { feetForwardM: 0.35 } },
    ],
  },
  {
    id: "sled-rounds",
    deg: 85,
    basis: "effort",
    sides: [{ exerciseId: "lp_sled45" }, { exerciseId: "lp_horizontal" }],
  },
  {
    id: "standing-extension",
    deg: 15,
    basis: "load",
    sides: [
      { exerciseId: "tke_standing", settings: { leanDeg: 0, padAboveM: 0.08 } },
      { exerciseId: "tke_standing", settings: { leanDeg: -15, padAboveM: 0.08 } },
    ],
  },
];
