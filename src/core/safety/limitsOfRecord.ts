import type { LimitsRecord } from "../rules/limitsRecord";
import type { BoundKind } from "./boundKinds";
import type { Limit } from "./limits";

type Bound = Pick<Limit, "low" | "high" | "word">;
const most = (high: number): Bound => ({ low: null, high, word: null });
const word = (w: string): Bound => ({ low: null, high: null, word: w });
const window = (low: number, high: number): Bound => ({ low, high, word: null });
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
  const found: [BoundKind, Bound | null, string?][] = [
    ["knee_flexion_under_load", window(r.knee_flexion_loaded_deg.min, r.knee_flexion_loaded_deg.max)],
    angles
      ? ["extension_hold_angles", window(angles[0], angles[1]), `holds at ${angles[0]}° to ${angles[1]}°`]
      : ["extension_hold_angles", NO_ANGLE, "no open-chain extension, not even held"],
    ["hold_effort", open.isometric_effort_max_pct === null ? null : most(open.isometric_effort_max_pct)],
    [
      "open_chain_extension",
      open.rule === "arc" ? { low: open.to_deg, high: open.from_deg, word: open.rule } : word(open.rule),
      open.why,
    ],
    ["open_chain_load", openChainLoad(r), open.load_reference ?? undefined],
    ["closed_chain_depth", most(closed.max_depth_deg)],
    [
      "closed_chain_load",
      closed.max_rel_load_pct === null ? null : most(closed.max_rel_load_pct),
      closed.load_reference,
    ],
    ["single_leg", word(closed.single_leg_allowed ? "yes" : "no")],
    [
      "resisted_knee_flexion",
      {
        low: null,
        high: r.resisted_knee_flexion.max_flexion_deg,
        word: r.resisted_knee_flexion.rule,
      },
      r.resisted_knee_flexion.why,
    ],
    ["weight_bearing", word(r.weight_bearing)],
    ["hip_flexion", most(r.hip.flexion_max_deg), r.hip.note ?? undefined],
    ["back_bending", word(r.lumbar.avoid_loaded_flexion ? "avoid" : "allowed")],
    ["back_arching", word(r.lumbar.avoid_loaded_extension ? "avoid" : "allowed")],
    ["back_demand", most(r.lumbar.max_demand_0_3)],
    ["weight_on_shoulders", word(r.axial_load_max)],
    ["kneeling", word(r.kneeling)],
    ["impact", word(r.impact)],
    ["balance_demand", most(r.balance_demand_max_0_3)],
    ["joint_pain", most(r.pain.max_joint_pain_during_0_10)],
    ["felt_effort", most(r.effort.max_rpe_0_10)],
  ];
  return found.flatMap(([kind, bound, detail]) =>
    bound
      ? [
          {
            id: `${idPrefix}-${kind}`,
            kind,
            ...bound,
            origin,
            reason: detail ? `${because}: ${detail}` : because,
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
