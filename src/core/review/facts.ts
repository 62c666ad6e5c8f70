import type { Moved } from "../capacity/learn";
import type { CourseOf, CoursePoint } from "../decision/lineCourse";
import type { DatedCost } from "../demand/costsOverTime";
import type { DatedStrength } from "../measure/findings";
import type { NeedOfGoal } from "../measure/goalNeeds";
import type { MeasuredBeside } from "../measure/measured";
import type { Action } from "../progression/safetyRules";
import type { MarkerScores } from "../story/markers";
import type { Side } from "../units/fields";
import type { PainRegion } from "../units/painRegion";

/** A stretch of days that something held: a phase, a limit somebody wrote. */
export interface Band {
  id: string;
  kind: "phase" | "limit";
  words: string;
  from: string;
  /** the day after its last; null: it still holds */
  to: string | null;
}

/** A finished visit in numbers. */
export interface ReviewVisit {
  id: string;
  on: string;
  sheet: string;
  place: "clinic" | "gym" | "home";
  painBefore: number | null;
  painAfter: number | null;
  /** the worst in any set; null: no set was logged */
  painWorst: number | null;
  /** the most that was allowed */
  painMax: number | null;
  /** the next morning; null: not answered */
  morning: number | null;
  swelling: number | null;
  /** what else was done that day and was hard on the same part: its morning does not tell. Rule Besides 3 */
  besides: readonly string[];
  stopped: string | null;
  /** other regions: the worst in a set, and the morning after */
  regions: readonly { region: PainRegion; worst: number | null; morning: number | null }[];
  /** how hard the whole of it was; null: not said */
  effort: number | null;
  /** movements before the first set and after the last */
  markers: readonly MarkerScores[];
  hardReps: number;
  kneecapChairS: number;
}

/** How one line climbed. */
export interface LineWay {
  lineId: string;
  name: string;
  of: CourseOf;
  points: CoursePoint[];
}

/** A decision that somebody took. */
export interface Decided {
  on: string;
  /** null: for all lines */
  lineId: string | null;
  line: string;
  action: Action;
  computed: Action;
  sentence: string;
  /** why it was not the computed one */
  reason: string | null;
  by: string;
}

/** What a task took of the leg on a day, with the task's name. */
export interface NamedCost extends DatedCost {
  name: string;
}

/** A day of a block that was kept, until the next block replaced it. */
export interface PlannedRun {
  on: string;
  sheetId: string;
  sheet: string;
  /** a visit of that sheet was finished on the day */
  wasDone: boolean;
}

/** All that a review is made of: an episode from its first day to today, or to the day it was closed. */
export interface ReviewFacts {
  side: Side;
  from: string;
  to: string;
  bands: Band[];
  visits: ReviewVisit[];
  lines: LineWay[];
  strength: DatedStrength[];
  /** what moved what each movement of this leg is believed to do */
  can: Record<"knee_extension" | "knee_flexion", readonly Moved[]>;
  /** share of the other leg that opens the next phase, by movement; null: no phase asks for one */
  criterion: { knee_extension: number | null; knee_flexion: number | null };
  measurements: MeasuredBeside[];
  /** what the goals ask, the largest gap first */
  needs: readonly NeedOfGoal[];
  costs: NamedCost[];
  planned: PlannedRun[];
  decisions: Decided[];
}
