import type { Exercise } from "../rules/exercises";
import { LIMB_WEIGHT_ONLY, type LimitsRecord, SCALES } from "../rules/limitsRecord";

export interface ExerciseFit {
  status: "offered" | "fitted" | "blocked";
  /** why it is blocked, or what has to be set differently; short clauses */
  reasons: string[];
}

/** What one check finds: reasons that block, changes that make it fit. */
interface Finding {
  blocks?: string[];
  changes?: string[];
}
type Check = (e: Exercise, l: LimitsRecord) => Finding;

const NOTHING: Finding = {};
const blocks = (...reasons: string[]): Finding => ({ blocks: reasons });
const changes = (...reasons: string[]): Finding => ({ changes: reasons });
const rank = (scale: readonly string[], word: string): number => scale.indexOf(word);

const byName: Check = (e, l) =>
  l.exercises_blocked.includes(e.id) ||
  l.classes_blocked.includes(e.match.class) ||
  l.positions_blocked.includes(e.position)
    ? blocks("ruled out by name, kind or position in this phase")
    : NOTHING;

const supervision: Check = (e, l) => ({
  changes: [
    ...(e.match.is_machine && l.machines === "therapist_present"
      ? ["with a licensed therapist present"]
      : []),
    ...(e.match.requires_unlock ? ["after a therapist unlocks it"] : []),
  ],
});

/** Hamstrings work at the hip too: a rule against loading them at the knee reaches hinges and bridges. */
const hamstringsAtHip: Check = (e, l) => {
  const { match } = e;
  const rule = l.resisted_knee_flexion.rule;
  if ((e.muscle_emphasis_0_3.hamstrings ?? 0) < 2) return NOTHING;
  if (match.class !== "hip_hinge" && match.class !== "hip_open") return NOTHING;
  if (rule === "none" || rule === "isometric") {
    if (e.id === "slr_prone")
      return changes("limb weight, small range; stop for pain behind the knee or at the donor site");
    return e.id === "bridge_two"
      ? NOTHING
      : blocks(`loads the hamstrings at the hip while they are limited (${rule})`);
  }
  if (rule === "light" && match.class === "hip_hinge")
    return match.entry_demand_1_4 > 2
      ? blocks("a hinge too demanding for the hamstrings now")
      : changes("stick or very light load only");
  return NOTHING;
};

const demands: Check = (e, l) => ({
  blocks: [
    ...(e.match.entry_demand_1_4 > l.entry_demand_max_1_4
      ? ["asks for more skill or strength than this phase"]
      : []),
    ...(e.balance_demand_0_3 > l.balance_demand_max_0_3 ? ["asks for more balance than this phase"] : []),
  ],
});

const shoulders: Check = (e, l) => {
  if (rank(SCALES.axial, e.axial_load) <= rank(SCALES.axial, l.axial_load_max)) return NOTHING;
  const mayGoUnloaded =
    e.axial_load === "low" && ["closed_knee", "hip_hinge", "calf"].includes(e.match.class) && e.home_ready;
  return mayGoUnloaded ? changes("no added load") : blocks("weight on the shoulders or spine");
};

const WEIGHT_BEARING_NEED = {
  none: 0,
  stance_other: 1,
  press_adjustable: 2,
  full_two: 3,
  full_one: 4,
} as const;
const weightBearing: Check = (e, l) =>
  WEIGHT_BEARING_NEED[e.match.weight_bearing_need] > rank(SCALES.weightBearing, l.weight_bearing)
    ? blocks("more weight on the leg than is allowed")
    : NOTHING;

const kneeling: Check = (e, l) =>
  (e.kneeling_contact === "padded" && l.kneeling === "no") ||
  (e.kneeling_contact === "full" && l.kneeling !== "yes")
    ? blocks("kneeling")
    : NOTHING;

const hipBend: Check = (e, l) => {
  const { min_adjustable, typical } = e.hip_flexion_demand_deg;
  const most = l.hip.flexion_max_deg;
  if (min_adjustable > most) return blocks(`bends the hip past ${most}°`);
  return typical > most ? changes(`recline or raise the seat: hip bend at most ${most}°`) : NOTHING;
};

