import { type InForce, isNamed, isStricter, leastOf, mostOf, whoSet } from "../../bounds/inForce";
import type { BoundKind } from "../../bounds/kinds";
import type { SCALES } from "../../bounds/scales";
import { type Exercise, likeOf } from "../../rules/exercises";
import { type Said, saidWith } from "../../units/said";

export interface ExerciseFit {
  status: "offered" | "fitted" | "blocked";
  /** why it is blocked, or what has to be set differently, each with who set the limit */
  reasons: Said[];
}

/** What one check finds: reasons that block, changes that make it fit. */
interface Finding {
  blocks?: Said[];
  changes?: Said[];
}
type Check = (e: Exercise, b: InForce) => Finding;

/** A clause with who set the limit behind it. */
const limited = (code: string, b: InForce, kind: BoundKind, numbers: object = {}): Said =>
  saidWith(code, { ...numbers, by: whoSet(b, kind) });

const NOTHING: Finding = {};
const blocks = (...reasons: Said[]): Finding => ({ blocks: reasons });
const changes = (...reasons: Said[]): Finding => ({ changes: reasons });

/** The most bend under load; a knee that nothing bounds bends as far as any exercise asks. */
const MOST_BEND_DEG = 150;
/** What a stretch of the front of the thigh needs. */
const STRETCH_BEND_DEG = 100;
const bendUnderLoad = (b: InForce): number =>
  Math.min(b.knee_flexion_under_load?.high ?? MOST_BEND_DEG, b.knee_flexion?.high ?? MOST_BEND_DEG);
const wordOf = (b: InForce, kind: BoundKind): string | null => b[kind]?.word ?? null;

const byName: Check = (e, b) => {
  const names = [e.id, `class:${e.match.class}`, `position:${e.position}`];
  return names.some((n) => isNamed(b, "barred_by_name", n))
    ? blocks(limited("fit.by_name", b, "barred_by_name"))
    : NOTHING;
};

const supervision: Check = (e, b) => ({
  changes: [
    ...(e.match.is_machine && isStricter(b, "presence", "free")
      ? [limited("fit.present", b, "presence")]
      : []),
    ...(e.match.requires_unlock ? [{ code: "fit.unlock" }] : []),
  ],
});

/** Hamstrings work at the hip too: a rule against loading them at the knee reaches hinges and bridges. */
const hamstringsAtHip: Check = (e, b) => {
  const { match } = e;
  const rule = wordOf(b, "resisted_knee_flexion");
  if ((e.muscle_emphasis_0_3.hamstrings ?? 0) < 2) return NOTHING;
  if (match.class !== "hip_hinge" && match.class !== "hip_open") return NOTHING;
  const who = whoSet(b, "resisted_knee_flexion");
  if (rule === "none" || rule === "isometric") {
    if (likeOf(e) === "slr_prone") return changes({ code: "fit.limb_small_range" });
    return likeOf(e) === "bridge_two"
      ? NOTHING
      : blocks(saidWith("fit.hamstrings_at_hip", { rule, by: who }));
  }
  if (rule === "light" && match.class === "hip_hinge")
    return match.entry_demand_1_4 > 2
      ? blocks(saidWith("fit.hinge_demanding", { by: who }))
      : changes(saidWith("fit.stick_only", { by: who }));
  return NOTHING;
};

const demands: Check = (e, b) => ({
  blocks: [
    ...(e.match.entry_demand_1_4 > mostOf(b, "entry_demand")
      ? [limited("fit.too_demanding", b, "entry_demand")]
      : []),
    ...(e.balance_demand_0_3 > mostOf(b, "balance_demand")
      ? [limited("fit.too_unsteady", b, "balance_demand")]
      : []),
  ],
});

