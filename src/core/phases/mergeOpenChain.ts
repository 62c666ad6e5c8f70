import { SCALES } from "../bounds/scales";
import { LEAST_COMMON_ARC_DEG } from "../bounds/tightest";
import { LIMB_WEIGHT_ONLY, type OpenChainExtension } from "../rules/limitsRecord";
import { smallerBound, stricterWord } from "./stricterOf";
import texts from "./text/en.json";

/** The stricter of two open-chain extension rules: narrowest arc, smallest load, common holding angles. */
export function mergeOpenChain(a: OpenChainExtension, b: OpenChainExtension): OpenChainExtension {
  if (a.rule === "none") return a;
  if (b.rule === "none") return b;
  const base = stricterWord(SCALES.openChain, a.rule, b.rule) === a.rule ? a : b;
  const out: OpenChainExtension = {
    ...base,
    isometric_angles_deg: commonAngles(a, b, base),
    isometric_effort_max_pct: smallerBound(a.isometric_effort_max_pct, b.isometric_effort_max_pct),
  };
  if (out.rule === "isometric") {
    if (out.isometric_angles_deg) return out;
    return { ...out, rule: "none", why: texts.no_common_angle };
  }
  const arc = mergeArc(a, b, out);
  if ((arc.from_deg ?? 0) - (arc.to_deg ?? 0) >= LEAST_COMMON_ARC_DEG) return arc;
  return {
    ...arc,
    rule: arc.isometric_angles_deg ? "isometric" : "none",
    from_deg: null,
    to_deg: null,
    max_rel_load_pct: null,
    week_schedule: [],
    why: texts.arcs_too_narrow,
  };
}

function commonAngles(a: OpenChainExtension, b: OpenChainExtension, base: OpenChainExtension) {
  if (!a.isometric_angles_deg || !b.isometric_angles_deg) return base.isometric_angles_deg;
  const low = Math.max(a.isometric_angles_deg[0], b.isometric_angles_deg[0]);
  const high = Math.min(a.isometric_angles_deg[1], b.isometric_angles_deg[1]);
  return low <= high ? ([low, high] as [number, number]) : null;
}

/** Arc and load of two moving rules. A schedule that widens week by week survives only where it stays inside both. */
function mergeArc(a: OpenChainExtension, b: OpenChainExtension, out: OpenChainExtension): OpenChainExtension {
  const limbOnly = [a.load_reference, b.load_reference].includes(LIMB_WEIGHT_ONLY);
  const aTo = a.to_deg ?? 0;
  const bTo = b.to_deg ?? 0;
  const keepsA =
    a.week_schedule.length > 0 && (b.week_schedule.length > 0 || (bTo <= aTo && b.rule === "free"));
  const keepsB = a.rule === "free" && aTo <= bTo;
  return {
    ...out,
    from_deg: Math.min(a.from_deg ?? 0, b.from_deg ?? 0),
    to_deg: Math.max(aTo, bTo),
    load_reference: limbOnly ? LIMB_WEIGHT_ONLY : out.load_reference,
    max_rel_load_pct: limbOnly ? null : smallerBound(a.max_rel_load_pct, b.max_rel_load_pct),
    week_schedule: keepsA ? a.week_schedule : keepsB ? b.week_schedule : [],
  };
}
