import { byWhom, type InForce, isNamed, isStricter, leastOf, mostOf } from "../../bounds/inForce";
import type { BoundKind } from "../../bounds/kinds";
import type { SCALES } from "../../bounds/scales";
import { type Exercise, likeOf } from "../../rules/exercises";

export interface ExerciseFit {
  status: "offered" | "fitted" | "blocked";
  /** why it is blocked, or what has to be set differently; short clauses, each with who set the limit */
  reasons: string[];
}

/** What one check finds: reasons that block, changes that make it fit. */
interface Finding {
  blocks?: string[];
  changes?: string[];
}
type Check = (e: Exercise, b: InForce) => Finding;

const NOTHING: Finding = {};
const blocks = (...reasons: string[]): Finding => ({ blocks: reasons });
const changes = (...reasons: string[]): Finding => ({ changes: reasons });

/** The most bend under load; a knee that nothing bounds bends as far as any exercise asks. */
const MOST_BEND_DEG = 150;
const bendUnderLoad = (b: InForce): number =>
  Math.min(b.knee_flexion_under_load?.high ?? MOST_BEND_DEG, b.knee_flexion?.high ?? MOST_BEND_DEG);
const wordOf = (b: InForce, kind: BoundKind): string | null => b[kind]?.word ?? null;

const byName: Check = (e, b) => {
  const names = [e.id, `class:${e.match.class}`, `position:${e.position}`];
  return names.some((n) => isNamed(b, "barred_by_name", n))
    ? blocks(`ruled out by name, kind or position${byWhom(b, "barred_by_name")}`)
    : NOTHING;
};

const supervision: Check = (e, b) => ({
  changes: [
    ...(e.match.is_machine && isStricter(b, "presence", "free")
      ? [`with a licensed therapist present${byWhom(b, "presence")}`]
      : []),
    ...(e.match.requires_unlock ? ["after a therapist unlocks it"] : []),
  ],
});

/** Hamstrings work at the hip too: a rule against loading them at the knee reaches hinges and bridges. */
const hamstringsAtHip: Check = (e, b) => {
  const { match } = e;
  const rule = wordOf(b, "resisted_knee_flexion");
  if ((e.muscle_emphasis_0_3.hamstrings ?? 0) < 2) return NOTHING;
  if (match.class !== "hip_hinge" && match.class !== "hip_open") return NOTHING;
  const who = byWhom(b, "resisted_knee_flexion");
  if (rule === "none" || rule === "isometric") {
    if (likeOf(e) === "slr_prone")
      return changes("limb weight, small range; stop for pain behind the knee or at the donor site");
    return likeOf(e) === "bridge_two"
      ? NOTHING
      : blocks(
          `loads the hamstrings at the hip while they are ${rule === "none" ? "spared" : "only held"}${who}`,
        );
  }
  if (rule === "light" && match.class === "hip_hinge")
    return match.entry_demand_1_4 > 2
      ? blocks(`a hinge too demanding for the hamstrings now${who}`)
      : changes(`stick or very light load only${who}`);
  return NOTHING;
};

const demands: Check = (e, b) => ({
  blocks: [
    ...(e.match.entry_demand_1_4 > mostOf(b, "entry_demand")
      ? [`asks for more skill or strength than is allowed now${byWhom(b, "entry_demand")}`]
      : []),
    ...(e.balance_demand_0_3 > mostOf(b, "balance_demand")
      ? [`asks for more balance than is allowed now${byWhom(b, "balance_demand")}`]
      : []),
  ],
});

const shoulders: Check = (e, b) => {
  if (!isStricter(b, "weight_on_shoulders", e.axial_load)) return NOTHING;
  const mayGoUnloaded =
    e.axial_load === "low" && ["closed_knee", "hip_hinge", "calf"].includes(e.match.class) && e.home_ready;
  const who = byWhom(b, "weight_on_shoulders");
  return mayGoUnloaded ? changes(`no added load${who}`) : blocks(`weight on the shoulders or spine${who}`);
};

/** The least step of weight bearing that each need asks for. */
const WEIGHT_BEARING_NEED = {
  none: "non",
  stance_other: "touch",
  press_adjustable: "partial",
  full_two: "as_tolerated",
  full_one: "full",
} as const satisfies Record<Exercise["match"]["weight_bearing_need"], (typeof SCALES.weightBearing)[number]>;
const weightBearing: Check = (e, b) =>
  isStricter(b, "weight_bearing", WEIGHT_BEARING_NEED[e.match.weight_bearing_need])
    ? blocks(`more weight on the leg than is allowed${byWhom(b, "weight_bearing")}`)
    : NOTHING;

const kneeling: Check = (e, b) =>
  (e.kneeling_contact === "padded" && isStricter(b, "kneeling", "padded")) ||
  (e.kneeling_contact === "full" && isStricter(b, "kneeling", "yes"))
    ? blocks(`kneeling${byWhom(b, "kneeling")}`)
    : NOTHING;

