import type { Stage } from "../../rules/conditions";
import type { Scheme } from "../../sheet/schemes/scheme";
import { addedScheme } from "../addedSchemes";
import type { DraftLine } from "../draftLine";
import { type Change, isClass } from "../edit";

/** Holds and quiet moves of the trunk by what the phase is for, the first that is open is taken. Rule X1 [own]. */
const BY_STAGE: Readonly<Record<Stage, readonly string[]>> = {
  protect: ["trunk_face_up"],
  wake: ["trunk_hands_knees", "trunk_face_up"],
  learn: ["trunk_hands_knees", "trunk_face_up"],
  build: ["trunk_side_knees", "trunk_front_knees", "trunk_hands_knees", "trunk_face_up"],
  strong: ["trunk_side_feet", "trunk_side_knees", "carry_one", "trunk_press_out"],
  keep: ["trunk_side_feet", "trunk_side_knees", "carry_one", "trunk_press_out"],
};

/** Done on one side after the other; the others on both at once. */
const SIDED: ReadonlySet<string> = new Set([
  ...["trunk_hands_knees", "trunk_side_knees", "trunk_side_feet", "trunk_press_out"],
]);

/** What who is frail is given. */
const EASY_DEMAND = 2;

/** Short holds, and more of them rather than longer ones. */
const HOLDS: Scheme = {
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 10,
  restS: 10,
  setRestS: 0,
  effort: { kind: "felt", felt: 5 },
  atDeg: null,
};
const WALK: Scheme = { kind: "carry", sets: 2, distanceM: 15, carriedKg: 5, restS: 60 };

/** A back that is treated gets one line of the trunk, the first to go where few lines or little time are left; where one stands it stays alone. Rule X1. */
export function withTrunk(lines: DraftLine[], c: Change): DraftLine[] {
  if (!c.facts.isOfTheBack || lines.some(isClass(c, "trunk"))) return lines;
  const id = BY_STAGE[c.facts.stage].find(
    (x) => c.fits(x) && !(c.facts.isFrail && (c.exercise(x)?.match.entry_demand_1_4 ?? 0) > EASY_DEMAND),
  );
  const e = id ? c.exercise(id) : null;
  if (!e) return lines;
  const scheme = e.id === "carry_one" ? WALK : e.match.static_hold ? HOLDS : addedScheme(e);
  const made: DraftLine = {
    ...{ exerciseId: e.id, role: "support", scheme, window: null },
    ...{
      legs: SIDED.has(e.id) ? "one_after_other" : "together",
      why: "drafts.trunk_for_back",
      isAsked: false,
      isExtra: true,
    },
  };
  return [...lines, made];
}
