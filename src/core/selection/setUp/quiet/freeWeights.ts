import type { Lift } from "../../../capacity/station";
import { USUAL_BANDS } from "../../../equipment/bands";
import { type Exercise, likeOf } from "../../../rules/exercises";
import { GRAVITY_M_S2, massLabel } from "../../../units/mass";
import { BODY_WEIGHT, type RealLoad } from "../machineFor";

/** How an exercise without a machine or a model is made heavier: a weight that is held, a cuff at the ankle, a band. */
type Kind = "held" | "cuff" | "band";

/**
 * What is moved with nothing added, as a share of the body's mass, and what a kilogram counts against it: both in the same
 * kilograms, so that a step is as large as it is on the whole. After segment masses and levers of mechanics rules 1 [own].
 */
interface Moved {
  kind: Kind;
  bareShare: number;
  perKg: number;
}

const HEELS: Moved = { kind: "held", bareShare: 1, perKg: 1 };
/** Thighs and all above them; the feet and shins stay. */
const SQUATS: Moved = { kind: "held", bareShare: 0.85, perKg: 1 };
/** Head, arms and trunk about the hips; what hangs from the hands is further out. */
const HINGES: Moved = { kind: "held", bareShare: 0.6, perKg: 1.2 };
/** The whole leg from the hip: its middle lies at not half of the way to the ankle. */
const LEG: Moved = { kind: "cuff", bareShare: 0.16, perKg: 2 };
/** Shin and foot from the knee. */
const SHIN: Moved = { kind: "cuff", bareShare: 0.06, perKg: 1.6 };
/** Out to the side against a band above the knees: the leg itself is hardly lifted. */
const ASIDE: Moved = { kind: "band", bareShare: 0.03, perKg: 1 };
const PELVIS: Moved = { kind: "held", bareShare: 0.5, perKg: 1 };

const MOVED: Readonly<Record<string, Moved>> = {
  ...{ calf_standing: HEELS, heel_raise_single: HEELS, heel_raise_step: HEELS },
  ...{ sit_to_stand: SQUATS, chair_rise_staggered: SQUATS, single_squat_box: SQUATS, wall_slide: SQUATS },
  ...{ curtsy_lunge: SQUATS, lunge_diagonal: SQUATS, sq_knees_forward: SQUATS },
  ...{
    hinge_two: HINGES,
    hinge_stiff: HINGES,
    hinge_single: HINGES,
    lift_raised: HINGES,
    lift_floor_box: HINGES,
  },
  ...{ slr_supine: LEG, slr_prone: LEG, slr_side: LEG, slr_add: LEG, hip_abd_standing: LEG },
  ...{ rev_straight_single: LEG, rev_bent_single: LEG },
  ...{ march_standing: LEG, kext_kick_crunch: LEG },
  ...{ decline_squat_single: SQUATS, side_step_band: ASIDE, curl_slider: PELVIS },
  curl_standing: SHIN,
  bridge_two: PELVIS,
};

/** Pull of a usual band stretched by so much, as it stands above the knees [own]. */
const BAND_STRETCH_M = 0.15;
const BANDS: readonly RealLoad[] = [
  { load: 0, how: BODY_WEIGHT },
  ...USUAL_BANDS.map((b) => {
    const load = Math.round((10 * b.stiffnessNPerM * BAND_STRETCH_M) / GRAVITY_M_S2) / 10;
    return { load, how: `${b.name}, ${massLabel(load)}` };
  }),
];
const plain = (kg: number): RealLoad => ({ load: kg, how: kg === 0 ? BODY_WEIGHT : massLabel(kg) });

/** Weights that are held and cuffs as they usually come; what is not there is passed over by hand [own]. */
const STEPS_KG: Readonly<Record<Exclude<Kind, "band">, readonly number[]>> = {
  held: [0, 2, 4, 6, 8, 10, 12, 16, 20, 24, 28, 32],
  cuff: [0, 0.5, 1, 1.5, 2, 2.5, 3, 4, 5],
};
/** A first added weight, as a share of the body's mass: held, at the ankle, as the pull of a band [own]. */
const START_SHARE: Readonly<Record<Kind, number>> = { held: 0.1, cuff: 0.015, band: 0.04 };

/** An exercise that free weights make heavier. */
export interface FreeWeight {
  /** in place of a machine's name: such weights are everywhere */
  id: string;
  kind: Kind;
  lift: Lift;
  /** lightest first; nothing added is the first */
  loads: readonly RealLoad[];
  startKg: number;
}

/** Null where nothing is added: a band, hands, a push against the floor. */
export function freeWeightOf(e: Pick<Exercise, "id" | "like_id">, massKg: number): FreeWeight | null {
  const like = likeOf(e);
  const moved = MOVED[like];
  if (!moved) return null;
  const { kind, bareShare, perKg } = moved;
  return {
    id: `free ${like}`,
    kind,
    lift: {
      angles: [{ bareNm: bareShare * massKg, perKgNm: perKg, shape: 1 }],
      ...{ eta: 1, isOwn: true, repetitionsFactor: 1 },
    },
    loads: kind === "band" ? BANDS : STEPS_KG[kind].map(plain),
    startKg: START_SHARE[kind] * massKg,
  };
}