const hipBend: Check = (e, b) => {
  const { min_adjustable, typical } = e.hip_flexion_demand_deg;
  const most = mostOf(b, "hip_flexion");
  const who = byWhom(b, "hip_flexion");
  if (min_adjustable > most) return blocks(`bends the hip past ${most}°${who}`);
  return typical > most ? changes(`recline or raise the seat: hip bend at most ${most}°${who}`) : NOTHING;
};

const back: Check = (e, b) => {
  const found: Required<Finding> = { blocks: [], changes: [] };
  if (e.lumbar.demand_0_3 > mostOf(b, "back_demand"))
    found.blocks.push(`loads the back more than is allowed${byWhom(b, "back_demand")}`);
  if (e.match.class === "stretch") return found;
  const avoided = [
    ...(isStricter(b, "back_bending", "allowed") ? (["flexion"] as const) : []),
    ...(isStricter(b, "back_arching", "allowed") ? (["extension"] as const) : []),
  ];
  for (const direction of avoided) {
    if (!e.lumbar.direction.includes(direction)) continue;
    const word = direction === "flexion" ? "bending" : "arching";
    const who = byWhom(b, direction === "flexion" ? "back_bending" : "back_arching");
    if (e.lumbar.demand_0_3 >= 2) found.blocks.push(`loaded ${word} of the back${who}`);
    else if (e.lumbar.demand_0_3 === 1)
      found.changes.push(`less ${word} of the back: recline, pillow or smaller range${who}`);
  }
  return found;
};

const sidesAndLegs: Check = (e, b) => ({
  blocks: [
    ...(isNamed(b, "side_stress", e.match.knee_side_stress)
      ? [`side stress on the knee${byWhom(b, "side_stress")}`]
      : []),
    ...(e.match.single_leg && isStricter(b, "single_leg", "yes")
      ? [`one leg alone${byWhom(b, "single_leg")}`]
      : []),
  ],
});

const RESISTED_HIP = {
  abduction: "hip_abduction",
  adduction: "hip_adduction",
  flexion: "hip_flexion_resisted",
} as const;
const HIP_WORDS = { abduction: "leg outward", adduction: "leg inward", flexion: "thigh up" } as const;
const hipMotions: Check = (e, b) => {
  const found: string[] = [];
  if (e.match.class !== "closed_knee" && e.match.class !== "hip_hinge")
    for (const motion of e.match.hip_motions) {
      if (motion === "extension") continue;
      const kind = RESISTED_HIP[motion];
      const rule = wordOf(b, kind);
      const isBarred =
        rule === "none" ||
        (rule === "isometric" && !e.match.static_hold) ||
        (rule === "light" && e.match.entry_demand_1_4 > 1);
      if (isBarred) found.push(`${HIP_WORDS[motion]} against resistance${byWhom(b, kind)}`);
    }
  if (e.match.crosses_midline && isStricter(b, "across_midline", "yes"))
    found.push(`leg across the midline${byWhom(b, "across_midline")}`);
  if (e.match.hip_extension_past_neutral && isStricter(b, "hip_behind_body", "yes"))
    found.push(`thigh behind the body${byWhom(b, "hip_behind_body")}`);
  return { blocks: found };
};

const kneeBend: Check = (e, b) => {
  const who = byWhom(b, "knee_flexion_under_load");
  return {
    blocks: [
      ...(e.match.knee_flexion_needed_deg > bendUnderLoad(b) && e.match.class !== "stretch"
        ? [`needs ${e.match.knee_flexion_needed_deg}° of bend under load${who}`]
        : []),
      ...(e.knee_angle_usable_deg.max < leastOf(b, "knee_flexion_under_load")
        ? [`works too near to straight${who}`]
        : []),
      ...(["str_quad_standing", "str_quad_kneeling"].includes(likeOf(e)) && bendUnderLoad(b) < 100
        ? [`needs 100° of bend${who}`]
        : []),
    ],
  };
};

const openChain: Check = (e, b) => {
  if (e.match.class !== "open_knee_extension") return NOTHING;
  const rule = b.open_chain_extension;
  const who = byWhom(b, "open_chain_extension");
  if (rule?.word === "none") return blocks(`no extension with the foot free${who}`);
  if (e.match.static_hold) return holdAngles(e, b);
  if (rule?.word === "isometric") return blocks(`extension with the foot free: holds only${who}`);
  const found: Required<Finding> = { blocks: [], changes: [] };
  const to = rule?.low ?? 0;
  const from = Math.min(rule?.high ?? MOST_BEND_DEG, bendUnderLoad(b));
  const usable = e.knee_angle_usable_deg;
  if (Math.min(from, usable.max) - Math.max(to, usable.min) < e.match.min_arc_deg)
    found.blocks.push(`the allowed arc is too short for it${who}`);
  else if (to > usable.min || from < usable.max)
    found.changes.push(`arc ${Math.min(from, usable.max)}° to ${Math.max(to, usable.min)}°${who}`);
  const limbOnly = b.open_chain_load?.high === 0;
  if (limbOnly) {
    const words = `the limb's own weight only${byWhom(b, "open_chain_load")}`;
    if (e.match.load_floor === "limb") found.changes.push(words);
    else found.blocks.push(words);
  }
  if (likeOf(e) === "kext_ankle_weight" && to >= 45 && !limbOnly)
    found.changes.push(`an ankle weight pulls most near straight: stop at ${to}°`);
  return found;
};

