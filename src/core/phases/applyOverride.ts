import type { LimitsOverride, LimitsRecord } from "../rules/limitsRecord";
import { joined } from "./stricterOf";

const JOINED = ["exercises_blocked", "classes_blocked", "positions_blocked"] as const;
/** These are replaced whole: half of one rule with half of another would be no rule at all. */
const REPLACED_WHOLE = new Set(["open_chain_extension", "resisted_knee_flexion"]);

/** A record with a variant's, a stance's or a caution's changes: lists are joined, nested parts changed in place. */
export function applyOverride(base: LimitsRecord, override: LimitsOverride): LimitsRecord {
  const out: Record<string, unknown> = { ...base };
  for (const [key, value] of Object.entries(override)) {
    if (value === undefined) continue;
    const old = out[key];
    if ((JOINED as readonly string[]).includes(key)) out[key] = joined(old as string[], value as string[]);
    else if (isPlain(value) && isPlain(old) && !REPLACED_WHOLE.has(key)) out[key] = { ...old, ...value };
    else out[key] = value;
  }
  return out as LimitsRecord;
}

const isPlain = (x: unknown): x is Record<string, unknown> =>
  typeof x === "object" && x !== null && !Array.isArray(x);
