/** Regions of the body picture that can be marked as painful: leg and back, seen from the front, the back and the side. */
export const PAIN_REGION_IDS = [
  "back_low",
  "back_buttock",
  "hip_groin",
  "hip_side",
  "thigh_front",
  "thigh_back",
  "knee_above",
  "knee_cap",
  "knee_tendon",
  "knee_inner",
  "knee_outer",
  "knee_back",
  "calf",
  "shin",
  "ankle_foot",
] as const;
export type PainRegion = (typeof PAIN_REGION_IDS)[number];