const shoulders: Check = (e, b) => {
  if (!isStricter(b, "weight_on_shoulders", e.axial_load)) return NOTHING;
  const mayGoUnloaded =
    e.axial_load === "low" && ["closed_knee", "hip_hinge", "calf"].includes(e.match.class) && e.home_ready;
  const who = whoSet(b, "weight_on_shoulders");
  return mayGoUnloaded
    ? changes(saidWith("fit.no_added_load", { by: who }))
    : blocks(saidWith("fit.on_shoulders", { by: who }));
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
    ? blocks(limited("fit.weight_bearing", b, "weight_bearing"))
    : NOTHING;

const kneeling: Check = (e, b) =>
  (e.kneeling_contact === "padded" && isStricter(b, "kneeling", "padded")) ||
  (e.kneeling_contact === "full" && isStricter(b, "kneeling", "yes"))
    ? blocks(limited("fit.kneeling", b, "kneeling"))
    : NOTHING;

const hipBend: Check = (e, b) => {
  const { min_adjustable, typical } = e.hip_flexion_demand_deg;
  const most = mostOf(b, "hip_flexion");
  const who = whoSet(b, "hip_flexion");
  if (min_adjustable > most) return blocks(saidWith("fit.hip_past", { most, by: who }));
  return typical > most ? changes(saidWith("fit.recline", { most, by: who })) : NOTHING;
};

const back: Check = (e, b) => {
  const found: Required<Finding> = { blocks: [], changes: [] };
  if (e.lumbar.demand_0_3 > mostOf(b, "back_demand"))
    found.blocks.push(limited("fit.back_demand", b, "back_demand"));
  if (e.match.class === "stretch") return found;
  const avoided = [
    ...(isStricter(b, "back_bending", "allowed") ? (["flexion"] as const) : []),
    ...(isStricter(b, "back_arching", "allowed") ? (["extension"] as const) : []),
  ];
  for (const direction of avoided) {
    if (!e.lumbar.direction.includes(direction)) continue;
    const who = whoSet(b, direction === "flexion" ? "back_bending" : "back_arching");
    if (e.lumbar.demand_0_3 >= 2) found.blocks.push(saidWith("fit.back_loaded", { direction, by: who }));
    else if (e.lumbar.demand_0_3 === 1) found.changes.push(saidWith("fit.back_less", { direction, by: who }));
  }
  return found;
};

const sidesAndLegs: Check = (e, b) => ({
  blocks: [
    ...(isNamed(b, "side_stress", e.match.knee_side_stress)
      ? [limited("fit.side_stress", b, "side_stress")]
      : []),
    ...(e.match.single_leg && isStricter(b, "single_leg", "yes")
      ? [limited("fit.one_leg", b, "single_leg")]
      : []),
  ],
});

const RESISTED_HIP = {
  abduction: "hip_abduction",
  adduction: "hip_adduction",
  flexion: "hip_flexion_resisted",
} as const;
const hipMotions: Check = (e, b) => {
  const found: Said[] = [];
  if (e.match.class !== "closed_knee" && e.match.class !== "hip_hinge")
    for (const motion of e.match.hip_motions) {
      if (motion === "extension") continue;
      const kind = RESISTED_HIP[motion];
      const rule = wordOf(b, kind);
      const isBarred =
        rule === "none" ||
        (rule === "isometric" && !e.match.static_hold) ||
        (rule === "light" && e.match.entry_demand_1_4 > 1);
      if (isBarred) found.push(limited("fit.hip_motion", b, kind, { motion }));
    }
  if (e.match.crosses_midline && isStricter(b, "across_midline", "yes"))
    found.push(limited("fit.midline", b, "across_midline"));
  if (e.match.hip_extension_past_neutral && isStricter(b, "hip_behind_body", "yes"))
    found.push(limited("fit.hip_behind", b, "hip_behind_body"));
  return { blocks: found };
};

const kneeBend: Check = (e, b) => {
  const who = whoSet(b, "knee_flexion_under_load");
  return {
    blocks: [
      ...(e.match.knee_flexion_needed_deg > bendUnderLoad(b) && e.match.class !== "stretch"
        ? [saidWith("fit.needs_bend", { deg: e.match.knee_flexion_needed_deg, by: who })]
        : []),
      ...(e.knee_angle_usable_deg.max < leastOf(b, "knee_flexion_under_load")
        ? [saidWith("fit.too_straight", { by: who })]
        : []),
      ...(["str_quad_standing", "str_quad_kneeling"].includes(likeOf(e)) &&
      bendUnderLoad(b) < STRETCH_BEND_DEG
        ? [saidWith("fit.needs_bend_stretch", { deg: STRETCH_BEND_DEG, by: who })]
        : []),
    ],
  };
};

const openChain: Check = (e, b) => {
  if (e.match.class !== "open_knee_extension") return NOTHING;
  const rule = b.open_chain_extension;
  const who = whoSet(b, "open_chain_extension");
  if (rule?.word === "none") return blocks(saidWith("fit.no_open_extension", { by: who }));
  if (e.match.static_hold) return holdAngles(e, b);
  if (rule?.word === "isometric") return blocks(saidWith("fit.open_holds_only", { by: who }));
  const found: Required<Finding> = { blocks: [], changes: [] };
  const to = rule?.low ?? 0;
  const from = Math.min(rule?.high ?? MOST_BEND_DEG, bendUnderLoad(b));
  const usable = e.knee_angle_usable_deg;
  if (Math.min(from, usable.max) - Math.max(to, usable.min) < e.match.min_arc_deg)
    found.blocks.push(saidWith("fit.arc_short", { by: who }));
  else if (to > usable.min || from < usable.max)
    found.changes.push(
      saidWith("fit.arc", { fromDeg: Math.min(from, usable.max), toDeg: Math.max(to, usable.min), by: who }),
    );
  const limbOnly = b.open_chain_load?.high === 0;
  if (limbOnly) {
    const only = limited("fit.limb_only", b, "open_chain_load");
    if (e.match.load_floor === "limb") found.changes.push(only);
    else found.blocks.push(only);
  }
  if (likeOf(e) === "kext_ankle_weight" && to >= 45 && !limbOnly)
    found.changes.push(saidWith("fit.cuff_stop", { deg: to }));
  return found;
};

function holdAngles(e: Exercise, b: InForce): Finding {
  const low = Math.max(leastOf(b, "extension_hold_angles"), e.knee_angle_usable_deg.min);
  const high = Math.min(mostOf(b, "extension_hold_angles"), e.knee_angle_usable_deg.max, bendUnderLoad(b));
  if (low > high) return blocks(limited("fit.no_hold_angle", b, "extension_hold_angles"));
  if (!b.extension_hold_angles && !b.hold_effort) return NOTHING;
  const pct = b.hold_effort ? mostOf(b, "hold_effort") : null;
  return changes(saidWith("fit.hold_at", { low, high, pct }));
}

const staticQuad: Check = (e, b) => {
  const rule = wordOf(b, "static_quad");
  return e.match.class === "static_quad" &&
    (rule === "none" || (rule === "gentle_set_only" && e.id !== "quad_set"))
    ? blocks(limited("fit.static_quad", b, "static_quad"))
    : NOTHING;
};

const closedChain: Check = (e, b) => {
  if (e.match.class !== "closed_knee") return NOTHING;
  const depth = Math.min(mostOf(b, "closed_chain_depth"), bendUnderLoad(b));
  const who = whoSet(
    b,
    mostOf(b, "closed_chain_depth") <= bendUnderLoad(b) ? "closed_chain_depth" : "knee_flexion_under_load",
  );
  const load =
    e.match.load_floor === "limb" || !b.closed_chain_load
      ? []
      : [limited("fit.load_share", b, "closed_chain_load", { pct: mostOf(b, "closed_chain_load") })];
  if (depth < e.match.min_depth_deg)
    return { blocks: [saidWith("fit.needs_depth", { depth, by: who })], changes: load };
  return changes(
    ...(depth < e.knee_angle_usable_deg.max ? [saidWith("fit.stop_deep", { depth, by: who })] : []),
    ...load,
  );
};

const kneeFlexionAgainstLoad: Check = (e, b) => {
  const { match } = e;
  if (match.class !== "open_knee_flexion" && match.class !== "closed_knee_flexion") return NOTHING;
  const rule = wordOf(b, "resisted_knee_flexion");
  const who = whoSet(b, "resisted_knee_flexion");
  const isOpen = match.class === "open_knee_flexion";
  if (rule === "none") return blocks(saidWith("fit.no_resisted_bend", { by: who }));
  const found: Required<Finding> = { blocks: [], changes: [] };
  const lightCap = isOpen || match.static_hold ? 2 : 0;
  if (rule === "isometric" && !(match.static_hold && isOpen))
    found.blocks.push(saidWith("fit.hamstrings_held", { by: who }));
  else if (rule === "light" && match.entry_demand_1_4 > lightCap)
    found.blocks.push(saidWith("fit.hamstrings_light", { by: who }));
  else if (rule === "progressive" && match.entry_demand_1_4 > 3)
    found.blocks.push(saidWith("fit.hamstrings_no_lowering", { by: who }));
  const most = b.resisted_knee_flexion?.high ?? null;
  if (most !== null) {
    const needed = e.knee_angle_usable_deg.min + (match.static_hold ? 0 : match.min_arc_deg);
    if (most < needed) found.blocks.push(saidWith("fit.bend_small", { by: who }));
    else if (most < e.knee_angle_usable_deg.max)
      found.changes.push(saidWith("fit.bend_only", { most, by: who }));
  }
  return found;
};

const plainBridge: Check = (e, b) =>
  likeOf(e) === "bridge_two" && wordOf(b, "resisted_knee_flexion") === "none"
    ? changes({ code: "fit.plain_bridge" })
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
