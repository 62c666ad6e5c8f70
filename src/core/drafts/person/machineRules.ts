import type { DraftLine } from "../draftLine";
import { type Change, swap } from "../edit";

/** What stands in where the machine is not there or cannot be set light enough; the first that fits. */
const STAND_INS: Readonly<Record<string, readonly (readonly [string, string])[]>> = {
  kext_single: [
    ["kext_iso_machine", "held: the moving arc does not fit today"],
    ["kext_iso_band", "a strap hold keeps real load at the chosen angle"],
    ["tke_standing", "straightening on the feet"],
    ["kext_ankle_weight", "a light cuff"],
  ],
  kext_restricted: [
    ["kext_iso_machine", "held: the moving arc does not fit today"],
    ["kext_iso_band", "a strap hold: an ankle weight gives next to nothing at 90 to 45°"],
    ["wall_sit", "held on the feet"],
  ],
  kext_light_high_rep: [
    ["kext_ankle_weight", "light and many needs no machine"],
    ["quad_set", "wakes the thigh without a machine"],
  ],
  kext_iso_machine: [
    ["kext_iso_band", "the same hold with a strap"],
    ["kext_iso_manual", "the same hold against the therapist's hand"],
    ["wall_sit", "held on the feet"],
    ["quad_set", "the lightest hold there is"],
  ],
  kext_iso_band: [["quad_set", "the lightest hold there is"]],
  kext_ankle_weight: [
    ["kext_iso_band", "held with a strap"],
    ["quad_set", "the lightest there is"],
  ],
  kext_full: [["kext_restricted", "the bent half of the arc"]],
  lp_mid_hip: [
    ["lp_high_wide", "feet higher"],
    ["lp_horizontal", "reclined"],
    ["sit_to_stand", "the height of the seat is the load"],
    ["chair_rise_hands", "hands take what is too much"],
    ["half_squat", "upright and shallow"],
    ["wall_slide", "with the wall's help"],
  ],
  lp_high_wide: [
    ["lp_mid_hip", "feet lower"],
    ["wall_slide", "upright shin, a mark on the wall"],
    ["half_squat", "upright and shallow"],
  ],
  lp_horizontal: [
    ["lp_mid_hip", "the press that is there"],
    ["half_squat", "upright trunk"],
  ],
  lp_sled45: [
    ["lp_horizontal", "reclined"],
    ["lp_mid_hip", "the press that is there"],
  ],
  lp_single: [
    ["split_squat", "rail and a depth stop"],
    ["step_up", "a step instead of the press"],
    ["lp_mid_hip", "both legs"],
    ["sit_to_stand", "both legs"],
  ],
  sq_hack: [
    ["lp_mid_hip", "same legs, nothing on the shoulders"],
    ["split_squat", "no machine"],
  ],
  curl_seated: [
    ["curl_lying", "the curl that is there"],
    ["bridge_elbow_heels", "held, heels far out"],
    ["heel_dig_iso", "held and short"],
    ["bridge_two", "hips and back of the thigh"],
  ],
  curl_lying: [
    ["curl_seated", "the curl that is there"],
    ["curl_standing", "standing"],
    ["heel_dig_iso", "held and short"],
  ],
  hip_abd: [
    ["side_step_band", "on the feet"],
    ["slr_side", "lying on the side"],
    ["hip_abd_iso_belt", "held in a belt"],
  ],
  hip_abd_iso_belt: [["hip_abd", "the machine, light"]],
  multi_hip: [["hip_abd_standing", "at a counter"]],
  kickback_machine: [["bridge_two", "hip extension without a machine"]],
  rev_bent_single: [["bridge_two", "hip extension without a bench"]],
  rev_two: [["bridge_two", "hip extension without a bench"]],
  hinge_two: [["hinge_stick", "the same way, without load"]],
  lift_floor_box: [
    ["lift_raised", "from higher up"],
    ["hinge_stick", "the way first"],
  ],
  lift_raised: [["hinge_stick", "the way first"]],
  step_up: [["step_up_low", "a lower step"]],
  step_down: [["step_down_low", "a lower step"]],
  split_squat: [
    ["step_up", "easier to learn"],
    ["lunge_no_load", "no load"],
  ],
  sit_to_stand: [["chair_rise_hands", "hands take what is too much"]],
  calf_press: [
    ["calf_standing", "on the floor"],
    ["calf_seated", "seated"],
  ],
  calf_standing: [["calf_seated", "seated"]],
};

/** What may take the place of an exercise, best first. */
export const standInsOf = (id: string): readonly (readonly [string, string])[] => STAND_INS[id] ?? [];

/** Lines whose exercise does not fit or is not there get the first stand-in that does; the others stay as they are. */
export const withStandIns = (lines: DraftLine[], c: Change): DraftLine[] =>
  lines.reduce((made, l) => {
    if (c.fits(l.exerciseId)) return made;
    const stand = standInsOf(l.exerciseId).find(
      ([to]) => c.fits(to) && !made.some((x) => x.exerciseId === to),
    );
    return stand ? swap(made, c, l.exerciseId, stand[0], `${l.why} (${stand[1]})`) : made;
  }, lines);
