/** Regions of the body picture that can be marked as painful: leg and back, seen from the front, the back and the side. */
export const PAIN_REGIONS = {
  back_low: "low back",
  back_buttock: "buttock",
  hip_groin: "groin",
  hip_side: "side of the hip",
  thigh_front: "front of the thigh",
  thigh_back: "back of the thigh",
  knee_above: "above the kneecap",
  knee_cap: "around the kneecap",
  knee_tendon: "below the kneecap",
  knee_inner: "inner side of the knee",
  knee_outer: "outer side of the knee",
  knee_back: "hollow of the knee",
  calf: "calf",
  shin: "shin",
  ankle_foot: "ankle and foot",
} as const;
export type PainRegion = keyof typeof PAIN_REGIONS;
export const PAIN_REGION_IDS = Object.keys(PAIN_REGIONS) as [PainRegion, ...PainRegion[]];
