import { isStricter } from "../../bounds/inForce";
import type { PainSite } from "../draftFacts";
import { bentAtMost, type DraftLine, has, withReserve, withSets } from "../draftLine";
import { addLine, type Change, drop, isClass, onEach, swap } from "../edit";

type Rule = (lines: DraftLine[], change: Change) => DraftLine[];

/** Half a right angle is where the inner side is still quiet, and light bending work too [~]. */
const SHALLOW_DEG = 60;

/** What hurts is looked at before anything else: swap or move the angle first, then take load off, drop last. */
const RULES: Record<PainSite, Rule> = {
  front_of_knee: (lines, c) => {
    // the back wins over the height of the feet
    const backWins =
      c.facts.painSites.includes("low_back") ||
      c.limits.hip_flexion !== undefined ||
      isStricter(c.limits, "back_bending", "allowed");
    const swapped = [
      ...(backWins
        ? []
        : [["lp_mid_hip", "lp_high_wide", "shin more upright: less kneecap pressure"] as const]),
      ["kext_full", "kext_restricted", "pressure rises near straight under a constant load"] as const,
      ["kext_ankle_weight", "kext_iso_band", "an ankle weight loads just the painful last degrees"] as const,
    ].reduce((l, [from, to, why]) => swap(l, c, from, to, why), lines);
    const dropped = drop(swapped, c, ["lunge_walking"], "braking steps press the kneecap hardest");
    return addLine(dropped, c, "hip_abd", { why: "hip work helps and does not hurt", at: "first" });
  },
  inner_joint_line: (lines, c) => {
    c.note("Stand hip wide with straight toes; catching, locking or sudden swelling is a sign: ask.");
    const shallow = onEach(lines, isClass(c, "closed_knee"), (l) => bentAtMost(l, SHALLOW_DEG));
    const calm = swap(
      swap(shallow, c, "lunge_diagonal", "split_squat", "no turn on a loaded knee"),
      c,
      "slr_add",
      "add_squeeze",
      "no long lever pulling on the inner side",
    );
    return addLine(calm, c, "hip_abd", { why: "keeps the knee from falling in", at: "support" });
  },
  back_of_knee: (lines, c) => {
    c.note(
      "Calf swelling, warmth or a lump behind the knee, after surgery above all: a clot and a cyst come first. Ask.",
    );
    const held = swap(
      lines,
      c,
      "curl_lying",
      "heel_dig_iso",
      "held and short: no cramp, no pull behind the knee",
    );
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
          "the harvest site of the graft pulls: it rests",
        )
      : lines,
  low_back: (lines, c) => {
    // a draft for the back itself has weighed this already: what is feared is trained there
    if (c.facts.isOfTheBack) return lines;
    c.note("Leg signs, numbness, bladder: then it is no twinge. Ask.");
    const recline = [
      ["lp_sled45", "lp_horizontal", "recline and less depth stop the pelvis from rolling"],
      ["lp_high_wide", "lp_mid_hip", "feet lower: the pelvis does not roll"],
      ["sq_rail_feet_fwd", "lp_mid_hip", "no load on the shoulders"],
      ["sq_hack", "lp_mid_hip", "no load on the shoulders"],
      ["hinge_two", "bridge_two", "hips without bending load"],
    ] as const;
    const swapped = recline.reduce((l, [from, to, why]) => swap(l, c, from, to, why), lines);
    return onEach(swapped, isClass(c, "closed_knee"), (l) => bentAtMost(l, SHALLOW_DEG));
  },
  hip: (lines, c) => {
    c.note("Recline the press until the hip stays 15° short of the pinch, before load comes off.");
    const calm = drop(
      swap(lines, c, "sit_to_stand", "chair_rise_hands", "higher seat: no pinch"),
      c,
      ["lunge_diagonal"],
      "long or crossed steps pinch",
    );
    return addLine(calm, c, "bridge_two", { why: "hip extension in a short range", at: "support" });
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
    ["kext_single", "kext_iso_machine", "held push instead of rubbing while the knee is fuller"],
    ["step_up", "half_squat", "no single-leg bend while the knee is fuller"],
    ["sit_to_stand", "chair_rise_hands", "hands help and a higher seat while the knee is fuller"],
  ] as const;
  const swapped = spared.reduce((l, [from, to, why]) => swap(l, c, from, to, why), lines);
  const less = drop(
    swapped,
    c,
    ["step_down", "split_squat", "lunge_no_load"],
    "body weight on one bent leg waits until the swelling is down",
  ).map((l) =>
    withReserve(
      withSets(l, (now) => Math.ceil(now / 2)),
      (now) => now + 2,
    ),
  );
  if (c.facts.weeksAfterSurgery !== null)
    c.note("Swelling that rises after surgery is news: tell the therapist today.");
  return has(less, "quad_set")
    ? less
    : addLine(less, c, "quad_set", { why: "ends the switch-off that fluid brings", at: "first" });
}
