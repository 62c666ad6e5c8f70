import { isStricter, mostOf } from "../../bounds/inForce";
import type { PainSite } from "../draftFacts";
import { bentAtMost, type DraftLine, has, withReserve, withSets } from "../draftLine";
import { addLine, type Change, drop, isClass, onEach, swap } from "../edit";

type Rule = (lines: DraftLine[], change: Change) => DraftLine[];

/** Half a right angle is where the inner side is still quiet, and light bending work too [~]. */
const SHALLOW_DEG = 60;

/** A hip that may bend so far is not bounded: phases write 110 to 120° where they mean nothing [own]. */
const FREE_HIP_DEG = 110;

/** Back, a bounded hip and the inner side of the knee win over the height of the feet: they stay in the middle, hip wide. */
export const feetStayMid = (c: Change): boolean =>
  c.facts.painSites.includes("low_back") ||
  c.facts.painSites.includes("inner_joint_line") ||
  mostOf(c.limits, "hip_flexion") < FREE_HIP_DEG ||
  isStricter(c.limits, "back_bending", "allowed");

/** What hurts is looked at before anything else: swap or move the angle first, then take load off, drop last. */
const RULES: Record<PainSite, Rule> = {
  front_of_knee: (lines, c) => {
    const swapped = [
      ...(feetStayMid(c) ? [] : [["lp_mid_hip", "lp_high_wide", "drafts.upright_shin"] as const]),
      ["kext_full", "kext_restricted", "drafts.near_straight"] as const,
      ["kext_ankle_weight", "kext_iso_band", "drafts.cuff_last_degrees"] as const,
    ].reduce((l, [from, to, why]) => swap(l, c, from, to, why), lines);
    const dropped = drop(swapped, c, ["lunge_walking"], "drafts.braking_steps");
    return addLine(dropped, c, "hip_abd", { why: "drafts.hip_helps", at: "first" });
  },
  inner_joint_line: (lines, c) => {
    c.note({ code: "drafts.inner_side_asks" });
    const shallow = onEach(lines, isClass(c, "closed_knee"), (l) => bentAtMost(l, SHALLOW_DEG));
    const calm = swap(
      swap(shallow, c, "lunge_diagonal", "split_squat", "drafts.no_turn"),
      c,
      "slr_add",
      "add_squeeze",
      "drafts.no_long_lever",
    );
    return addLine(calm, c, "hip_abd", { why: "drafts.knee_in", at: "support" });
  },
  back_of_knee: (lines, c) => {
    c.note({ code: "drafts.back_of_knee_asks" });
    const held = swap(lines, c, "curl_lying", "heel_dig_iso", "drafts.no_cramp");
    return onEach(held, isClass(c, "open_knee_flexion"), (l) =>
      withReserve(bentAtMost(l, SHALLOW_DEG), (now) => Math.max(4, now)),
    );
  },
  back_of_thigh: (lines, c) =>
    c.facts.variantId === "hamstring_graft"
      ? drop(
          lines,
          c,
          lines.filter(isClass(c, "open_knee_flexion")).map((l) => l.exerciseId),
          "drafts.harvest_site",
        )
      : lines,
  low_back: (lines, c) => {
    // a draft for the back itself has weighed this already: what is feared is trained there
    if (c.facts.isOfTheBack) return lines;
    c.note({ code: "drafts.back_asks" });
    const recline = [
      ["lp_sled45", "lp_horizontal", "drafts.recline_less_depth"],
      ["lp_high_wide", "lp_mid_hip", "drafts.feet_lower_pelvis"],
      ["sq_rail_feet_fwd", "lp_mid_hip", "drafts.no_shoulder_load"],
      ["sq_hack", "lp_mid_hip", "drafts.no_shoulder_load"],
      ["hinge_two", "bridge_two", "drafts.hips_no_bending"],
    ] as const;
    const swapped = recline.reduce((l, [from, to, why]) => swap(l, c, from, to, why), lines);
    return onEach(swapped, isClass(c, "closed_knee"), (l) => bentAtMost(l, SHALLOW_DEG));
  },
  hip: (lines, c) => {
    c.note({ code: "drafts.hip_asks" });
    const calm = drop(
      swap(lines, c, "sit_to_stand", "chair_rise_hands", "drafts.higher_seat"),
      c,
      ["lunge_diagonal"],
      "drafts.long_steps_pinch",
    );
    return addLine(calm, c, "bridge_two", { why: "drafts.short_hip_range", at: "support" });
  },
};

const ORDER: readonly PainSite[] = [
  "front_of_knee",
  "inner_joint_line",
  "back_of_knee",
  "back_of_thigh",
  "low_back",
  "hip",
];

export const forPain = (lines: DraftLine[], c: Change): DraftLine[] =>
  ORDER.filter((s) => c.facts.painSites.includes(s)).reduce((l, site) => RULES[site](l, c), lines);

/** A knee that swells more than at the last visit is spared: half the sets, more left, nothing on one bent leg. */
export function forSwelling(lines: DraftLine[], c: Change): DraftLine[] {
  if (!c.facts.swellingIsUp) return lines;
  const spared = [
    ["kext_single", "kext_iso_machine", "drafts.fuller_held"],
    ["step_up", "half_squat", "drafts.fuller_two_legs"],
    ["sit_to_stand", "chair_rise_hands", "drafts.fuller_hands"],
  ] as const;
  const swapped = spared.reduce((l, [from, to, why]) => swap(l, c, from, to, why), lines);
  const less = drop(swapped, c, ["step_down", "split_squat", "lunge_no_load"], "drafts.fuller_waits").map(
    (l) =>
      withReserve(
        withSets(l, (now) => Math.ceil(now / 2)),
        (now) => now + 2,
      ),
  );
  if (c.facts.weeksAfterSurgery !== null) c.note({ code: "drafts.fuller_tell" });
  return has(less, "quad_set")
    ? less
    : addLine(less, c, "quad_set", { why: "drafts.switch_off", at: "first" });
}
