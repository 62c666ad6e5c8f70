import type { UntestedPerson } from "./untestedStrength";

/** Conditions that weaken what nobody tested (corrections K2); those of a joint only on its own side. */
const ARTHRITIS = new Set(["knee_oa", "hip_oa"]);
const FRONT_PAIN = new Set(["pfp", "extensor_tendinopathy"]);

export function weakenedBy(
  conditions: readonly { id: string; main_region: string }[],
  isTreated: boolean,
  isInactive: boolean,
): UntestedPerson["has"] {
  const ids = conditions.map((c) => c.id);
  return {
    arthritis: isTreated && ids.some((id) => ARTHRITIS.has(id)),
    kneecapOrTendonPain: isTreated && ids.some((id) => FRONT_PAIN.has(id)),
    back: conditions.some((c) => c.main_region === "lumbar"),
    longInactivity: isInactive || ids.includes("deconditioning"),
  };
}