const back: Check = (e, l) => {
  const found: Required<Finding> = { blocks: [], changes: [] };
  if (e.lumbar.demand_0_3 > l.lumbar.max_demand_0_3) found.blocks.push("loads the back more than is allowed");
  if (e.match.class === "stretch") return found;
  const avoided = [
    ...(l.lumbar.avoid_loaded_flexion ? (["flexion"] as const) : []),
    ...(l.lumbar.avoid_loaded_extension ? (["extension"] as const) : []),
  ];
  for (const direction of avoided) {
    if (!e.lumbar.direction.includes(direction)) continue;
    const word = direction === "flexion" ? "bending" : "arching";
    if (e.lumbar.demand_0_3 >= 2) found.blocks.push(`loaded ${word} of the back`);
    else if (e.lumbar.demand_0_3 === 1)
      found.changes.push(`less ${word} of the back: recline, pillow or smaller range`);
  }
  return found;
};

const sidesAndLegs: Check = (e, l) => ({
  blocks: [
    ...(e.match.knee_side_stress !== "none" && l.avoid_knee_side_stress.includes(e.match.knee_side_stress)
      ? ["side stress on the knee"]
      : []),
    ...(e.match.single_leg && !l.closed_chain.single_leg_allowed ? ["one leg alone"] : []),
  ],
});

const RESISTED_HIP = {
  abduction: "resisted_abduction",
  adduction: "resisted_adduction",
  flexion: "resisted_flexion",
} as const;
const hipMotions: Check = (e, l) => {
  const found: string[] = [];
  if (e.match.class !== "closed_knee" && e.match.class !== "hip_hinge")
    for (const motion of e.match.hip_motions) {
      if (motion === "extension") continue;
      const rule = l.hip[RESISTED_HIP[motion]];
      const isBarred =
        rule === "none" ||
        (rule === "isometric" && !e.match.static_hold) ||
        (rule === "light" && e.match.entry_demand_1_4 > 1);
      if (isBarred) found.push(`resisted hip ${motion}`);
    }
  if (e.match.crosses_midline && !l.hip.adduction_past_midline) found.push("leg across the midline");
  if (e.match.hip_extension_past_neutral && !l.hip.extension_past_neutral) found.push("hip behind the body");
  return { blocks: found };
};

const kneeBend: Check = (e, l) => ({
  blocks: [
    ...(e.match.knee_flexion_needed_deg > l.knee_flexion_loaded_deg.max && e.match.class !== "stretch"
      ? [`needs ${e.match.knee_flexion_needed_deg}° of bend under load`]
      : []),
    ...(e.knee_angle_usable_deg.max < l.knee_flexion_loaded_deg.min ? ["works too near to straight"] : []),
    ...(["str_quad_standing", "str_quad_kneeling"].includes(e.id) && l.knee_flexion_loaded_deg.max < 100
      ? ["needs 100° of bend"]
      : []),
  ],
});

const openChain: Check = (e, l) => {
  if (e.match.class !== "open_knee_extension") return NOTHING;
  const rule = l.open_chain_extension;
  if (rule.rule === "none") return blocks("no open-chain extension");
  if (e.match.static_hold) return holdAngles(e, l);
  if (rule.rule === "isometric") return blocks("open-chain extension: holds only");
  const found: Required<Finding> = { blocks: [], changes: [] };
  const to = rule.to_deg ?? 0;
  const from = Math.min(rule.from_deg ?? 0, l.knee_flexion_loaded_deg.max);
  const usable = e.knee_angle_usable_deg;
  if (Math.min(from, usable.max) - Math.max(to, usable.min) < e.match.min_arc_deg)
    found.blocks.push("the allowed arc is too short for it");
  else if (to > usable.min || from < usable.max)
    found.changes.push(`arc ${Math.min(from, usable.max)}° to ${Math.max(to, usable.min)}°`);
  const limbOnly = rule.load_reference === LIMB_WEIGHT_ONLY;
  if (limbOnly) {
    if (e.match.load_floor === "limb") found.changes.push(LIMB_WEIGHT_ONLY);
    else found.blocks.push(LIMB_WEIGHT_ONLY);
  }
  if (e.id === "kext_ankle_weight" && to >= 45 && !limbOnly)
    found.changes.push(`an ankle weight pulls most near straight: stop at ${to}°`);
  return found;
};

