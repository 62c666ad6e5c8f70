import { asKept, fromKept, saidWith } from "../../units/said";
import type { DraftLine } from "../draftLine";
import { type Change, swap } from "../edit";

/** What stands in where the machine is not there or cannot be set light enough; the first that fits. */
const STAND_INS: Readonly<Record<string, readonly (readonly [string, string])[]>> = {
  kext_single: [
    ["kext_iso_machine", "drafts.held_arc"],
    ["kext_iso_band", "drafts.strap_real_load"],
    ["tke_standing", "drafts.straight_on_feet"],
    ["kext_ankle_weight", "drafts.light_cuff"],
  ],
  kext_restricted: [
    ["kext_iso_machine", "drafts.held_arc"],
    ["kext_iso_band", "drafts.strap_not_cuff"],
    ["wall_sit", "drafts.held_on_feet"],
  ],
  kext_light_high_rep: [
    ["kext_ankle_weight", "drafts.light_no_machine"],
    ["quad_set", "drafts.wakes_thigh"],
  ],
  kext_iso_machine: [
    ["kext_iso_band", "drafts.same_hold_strap"],
    ["kext_iso_manual", "drafts.same_hold_hand"],
    ["wall_sit", "drafts.held_on_feet"],
    ["quad_set", "drafts.lightest_hold"],
  ],
  kext_iso_band: [["quad_set", "drafts.lightest_hold"]],
  kext_ankle_weight: [
    ["kext_iso_band", "drafts.held_strap"],
    ["quad_set", "drafts.lightest"],
  ],
  kext_full: [["kext_restricted", "drafts.bent_half"]],
  lp_mid_hip: [
    ["lp_high_wide", "drafts.feet_higher"],
    ["lp_horizontal", "drafts.reclined"],
    ["sit_to_stand", "drafts.seat_is_load"],
    ["chair_rise_hands", "drafts.hands_take"],
    ["half_squat", "drafts.upright_shallow"],
    ["wall_slide", "drafts.wall_helps"],
  ],
  lp_high_wide: [
    ["lp_mid_hip", "drafts.feet_lower"],
    ["wall_slide", "drafts.wall_mark"],
    ["half_squat", "drafts.upright_shallow"],
  ],
  lp_horizontal: [
    ["lp_mid_hip", "drafts.press_there"],
    ["half_squat", "drafts.upright_trunk"],
  ],
  lp_sled45: [
    ["lp_horizontal", "drafts.reclined"],
    ["lp_mid_hip", "drafts.press_there"],
  ],
  lp_single: [
    ["split_squat", "drafts.rail_and_stop"],
    ["step_up", "drafts.step_not_press"],
    ["lp_mid_hip", "drafts.both_legs"],
    ["sit_to_stand", "drafts.both_legs"],
  ],
  sq_hack: [
    ["lp_mid_hip", "drafts.nothing_on_shoulders"],
    ["split_squat", "drafts.no_machine"],
  ],
  curl_seated: [
    ["curl_lying", "drafts.curl_there"],
    ["bridge_elbow_heels", "drafts.heels_far"],
    ["heel_dig_iso", "drafts.held_short"],
    ["bridge_two", "drafts.hips_and_back_of_thigh"],
  ],
  curl_lying: [
    ["curl_seated", "drafts.curl_there"],
    ["curl_standing", "drafts.standing"],
    ["heel_dig_iso", "drafts.held_short"],
  ],
  hip_abd: [
    ["side_step_band", "drafts.on_feet"],
    ["slr_side", "drafts.on_side"],
    ["hip_abd_iso_belt", "drafts.in_belt"],
  ],
  hip_abd_iso_belt: [["hip_abd", "drafts.machine_light"]],
  multi_hip: [["hip_abd_standing", "drafts.at_counter"]],
  kickback_machine: [["bridge_two", "drafts.hip_no_machine"]],
  rev_bent_single: [["bridge_two", "drafts.hip_no_bench"]],
  rev_two: [["bridge_two", "drafts.hip_no_bench"]],
  hinge_two: [["hinge_stick", "drafts.way_without_load"]],
  lift_floor_box: [
    ["lift_raised", "drafts.from_higher"],
    ["hinge_stick", "drafts.way_first"],
  ],
  lift_raised: [["hinge_stick", "drafts.way_first"]],
  step_up: [["step_up_low", "drafts.lower_step"]],
  step_down: [["step_down_low", "drafts.lower_step"]],
  split_squat: [
    ["step_up", "drafts.easier_to_learn"],
    ["lunge_no_load", "drafts.no_load"],
  ],
  sit_to_stand: [["chair_rise_hands", "drafts.hands_take"]],
  calf_press: [
    ["calf_standing", "drafts.on_floor"],
    ["calf_seated", "drafts.seated"],
  ],
  calf_standing: [["calf_seated", "drafts.seated"]],
};

/** What may take the place of an exercise, best first. */
export const standInsOf = (id: string): readonly (readonly [string, string])[] => STAND_INS[id] ?? [];

/** Why a line is there, and why this exercise in it. */
export const standsIn = (why: string, instead: string): string =>
  asKept(saidWith("drafts.stand_in", { why: fromKept(why), instead: fromKept(instead) }));

/** Lines whose exercise does not fit or is not there get the first stand-in that does; the others stay as they are. */
export const withStandIns = (lines: DraftLine[], c: Change): DraftLine[] =>
  lines.reduce((made, l) => {
    if (c.fits(l.exerciseId)) return made;
    const stand = standInsOf(l.exerciseId).find(
      ([to]) => c.fits(to) && !made.some((x) => x.exerciseId === to),
    );
    return stand ? swap(made, c, l.exerciseId, stand[0], standsIn(l.why, stand[1])) : made;
  }, lines);
