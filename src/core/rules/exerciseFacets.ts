import { type Need, needsOf, type Position } from "./exerciseNeeds";
import type { Exercise } from "./exercises";

type Joint = "knee" | "hip" | "ankle" | "back";

/** What people look for an exercise by, each read off the catalogue's own fields. */
export interface ExerciseFacets {
  muscles: string[];
  joints: Joint[];
  positions: Position[];
  /** "nothing": floor, mat or wall only */
  needs: (Need | "nothing")[];
  spares: ("back" | "balance" | "shoulders")[];
}

const JOINTS: Record<Exercise["match"]["class"], readonly Joint[]> = {
  closed_knee: ["knee", "hip"],
  closed_knee_flexion: ["knee"],
  open_knee_extension: ["knee"],
  open_knee_flexion: ["knee"],
  static_quad: ["knee"],
  hip_hinge: ["hip"],
  hip_open: ["hip"],
  calf: ["ankle"],
  stretch: [],
  trunk: ["back"],
};
/** A stretch is of the joint that its muscle crosses. */
const STRETCHED: Record<string, Joint> = {
  quads: "knee",
  hamstrings: "knee",
  hip_flexors: "hip",
  calves: "ankle",
  soleus: "ankle",
};

/** The facets of an exercise; each list has at least one entry, but what it spares may be nothing. */
export function facetsOf(e: Exercise): ExerciseFacets {
  const worked = Object.entries(e.muscle_emphasis_0_3).sort((a, b) => b[1] - a[1]);
  const most = worked[0]?.[1] ?? 0;
  // two dots and more count as trained; where nothing has two, the most of it
  const main = worked.filter(([, dots]) => dots >= Math.min(2, most));
  const { needs, positions } = needsOf(e);
  const joints = JOINTS[e.match.class];
  return {
    muscles: unique(main.map(([m]) => (m === "soleus" ? "calves" : m))),
    joints: joints.length > 0 ? [...joints] : unique(main.map(([m]) => STRETCHED[m] ?? "hip")),
    positions,
    needs: needs.length > 0 ? needs : ["nothing"],
    spares: [
      ...(e.lumbar.demand_0_3 === 0 ? (["back"] as const) : []),
      ...(e.balance_demand_0_3 === 0 ? (["balance"] as const) : []),
      ...(e.axial_load === "none" ? (["shoulders"] as const) : []),
    ],
  };
}

const unique = <T>(all: T[]): T[] => [...new Set(all)];
