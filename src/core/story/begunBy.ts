type Beginning = "surgery" | "onset";

/** Conditions that are an operation, and those that none began. A fracture or an injured ligament may be either. */
const BEGINS: Readonly<Record<string, Beginning>> = {
  acl_reconstruction: "surgery",
  meniscus_repair: "surgery",
  partial_meniscectomy: "surgery",
  total_knee_replacement: "surgery",
  unicompartmental_replacement: "surgery",
  total_hip_replacement: "surgery",
  knee_oa: "onset",
  pfp: "onset",
  extensor_tendinopathy: "onset",
  acl_deficient: "onset",
  mcl_sprain: "onset",
  hip_oa: "onset",
  lumbar_disc_flexion: "onset",
  lumbar_stenosis_extension: "onset",
};

/** What the conditions themselves say an episode began with, the first of them for all; null: it has to be asked. */
export function begunBy(conditionIds: readonly string[]): Beginning | null {
  const [first, ...more] = conditionIds.map((id) => BEGINS[id] ?? null);
  if (first === undefined || first === null) return null;
  // an operation beside what came by itself: which of them the date is of, only a person knows
  return more.every((m) => m === first) ? first : null;
}