function holdAngles(e: Exercise, l: LimitsRecord): Finding {
  const angles = l.open_chain_extension.isometric_angles_deg;
  if (!angles) return blocks("no angle to hold at");
  const low = Math.max(angles[0], e.knee_angle_usable_deg.min);
  const high = Math.min(angles[1], e.knee_angle_usable_deg.max, l.knee_flexion_loaded_deg.max);
  if (low > high) return blocks("no angle to hold at");
  return changes(
    `hold at ${low}° to ${high}°, effort at most ${l.open_chain_extension.isometric_effort_max_pct} %`,
  );
}

const staticQuad: Check = (e, l) =>
  e.match.class === "static_quad" &&
  (l.static_quad === "none" || (l.static_quad === "gentle_set_only" && e.id !== "quad_set"))
    ? blocks("quadriceps work without movement is limited")
    : NOTHING;

const closedChain: Check = (e, l) => {
  if (e.match.class !== "closed_knee") return NOTHING;
  const depth = Math.min(l.closed_chain.max_depth_deg, l.knee_flexion_loaded_deg.max);
  const load =
    e.match.load_floor === "limb"
      ? []
      : [`load at most ${l.closed_chain.max_rel_load_pct ?? 0} % of ${l.closed_chain.load_reference}`];
  if (depth < e.match.min_depth_deg) return { blocks: [`needs more depth than ${depth}°`], changes: load };
  return changes(...(depth < e.knee_angle_usable_deg.max ? [`stop at ${depth}° deep`] : []), ...load);
};

const kneeFlexionAgainstLoad: Check = (e, l) => {
  const { match } = e;
  if (match.class !== "open_knee_flexion" && match.class !== "closed_knee_flexion") return NOTHING;
  const { rule, max_flexion_deg } = l.resisted_knee_flexion;
  const isOpen = match.class === "open_knee_flexion";
  if (rule === "none") return blocks("no resisted bending of the knee");
  const found: Required<Finding> = { blocks: [], changes: [] };
  const lightCap = isOpen || match.static_hold ? 2 : 0;
  if (rule === "isometric" && !(match.static_hold && isOpen)) found.blocks.push("hamstrings: holds only");
  else if (rule === "light" && match.entry_demand_1_4 > lightCap)
    found.blocks.push("hamstrings: light work only");
  else if (rule === "progressive" && match.entry_demand_1_4 > 3)
    found.blocks.push("hamstrings: no full lowering yet");
  if (max_flexion_deg !== null) {
    const needed = e.knee_angle_usable_deg.min + (match.static_hold ? 0 : match.min_arc_deg);
    if (max_flexion_deg < needed) found.blocks.push("the allowed bend is too small for it");
    else if (max_flexion_deg < e.knee_angle_usable_deg.max)
      found.changes.push(`bend to ${max_flexion_deg}° only`);
  }
  return found;
};

const plainBridge: Check = (e, l) =>
  e.id === "bridge_two" && l.resisted_knee_flexion.rule === "none"
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

/** Whether an exercise fits limits as it is, with other settings, or not; with every reason. */
export function fitExercise(exercise: Exercise, limits: LimitsRecord): ExerciseFit {
  const findings = CHECKS.map((check) => check(exercise, limits));
  const blocking = findings.flatMap((f) => f.blocks ?? []);
  if (blocking.length) return { status: "blocked", reasons: blocking };
  const changing = findings.flatMap((f) => f.changes ?? []);
  return changing.length ? { status: "fitted", reasons: changing } : { status: "offered", reasons: [] };
}
