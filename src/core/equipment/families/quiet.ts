import { familyText } from "./named";

const IDS = [
  "hip_abduction",
  "hip_adduction",
  "multi_hip",
  "kickback",
  "reverse_hip",
  "calf_standing",
  "calf_seated",
  "lever_squat",
  "hip_bench",
] as const;

/** Machines that leave the knee quiet: they have steps and a place in the gym, and no model of the knee. */
export const QUIET_FAMILIES = IDS.map((id) => ({ id, ...familyText(id) }));
