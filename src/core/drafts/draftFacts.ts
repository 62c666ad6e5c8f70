import type { NeedOfGoal } from "../measure/goalNeeds";
import type { Stage } from "../rules/conditions";
import type { Muscle } from "../schedule/balance";
import type { PainfulArc } from "../strength/painfulArc";
import type { NotYet } from "./person/notYet";
import type { Recipe } from "./recipe";

/** Where it hurts, as far as a first draft asks. */
export type PainSite =
  | "front_of_knee"
  | "inner_joint_line"
  | "back_of_knee"
  | "back_of_thigh"
  | "low_back"
  | "hip";

/** What was measured as weaker; "cannot tell" is not among them. */
export type WeakGroup = "quadriceps" | "hamstrings" | "hip_abductors" | "calf";

/** What a first draft is made from, besides limits and loads. */
export interface DraftFacts {
  recipe: Recipe;
  variantId: string;
  /** what the phase is for, and the muscle groups that it is for first. Rule D2 */
  stage: Stage;
  aimed: readonly Muscle[];
  /** days a week on which a strength sheet can be done */
  daysAWeek: number;
  isOfTheBack: boolean;
  painSites: readonly PainSite[];
  /** where it hurts, by the way the knee is moved. Rule K27 */
  painfulArcs: readonly PainfulArc[];
  /** the answer in force to each question of schools that somebody answered, by its id. Rule K22 */
  schools: Readonly<Record<string, string>>;
  /** daily tasks that are not done alone yet, as told or by what they would take */
  notYet: readonly NotYet[];
  /** one grade more swelling than at the visit before */
  swellingIsUp: boolean;
  weak: readonly WeakGroup[];
  /** what a goal asks that is furthest from what was measured. Rule "Measured 5" */
  gap: NeedOfGoal | null;
  /** the stretches of what measured short in reach. Rule "Measured 4" */
  shortReach: readonly string[];
  /** over 75, or below the chair-rise norm */
  isFrail: boolean;
  pressureIsKnown: boolean;
  isFirstVisit: boolean;
  weeksAfterSurgery: number | null;
  bodyMassKg: number;
  /** the phase that it is drafted for, where no therapist has confirmed it; null: confirmed */
  unconfirmed: string | null;
}
