import type { Exercise } from "./exercises";

/** What people look for an exercise by, each read off the catalogue's own fields. */
export interface ExerciseFacets {
  muscles: string[];
  joints: string[];
  positions: string[];
  needs: string[];
  spares: string[];
}

const MUSCLES: Record<string, string> = {
  quads: "quadriceps",
  hamstrings: "hamstrings",
  glutes: "glutes",
  abductors: "hip abductors",
  adductors: "hip adductors",
  hip_flexors: "hip flexors",
  calves: "calves",
  soleus: "calves",
  trunk_extensors: "back extensors",
  trunk_flexors: "belly",
};

const JOINTS: Record<Exercise["match"]["class"], readonly string[]> = {
  closed_knee: ["knee", "hip"],
  closed_knee_flexion: ["knee"],
  open_knee_extension: ["knee"],
  open_knee_flexion: ["knee"],
  static_quad: ["knee"],
  hip_hinge: ["hip"],
  hip_open: ["hip"],
  calf: ["ankle"],
  stretch: [],
};
/** A stretch is of the joint that its muscle crosses. */
const STRETCHED: Record<string, string> = {
  quads: "knee",
  hamstrings: "knee",
  hip_flexors: "hip",
  calves: "ankle",
  soleus: "ankle",
};

const POSITIONS: readonly (readonly [RegExp, string])[] = [
  [/seated|sitting|reclined/, "sitting"],
  [/standing/, "standing"],
  [/supine|prone|side-lying/, "lying"],
  [/kneeling/, "kneeling"],
];

const NEEDS: readonly (readonly [RegExp, string])[] = [
  [/machine|press|sled|squat|guide rails|glute-ham|cable/i, "a machine"],
  [/step|box|board|stool/i, "a step or box"],
  [/band|strap|belt/i, "a band or strap"],
  [/weight|dumbbell|kettlebell|bag|\bbar\b|load/i, "a weight"],
  [/chair|bench|table|counter|rail|bed/i, "a chair, bench or rail"],
];
const NOTHING = "floor, mat or wall only";

/** The facets of an exercise; each list has at least one entry, but what it spares may be nothing. */
export function facetsOf(e: Exercise): ExerciseFacets {
  const worked = Object.entries(e.muscle_emphasis_0_3).sort((a, b) => b[1] - a[1]);
  const most = worked[0]?.[1] ?? 0;
  // two dots and more count as trained; where nothing has two, the most of it
  const main = worked.filter(([, dots]) => dots >= Math.min(2, most));
  const needs = NEEDS.flatMap(([words, name]) => (words.test(e.equipment) ? [name] : []));
  if (e.match.is_machine && !needs.includes("a machine")) needs.unshift("a machine");
  const joints = JOINTS[e.match.class];
  return {
    muscles: unique(main.map(([m]) => MUSCLES[m] ?? m)),
    joints: joints.length > 0 ? [...joints] : unique(main.map(([m]) => STRETCHED[m] ?? "hip")),
    positions: POSITIONS.flatMap(([words, name]) => (words.test(e.position) ? [name] : [])),
    needs: needs.length > 0 ? needs : [NOTHING],
    spares: [
      e.lumbar.demand_0_3 === 0 ? "the back" : "",
      e.balance_demand_0_3 === 0 ? "balance" : "",
      e.axial_load === "none" ? "the shoulders" : "",
    ].filter(Boolean),
  };
}

const unique = (all: string[]): string[] => [...new Set(all)];
