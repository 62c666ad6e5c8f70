import type { PainRegion } from "../../units/painRegion";
import type { PainSite } from "../draftFacts";

/** What the marks of the body picture mean for a first draft; null: nothing is changed for it. */
const SITE_OF: Record<PainRegion, PainSite | null> = {
  back_low: "low_back",
  back_buttock: "low_back",
  hip_groin: "hip",
  hip_side: "hip",
  thigh_front: null,
  thigh_back: "back_of_thigh",
  knee_above: "front_of_knee",
  knee_cap: "front_of_knee",
  knee_tendon: "front_of_knee",
  knee_inner: "inner_joint_line",
  knee_outer: null,
  knee_back: "back_of_knee",
  calf: "back_of_knee",
  shin: null,
  ankle_foot: null,
};

export const painSitesOf = (marks: readonly PainRegion[]): PainSite[] => [
  ...new Set(marks.flatMap((m) => SITE_OF[m] ?? [])),
];
