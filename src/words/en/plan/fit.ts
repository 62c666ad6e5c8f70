import type { Limit } from "@/core/bounds/limit";
import { byWords } from "./bounds";

interface By {
  by: readonly Limit["origin"][];
}

const BACK: Readonly<Record<string, string>> = { flexion: "bending", extension: "arching" };
const HIP: Readonly<Record<string, string>> = {
  abduction: "leg outward",
  adduction: "leg inward",
  flexion: "thigh up",
};

/** Why an exercise does not fit what is in force, or what has to be set otherwise; clauses, with who set the limit. */
export const fit = {
  by_name: (m: By) => `ruled out by name, kind or position${byWords(m.by)}`,
  present: (m: By) => `with a licensed therapist present${byWords(m.by)}`,
  too_demanding: (m: By) => `asks for more skill or strength than is allowed now${byWords(m.by)}`,
  too_unsteady: (m: By) => `asks for more balance than is allowed now${byWords(m.by)}`,
  weight_bearing: (m: By) => `more weight on the leg than is allowed${byWords(m.by)}`,
  kneeling: (m: By) => `kneeling${byWords(m.by)}`,
  back_demand: (m: By) => `loads the back more than is allowed${byWords(m.by)}`,
  side_stress: (m: By) => `side stress on the knee${byWords(m.by)}`,
  one_leg: (m: By) => `one leg alone${byWords(m.by)}`,
  midline: (m: By) => `leg across the midline${byWords(m.by)}`,
  hip_behind: (m: By) => `thigh behind the body${byWords(m.by)}`,
  no_hold_angle: (m: By) => `no angle to hold at${byWords(m.by)}`,
  static_quad: (m: By) => `quadriceps work without movement is limited${byWords(m.by)}`,
  limb_only: (m: By) => `the limb's own weight only${byWords(m.by)}`,
  load_share: (m: By & { pct: number }) =>
    `load at most ${m.pct} % of what this leg lifts once${byWords(m.by)}`,
  hamstrings_at_hip: (m: By & { rule: string }) =>
    `loads the hamstrings at the hip while they are ${m.rule === "none" ? "spared" : "only held"}${byWords(m.by)}`,
  hinge_demanding: (m: By) => `a hinge too demanding for the hamstrings now${byWords(m.by)}`,
  stick_only: (m: By) => `stick or very light load only${byWords(m.by)}`,
  no_added_load: (m: By) => `no added load${byWords(m.by)}`,
  on_shoulders: (m: By) => `weight on the shoulders or spine${byWords(m.by)}`,
  hip_past: (m: By & { most: number }) => `bends the hip past ${m.most}°${byWords(m.by)}`,
  recline: (m: By & { most: number }) =>
    `recline or raise the seat: hip bend at most ${m.most}°${byWords(m.by)}`,
  back_loaded: (m: By & { direction: string }) => `loaded ${BACK[m.direction]} of the back${byWords(m.by)}`,
  back_less: (m: By & { direction: string }) =>
    `less ${BACK[m.direction]} of the back: recline, pillow or smaller range${byWords(m.by)}`,
  needs_bend: (m: By & { deg: number }) => `needs ${m.deg}° of bend under load${byWords(m.by)}`,
  too_straight: (m: By) => `works too near to straight${byWords(m.by)}`,
  needs_bend_stretch: (m: By & { deg: number }) => `needs ${m.deg}° of bend${byWords(m.by)}`,
  no_open_extension: (m: By) => `no extension with the foot free${byWords(m.by)}`,
  open_holds_only: (m: By) => `extension with the foot free: holds only${byWords(m.by)}`,
  arc_short: (m: By) => `the allowed arc is too short for it${byWords(m.by)}`,
  arc: (m: By & { fromDeg: number; toDeg: number }) => `arc ${m.fromDeg}° to ${m.toDeg}°${byWords(m.by)}`,
  needs_depth: (m: By & { depth: number }) => `needs more depth than ${m.depth}°${byWords(m.by)}`,
  stop_deep: (m: By & { depth: number }) => `stop at ${m.depth}° deep${byWords(m.by)}`,
  no_resisted_bend: (m: By) => `no bending of the knee against resistance${byWords(m.by)}`,
  hamstrings_held: (m: By) => `hamstrings: holds only${byWords(m.by)}`,
  hamstrings_light: (m: By) => `hamstrings: light work only${byWords(m.by)}`,
  hamstrings_no_lowering: (m: By) => `hamstrings: no full lowering yet${byWords(m.by)}`,
  bend_small: (m: By) => `the allowed bend is too small for it${byWords(m.by)}`,
  bend_only: (m: By & { most: number }) => `bend to ${m.most}° only${byWords(m.by)}`,
  unlock: "after a therapist unlocks it",
  limb_small_range: "limb weight, small range; stop for pain behind the knee or at the donor site",
  plain_bridge: "knees well bent, push through mid-foot, no heel drag",
  hip_motion: (m: By & { motion: string }) => `${HIP[m.motion]} against resistance${byWords(m.by)}`,
  cuff_stop: (m: { deg: number }) => `an ankle weight pulls most near straight: stop at ${m.deg}°`,
  hold_at: (m: { low: number; high: number; pct: number | null }) =>
    `hold at ${m.low}° to ${m.high}°${m.pct === null ? "" : `, at most ${m.pct} % of its strength`}`,
  // what cuts the arc
  bend: (m: By) => `bend of the knee${byWords(m.by)}`,
  bend_loaded: (m: By) => `bend under load${byWords(m.by)}`,
  hold_angles: (m: By) => `angles of a held extension${byWords(m.by)}`,
  open_arc: (m: By) => `arc of extension with the foot free${byWords(m.by)}`,
  closed_depth: (m: By) => `depth of presses and squats${byWords(m.by)}`,
  resisted_bend: (m: By) => `bending against resistance${byWords(m.by)}`,
  motion: "what this knee does, measured",
  not_trained: "this phase does not train it: tick it from daily life or a supervised test",
};
