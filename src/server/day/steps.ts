import "server-only";
import type { DueMeasurement } from "@/core/measure/dueMeasurements";
import { ACTION_WORDS, type Action } from "@/core/progression/safetyRules";
import type { Return } from "@/core/schedule/daysOff";
import type { ScreeningState } from "@/core/screening/screeningState";
import type { GoneLine } from "@/core/sheet/line/gone";
import { dayInWords } from "@/core/units/dayInWords";
import { type Concern, concernSaid } from "@/core/visit/concerns";
import { sayPlainly } from "@/words/say";
import { strictestOf, type VisitHead } from "../history/visits";
import type { ClientRequest } from "../requests/requests";
import type { SheetVersion } from "../versions/sheets";

export type PathStep =
  | "story"
  | "screen"
  | "limits"
  | "measure"
  | "choose"
  | "dose"
  | "week"
  | "floor"
  | "morning"
  | "decide"
  | "review";
export type StepState = "done" | "due" | "blocked" | "open";

export type Steps = Record<PathStep, { state: StepState; words: string }>;

/** The one thing to do next. */
export interface Next {
  step: PathStep;
  query?: string;
  sentence: string;
  needsHand: boolean;
}

/** What bars work today, and where it is lifted. */
export interface Bars {
  sentence: string;
  step: PathStep;
}

/** What is known of a client today, in the terms of the path. */
export interface DayFacts {
  tests: number;
  due: DueMeasurement[];
  sheets: SheetVersion[];
  /** sheets that can be run: neither stopped nor waiting for a decision */
  ready: SheetVersion[];
  lastVisit: VisitHead | null;
  /** the oldest visit that waits for a decision, and the strictest of what its drafts say */
  draft: { visit: VisitHead; strictest: Action | null } | null;
  warning: string | null;
  /** what a therapist has not seen yet, the newest first */
  concerns: readonly Concern[];
  /** lines whose machine the clinic does not have any more */
  gone: readonly GoneLine[];
  isStopped: boolean;
  screening: ScreeningState;
  /** why limits must be written by hand, or null */
  handLimits: string | null;
  /** the morning after cannot be answered yet */
  morningWaits: boolean;
  phase: string;
  /** phases whose criteria are all met */
  opens: string[];
  /** conditions whose phase nobody confirmed */
  unconfirmed: string[];
  /** written limits that end within days, in words with the day */
  ending: string[];
  /** the block of weeks that is in force */
  block: {
    endsOn: string;
    today: { name: string; at: string | null; place: string; sheetId: string }[];
  } | null;
  today: string;
  /** days without work for which nobody has chosen what to do; null: none, or too few */
  daysOff: { days: number; proposed: Return } | null;
  /** why nothing runs after so many days off; the floor says the same */
  returnBar: string | null;
  /** what a colleague asked for and nobody answered */
  requests: ClientRequest[];
}

const SCREEN_STEPS: Record<ScreeningState["status"], { state: StepState; words: string }> = {
  missing: { state: "due", words: "not asked yet" },
  incomplete: { state: "due", words: "answers missing" },
  stop: { state: "blocked", words: "stop and refer" },
  hold: { state: "blocked", words: "ask the physician" },
  due: { state: "due", words: "due again" },
  caution: { state: "done", words: "with caution" },
  clear: { state: "done", words: "nothing found" },
};

export function barsOf(f: DayFacts): Bars | null {
  if (f.screening.barsPlanning) return { sentence: f.screening.barsPlanning, step: "screen" };
  if (f.warning)
    return {
      sentence: `A warning sign stands since the last visit: ${f.warning}. A therapist clears it with a reason, or refers.`,
      step: "floor",
    };
  return f.handLimits ? { sentence: f.handLimits, step: "limits" } : null;
}

function limitsStep(f: DayFacts): { state: StepState; words: string } {
  if (f.handLimits) return { state: "blocked", words: "write them by hand" };
  if (f.unconfirmed.length > 0) return { state: "due", words: "confirm the phase" };
  if (f.opens.length > 0) return { state: "due", words: "next phase can open" };
  return { state: "done", words: f.phase || "as written" };
}

function measureStep(f: DayFacts): { state: StepState; words: string } {
  const needed = f.due.find((d) => d.isNeeded);
  if (needed) return { state: "due", words: needed.because };
  if (f.due.length > 0)
    return { state: "due", words: f.due.length === 1 ? `${f.due[0]?.what}` : `${f.due.length} are due` };
  return { state: "done", words: `${f.tests} strength ${f.tests === 1 ? "test" : "tests"}` };
}

function doseStep(f: DayFacts): { state: StepState; words: string } {
  if (f.screening.barsPlanning && f.sheets.length === 0) return { state: "blocked", words: "screen first" };
  if (f.handLimits && f.sheets.length === 0) return { state: "blocked", words: "needs limits" };
  if (f.sheets.length === 0) return { state: "due", words: "no sheet yet" };
  const lines = f.sheets.reduce((sum, s) => sum + s.lines.length, 0);
  const names = f.sheets.map((s) => s.name).join(", ");
  return { state: "done", words: `${names}: ${lines} ${lines === 1 ? "line" : "lines"}` };
}

const MORNING_WAITS = "from 04:00 on";