function holdAngles(e: Exercise, b: InForce): Finding {
  const low = Math.max(leastOf(b, "extension_hold_angles"), e.knee_angle_usable_deg.min);
  const high = Math.min(mostOf(b, "extension_hold_angles"), e.knee_angle_usable_deg.max, bendUnderLoad(b));
  if (low > high) return blocks(`no angle to hold at${byWhom(b, "extension_hold_angles")}`);
  if (!b.extension_hold_angles && !b.hold_effort) return NOTHING;
  const effort = b.hold_effort ? `, at most ${mostOf(b, "hold_effort")} % of its strength` : "";
  return changes(`hold at ${low}° to ${high}°${effort}`);
}

const staticQuad: Check = (e, b) => {
  const rule = wordOf(b, "static_quad");
  return e.match.class === "static_quad" &&
    (rule === "none" || (rule === "gentle_set_only" && e.id !== "quad_set"))
    ? blocks(`quadriceps work without movement is limited${byWhom(b, "static_quad")}`)
    : NOTHING;
};

const closedChain: Check = (e, b) => {
  if (e.match.class !== "closed_knee") return NOTHING;
  const depth = Math.min(mostOf(b, "closed_chain_depth"), bendUnderLoad(b));
  const who = byWhom(
    b,
    mostOf(b, "closed_chain_depth") <= bendUnderLoad(b) ? "closed_chain_depth" : "knee_flexion_under_load",
  );
  const load =
    e.match.load_floor === "limb" || !b.closed_chain_load
      ? []
      : [
          `load at most ${mostOf(b, "closed_chain_load")} % of what this leg lifts once${byWhom(b, "closed_chain_load")}`,
        ];
  if (depth < e.match.min_depth_deg)
    return { blocks: [`needs more depth than ${depth}°${who}`], changes: load };
  return changes(...(depth < e.knee_angle_usable_deg.max ? [`stop at ${depth}° deep${who}`] : []), ...load);
};

const kneeFlexionAgainstLoad: Check = (e, b) => {
  const { match } = e;
  if (match.class !== "open_knee_flexion" && match.class !== "closed_knee_flexion") return NOTHING;
  const rule = wordOf(b, "resisted_knee_flexion");
  const who = byWhom(b, "resisted_knee_flexion");
  const isOpen = match.class === "open_knee_flexion";
  if (rule === "none") return blocks(`no bending of the knee against resistance${who}`);
  const found: Required<Finding> = { blocks: [], changes: [] };
  const lightCap = isOpen || match.static_hold ? 2 : 0;
  if (rule === "isometric" && !(match.static_hold && isOpen))
    found.blocks.push(`hamstrings: holds only${who}`);
  else if (rule === "light" && match.entry_demand_1_4 > lightCap)
    found.blocks.push(`hamstrings: light work only${who}`);
  else if (rule === "progressive" && match.entry_demand_1_4 > 3)
    found.blocks.push(`hamstrings: no full lowering yet${who}`);
  const most = b.resisted_knee_flexion?.high ?? null;
  if (most !== null) {
    const needed = e.knee_angle_usable_deg.min + (match.static_hold ? 0 : match.min_arc_deg);
    if (most < needed) found.blocks.push(`the allowed bend is too small for it${who}`);
    else if (most < e.knee_angle_usable_deg.max) found.changes.push(`bend to ${most}° only${who}`);
  }
  return found;
};

const plainBridge: Check = (e, b) =>
  likeOf(e) === "bridge_two" && wordOf(b, "resisted_knee_flexion") === "none"
    ? changes("knees well bent, push through mid-foot, no heel drag")
    : NOTHING;

const CHECKS: readonly Check[] = [
  byName,
  supervision,
  hamstringsAtHip,
  demands,
  shoulders,
  weightBearing,
  kneeling,
  hipBend,
  back,
  sidesAndLegs,
  hipMotions,
  kneeBend,
  openChain,
  staticQuad,
  closedChain,
  kneeFlexionAgainstLoad,
  plainBridge,
];

/** Whether an exercise fits what is in force as it is, with other settings, or not; with every reason. */
export function fitExercise(exercise: Exercise, bounds: InForce): ExerciseFit {
  const findings = CHECKS.map((check) => check(exercise, bounds));
  const blocking = findings.flatMap((f) => f.blocks ?? []);
  if (blocking.length) return { status: "blocked", reasons: blocking };
  const changing = findings.flatMap((f) => f.changes ?? []);
  return changing.length ? { status: "fitted", reasons: changing } : { status: "offered", reasons: [] };
}
