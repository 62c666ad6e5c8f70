import { type InForce, inForce } from "../bounds/inForce";
import type { BoundKind } from "../bounds/kinds";
import type { Limit } from "../bounds/limit";
import { asKept, type Said, saidWith } from "../units/said";
import type { LimitsRecord } from "./limitsRecord";
import texts from "./text/en/limits.json";

type Bound = Pick<Limit, "low" | "high" | "word" | "names">;
const NOTHING = { low: null, high: null, word: null, names: [] };
const most = (high: number): Bound => ({ ...NOTHING, high });
const atLeast = (low: number): Bound => ({ ...NOTHING, low });
const word = (w: string): Bound => ({ ...NOTHING, word: w });
const window = (low: number, high: number): Bound => ({ ...NOTHING, low, high });
const named = (names: readonly string[]): Bound | null =>
  names.length ? { ...NOTHING, names: [...names] } : null;
const orNone = (high: number | null): Bound | null => (high === null ? null : most(high));
const yesNo = (isAllowed: boolean): Bound => word(isAllowed ? "yes" : "no");
/** nothing is left between low and high */
const NO_ANGLE = window(131, -1);

/**
 * A limits record as single bounds, in the shape of all other limits, so that the tightest of any origin wins.
 * `because` names the condition and its phase, or the warning sign.
 */
export function limitsOfRecord(
  r: LimitsRecord,
  because: string,
  idPrefix: string,
  origin: Limit["origin"] = "condition",
): Limit[] {
  const { open_chain_extension: open, closed_chain: closed } = r;
  const angles = open.rule === "none" ? null : open.isometric_angles_deg;
  const found: [BoundKind, Bound | null, Said?][] = [
    ["knee_flexion_under_load", window(r.knee_flexion_loaded_deg.min, r.knee_flexion_loaded_deg.max)],
    angles
      ? [
          "extension_hold_angles",
          window(angles[0], angles[1]),
          saidWith("bound.holds_at", { fromDeg: angles[0], toDeg: angles[1] }),
        ]
      : ["extension_hold_angles", NO_ANGLE, { code: "bound.not_even_held" }],
    ["hold_effort", orNone(open.isometric_effort_max_pct)],
    [
      "open_chain_extension",
      open.rule === "arc" ? { ...word(open.rule), low: open.to_deg, high: open.from_deg } : word(open.rule),
      open.why,
    ],
    ["open_chain_load", openChainLoad(r), open.load_reference ? loadWords(open.load_reference) : undefined],
    ["closed_chain_depth", most(closed.max_depth_deg)],
    ["closed_chain_load", orNone(closed.max_rel_load_pct), loadWords(closed.load_reference)],
    ["static_quad", word(r.static_quad)],
    ["single_leg", yesNo(closed.single_leg_allowed)],
    [
      "resisted_knee_flexion",
      { ...word(r.resisted_knee_flexion.rule), high: r.resisted_knee_flexion.max_flexion_deg },
      r.resisted_knee_flexion.why,
    ],
    ["weight_bearing", word(r.weight_bearing)],
    ["resisted_bending_load", orNone(r.resisted_knee_flexion.max_rel_load_pct)],
    ["hip_flexion", most(r.hip.flexion_max_deg), r.hip.note ?? undefined],
    ["hip_abduction", word(r.hip.resisted_abduction)],
    ["hip_adduction", word(r.hip.resisted_adduction)],
    ["hip_flexion_resisted", word(r.hip.resisted_flexion)],
    ["across_midline", yesNo(r.hip.adduction_past_midline)],
    ["hip_behind_body", yesNo(r.hip.extension_past_neutral)],
    ["back_bending", word(r.lumbar.avoid_loaded_flexion ? "avoid" : "allowed")],
    ["back_arching", word(r.lumbar.avoid_loaded_extension ? "avoid" : "allowed")],
    ["back_demand", most(r.lumbar.max_demand_0_3)],
    ["weight_on_shoulders", word(r.axial_load_max)],
    ["kneeling", word(r.kneeling)],
    ["impact", word(r.impact)],
    ["balance_demand", most(r.balance_demand_max_0_3)],
    ["joint_pain", most(r.pain.max_joint_pain_during_0_10)],
    ["entry_demand", most(r.entry_demand_max_1_4)],
    ["side_stress", named(r.avoid_knee_side_stress)],
    ["pain_rise", orNone(r.pain.max_rise_during_0_10)],
    ["morning_rise", most(r.pain.max_rise_next_morning_0_10)],
    ["pain_school", word(r.pain.school)],
    ["felt_effort", most(r.effort.max_rpe_0_10)],
    ["reserve", atLeast(r.effort.min_reps_in_reserve)],
    ["holds_first", word(r.isometric_first ? "yes" : "no")],
    ["presence", word(r.machines)],
    [
      "barred_by_name",
      named([
        ...r.exercises_blocked,
        ...r.classes_blocked.map((c) => `class:${c}`),
        ...r.positions_blocked.map((p) => `position:${p}`),
      ]),
    ],
  ];
  /** what the reason does not say already */
  const isNew = (detail: Said | undefined): detail is Said =>
    detail !== undefined && detail !== "" && !(typeof detail === "string" && because.includes(detail));
  return found.flatMap(([kind, bound, detail]) =>
    bound
      ? [
          {
            id: `${idPrefix}-${kind}`,
            kind,
            ...bound,
            origin,
            reason: isNew(detail) ? asKept(saidWith("bound.of_phase", { because, detail })) : because,
            ofPhase: { because, detail: isNew(detail) ? asKept(detail) : "" },
            endsOn: null,
          },
        ]
      : [],
  );
}

/** "Limb weight only" is a load of nothing added; free extension without a number has no bound here. */
function openChainLoad({ open_chain_extension: open }: LimitsRecord): Bound | null {
  if (open.rule === "none" || open.rule === "isometric") return null;
  if (open.max_rel_load_pct !== null) return most(open.max_rel_load_pct);
  return open.rule === "arc" ? most(0) : null;
}

/** What a load is a share of, as people say it. */
const loadWords = (reference: string): string =>
  texts.loadReferences.reduce((words, { of, said }) => words.replace(of, said), reference);

/** What a record leaves, by itself. */
export const boundsOfRecord = (r: LimitsRecord, because: string): InForce =>
  inForce(limitsOfRecord(r, because, "record"), "");