export function stepsOf(f: DayFacts): Steps {
  const undecided = f.draft !== null;
  const morningMissing = f.draft !== null && !f.draft.visit.morning;
  const morningIsDue = morningMissing && !f.morningWaits;
  const running = Boolean(f.lastVisit && !f.lastVisit.end);
  const decided = f.lastVisit && strictestOf(f.lastVisit);
  return {
    story: { state: "done", words: "what it is about" },
    screen: SCREEN_STEPS[f.screening.status],
    limits: limitsStep(f),
    measure: measureStep(f),
    choose: f.handLimits
      ? { state: "blocked", words: "needs limits" }
      : f.sheets.length > 0
        ? { state: "done", words: "what fits this knee" }
        : { state: "open", words: "what fits this knee" },
    dose: doseStep(f),
    week: f.block
      ? f.block.endsOn < f.today
        ? { state: "due", words: "the block is over" }
        : { state: "done", words: `until ${dayInWords(f.block.endsOn).slice(0, -5)}` }
      : f.sheets.length > 0
        ? { state: "open", words: "no days kept yet" }
        : { state: "open", words: "after a sheet" },
    floor: floorStep(f, running),
    morning: morningMissing
      ? morningIsDue
        ? { state: "due", words: "not answered yet" }
        : { state: "open", words: MORNING_WAITS }
      : f.lastVisit?.morning
        ? { state: "done", words: `pain ${f.lastVisit.morning.pain}` }
        : { state: "open", words: "after a visit" },
    decide: undecided
      ? {
          state: morningMissing ? "open" : "due",
          words: morningMissing ? "waits for the morning" : "drafts are ready",
        }
      : decided
        ? { state: "done", words: ACTION_WORDS[decided.action].toLowerCase() }
        : { state: "open", words: "after a visit" },
    review:
      f.lastVisit || f.tests > 0
        ? { state: "done", words: "what it led to" }
        : { state: "open", words: "nothing yet" },
  };
}

function floorStep(f: DayFacts, running: boolean): { state: StepState; words: string } {
  if (f.warning) return { state: "blocked", words: "warning sign" };
  if (f.screening.barsFloor) return { state: "blocked", words: "screening" };
  if (f.handLimits) return { state: "blocked", words: "needs limits" };
  if (f.sheets.length === 0) return { state: "blocked", words: "needs a sheet" };
  if (f.returnBar) return { state: "blocked", words: "after days off" };
  if (f.isStopped) return { state: "blocked", words: "stopped, refer" };
  if (running) return { state: "due", words: "visit is open" };
  if (f.ready.length === 0)
    return { state: "blocked", words: f.gone.length > 0 ? "a machine is gone" : "decide first" };
  return {
    state: "due",
    words:
      f.ready.length < f.sheets.length
        ? `${f.ready.map((s) => s.name).join(", ")}: ready to run`
        : "ready to run",
  };
}

export function nextStep(steps: Steps, f: DayFacts): Next {
  const { screening } = f;
  const draft = f.draft?.strictest ?? null;
  const [concern] = f.concerns;
  if (concern) return { step: "decide", sentence: sayPlainly(concernSaid(concern)), needsHand: true };
  if (screening.status === "stop" || screening.status === "hold")
    return {
      step: "screen",
      sentence:
        screening.status === "stop"
          ? "Stop: a warning sign stands, refer or clear it"
          : "A warning sign stands: ask the physician or clear it",
      needsHand: true,
    };
  if (steps.floor.words === "warning sign")
    return {
      step: "floor",
      sentence: "A warning sign stands: clear it with a reason, or refer",
      needsHand: true,
    };
  if (steps.floor.words === "visit is open")
    return { step: "floor", sentence: "A visit is open on the floor: go on", needsHand: true };
  if (steps.morning.words === MORNING_WAITS)
    return {
      step: "morning",
      sentence: "The morning after is asked from 04:00 of the next day on",
      needsHand: false,
    };
  if (steps.morning.state === "due")
    return { step: "morning", sentence: "Ask how the morning after was", needsHand: true };
  if (steps.decide.state === "due")
    return {
      step: "decide",
      sentence: `Decide what comes next: ${draft ? `the drafts say ${ACTION_WORDS[draft].toLowerCase()} at the strictest` : "nothing can be drafted yet"}`,
      needsHand: draft === "REGRESS" || draft === "STOP_REFER",
    };
  if (steps.floor.words === "stopped, refer")
    return { step: "dose", sentence: "Stopped: refer, then write a new version", needsHand: true };
  if (screening.barsPlanning)
    return {
      step: "screen",
      sentence: screening.status === "due" ? "Ask the warning signs again" : "Ask the warning signs first",
      needsHand: true,
    };
  if (f.handLimits)
    return { step: "limits", sentence: "The rules do not cover this: write limits by hand", needsHand: true };
  if (f.returnBar) return { step: f.daysOff ? "week" : "measure", sentence: f.returnBar, needsHand: true };
  const strength = f.due.find((d) => d.group === "strength" && d.what === "knee extension strength");
  if (strength)
    return { step: "measure", sentence: `Measure strength: ${strength.because}`, needsHand: true };
  if (f.opens.length > 0)
    return { step: "limits", sentence: `Every criterion is met: “${f.opens[0]}” can open`, needsHand: true };
  if (steps.dose.state === "due") return { step: "dose", sentence: "Plan the first sheet", needsHand: true };
  const [ready] = f.ready;
  const [gone] = f.gone;
  if (gone && !ready)
    return {
      step: "dose",
      query: `?sheet=${gone.sheetId}`,
      sentence: `${gone.machineName ?? "A machine"} is gone: change ${gone.sheetName}`,
      needsHand: true,
    };
  return {
    step: "floor",
    ...(ready ? { query: `?sheet=${ready.sheetId}` } : {}),
    sentence: `Run ${ready?.name ?? "the sheet"}`,
    needsHand: false,
  };
}
