import type { Condition } from "../../rules/conditions";
import type { Muscle } from "../../schedule/balance";
import type { WeakGroup } from "../draftFacts";

const BY_REGION: Readonly<Record<Condition["main_region"], readonly Muscle[]>> = {
  knee: ["quads"],
  hip: ["abductors", "glutes"],
  lumbar: ["glutes", "hams"],
  whole_body: ["quads", "glutes"],
};
const BY_WEAKNESS: Readonly<Record<WeakGroup, Muscle>> = {
  quadriceps: "quads",
  hamstrings: "hams",
  hip_abductors: "abductors",
  calf: "calves",
};

/** Muscle groups that a client's work is for first: by the joint that needs it, and by what was measured as weaker [own]. */
export const aimedMuscles = (
  regions: readonly Condition["main_region"][],
  weak: readonly WeakGroup[],
): Muscle[] => [...new Set([...regions.flatMap((r) => BY_REGION[r]), ...weak.map((w) => BY_WEAKNESS[w])])];
