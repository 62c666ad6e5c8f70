import type { PlateauBecause } from "../capacity/plateau";
import type { DueMeasurement } from "../measure/dueMeasurements";
import type { Action } from "../progression/safetyRules";
import type { RequestKind } from "../requests/requestInput";
import type { Return } from "../schedule/daysOff";
import type { ScreeningState } from "../screening/screeningState";
import type { Direction } from "../selection/setUp/strengthKnown";
import type { GoneLine } from "../sheet/line/gone";
import type { Concern } from "../visit/concerns";

/** A sheet as the desk names it. */
export interface SheetNamed {
  sheetId: string;
  name: string;
  lines: number;
}

/** What is known of a client today, in the terms of the path. */
export interface DayFacts {
  /** strength tests of knee extension on this side */
  tests: number;
  due: readonly DueMeasurement[];
  sheets: readonly SheetNamed[];
  /** sheets that can be run: neither stopped nor waiting for a decision */
  ready: readonly SheetNamed[];
  lastVisit: { isRunning: boolean; morningPain: number | null; decided: Action | null } | null;
  /** the oldest visit that waits for a decision, and the strictest of what its drafts say */
  draft: { hasMorning: boolean; strictest: Action | null } | null;
  /** a warning sign since the last visit, as it was said */
  warning: string | null;
  /** what a therapist has not seen yet, the newest first */
  concerns: readonly Concern[];
  /** lines whose machine the clinic does not have any more */
  gone: readonly GoneLine[];
  /** movements that four weeks of work did not make stronger, with what fits first */
  plateaus: readonly { direction: Direction; because: PlateauBecause }[];
  isStopped: boolean;
  screening: Pick<ScreeningState, "status" | "barsPlanning" | "barsFloor">;
  /** why limits must be written by hand, or null */
  handLimits: string | null;
  /** the morning after cannot be answered yet */
  morningWaits: boolean;
  /** the phases that hold, by name */
  phases: readonly string[];
  /** phases whose criteria are all met */
  opens: readonly string[];
  /** conditions whose phase nobody confirmed */
  unconfirmed: readonly string[];
  /** written limits that end within days */
  ending: readonly { limit: string; endsOn: string }[];
  /** the block of weeks that is in force */
  block: {
    endsOn: string;
    today: readonly {
      name: string;
      at: string | null;
      isAtGym: boolean;
      isShort: boolean;
      sheetId: string;
    }[];
  } | null;
  today: string;
  /** days without work for which nobody has chosen what to do; null: none, or too few */
  daysOff: { days: number; proposed: Return } | null;
  /** why nothing runs after so many days off; the floor says the same */
  returnBar: string | null;
  /** what a colleague asked for and nobody answered */
  requests: readonly { id: string; kind: RequestKind; by: string; words: string; sheetId: string | null }[];
}
