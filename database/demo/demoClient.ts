import type { BoundKind } from "../../src/core/bounds/kinds";
import type { MeasurementKind } from "../../src/core/measure/measurementKinds";
import type { ScoreLine } from "../../src/core/sheet/line/scoreInput";
import type { EpisodeInput } from "../../src/core/story/storyInput";
import type { Movement } from "../../src/core/strength/movements";
import type { Side } from "../../src/core/units/fields";

export interface DemoLimit {
  kind: BoundKind;
  low?: number;
  high?: number;
  word?: string;
  origin: "surgeon" | "therapist";
  reason: string;
  endsInDays: number | null;
}

/** A series of one kind: from its first to its last value along a straight line, with noise. */
export interface DemoSeries {
  kind: MeasurementKind;
  side?: Side;
  way?: "active" | "passive";
  daysAgo: number[];
  from: number;
  to: number;
  noise: number;
}

/** A line as a therapist would plan it; the clinic gives it its identifier. */
export type DemoLine = Omit<ScoreLine, "standingOrder" | "window" | "sharesRests"> & {
  window?: ScoreLine["window"];
  order?: { allows: "back" | "up"; untilInDays: number };
};

export interface DemoSheet {
  name: string;
  place: "gym" | "home" | "bodyweight";
  madeDaysAgo: number;
  /** as planned, or as the rules draft it on that day for so many minutes */
  lines: DemoLine[] | { draftMinutes: number; place: "gym" | "home" };
  visitsDaysAgo: number[];
  hour: number;
  /** the newest visit's next morning: left open, fine, or flared by so much */
  lastMorning: "open" | "fine" | { painRise: number; swelling: number };
  /** kept as a template of the clinic */
  templateName?: string;
  /** a line that was swapped because its machine was taken, in the visit of that place */
  swappedIn?: number;
  /** a set that was logged wrongly and put right, in the visit of that place */
  correctedIn?: number;
}

export interface DemoClient {
  name: string;
  occupation: string;
  birthYear: number;
  normSex: "female" | "male";
  heightM: number;
  bodyMassKg: number;
  story: Omit<EpisodeInput, "beganOn">;
  beganDaysAgo: number;
  /** the day the story was entered and the warning signs were asked */
  enteredDaysAgo: number;
  /** warning signs answered yes on a day; all others no */
  screenings: { daysAgo: number; yes?: Record<string, "yes" | "unsure">; by?: "therapist" | "colleague" }[];
  /** phases confirmed after the first, with the written reason where history did not meet every criterion */
  phases: { id: string; daysAgo: number; reason: string }[];
  /** what the person can do, by criteria of the present phase */
  can: string[];
  limits: DemoLimit[];
  stance?: {
    id: string;
    chosen: string;
    reason: string;
    colleague: { option: string; reason: string };
    daysAgo: number;
  };
  series: DemoSeries[];
  /** how the pretended leg really is; the product never sees this, only measurements of it */
  truth: {
    /** peak torque of the involved side at the first test, N·m, its gain per week, and of the other side */
    peakNm: Partial<Record<Movement, [involved: number, other: number]>>;
    gainPerWeekPct: number;
    /** joint pain per unit of effort and how it lingers */
    painPerEffort: number;
  };
  /** strength tests, both sides on the same day */
  tests: { daysAgo: number; movement: Movement; anglesDeg: number[] }[];
  /** sheets with the visits that were run from them */
  sheets: DemoSheet[];
}
