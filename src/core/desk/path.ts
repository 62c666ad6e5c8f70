import type { Action } from "../progression/safetyRules";
import type { Said } from "../units/said";
import type { DayFacts } from "./dayFacts";

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

/** What is said of a step without any number. */
interface Bare {
  code: `path.${
    | "story"
    | "hand_limits"
    | "confirm_phase"
    | "phase_opens"
    | "as_written"
    | "needs_limits"
    | "what_fits"
    | "screen_first"
    | "no_sheet"
    | "block_over"
    | "no_days"
    | "after_sheet"
    | "sign"
    | "screening"
    | "needs_sheet"
    | "days_off"
    | "stopped"
    | "open_visit"
    | "gone"
    | "decide_first"
    | "ready"
    | "not_answered"
    | "opens_later"
    | "after_visit"
    | "waits_for_morning"
    | "drafts_ready"
    | "led_to"
    | "nothing_yet"}`;
}

/** Why a step of the path stands as it does. */
export type StepSaid =
  | Bare
  | { code: "path.screened"; status: DayFacts["screening"]["status"] }
  | { code: "path.phases"; phases: readonly string[] }
  | { code: "path.due"; because: Said }
  | { code: "path.due_many"; n: number }
  | { code: "path.tests"; n: number }
  | { code: "path.sheets"; names: readonly string[]; lines: number }
  | { code: "path.block_until"; on: string }
  | { code: "path.ready_of"; names: readonly string[] }
  | { code: "path.pain"; pain: number }
  | { code: "path.decided"; action: Action };

export interface StepStands {
  state: StepState;
  why: StepSaid;
}
export type Steps = Record<PathStep, StepStands>;

const SCREENED: Record<DayFacts["screening"]["status"], StepState> = {
  missing: "due",
  incomplete: "due",
  stop: "blocked",
  hold: "blocked",
  due: "due",
  caution: "done",
  clear: "done",
};

/** The morning after the visit that waits for its decision: not asked yet, and whether it can be. */
export const morningMissing = (f: DayFacts): boolean => f.draft !== null && !f.draft.hasMorning;
export const morningIsDue = (f: DayFacts): boolean => morningMissing(f) && !f.morningWaits;

/** The path with how each step stands. */
export function stepsOf(f: DayFacts): Steps {
  return {
    story: { state: "done", why: { code: "path.story" } },
    screen: {
      state: SCREENED[f.screening.status],
      why: { code: "path.screened", status: f.screening.status },
    },
    limits: limitsStep(f),
    measure: measureStep(f),
    choose: f.handLimits
      ? { state: "blocked", why: { code: "path.needs_limits" } }
      : { state: f.sheets.length > 0 ? "done" : "open", why: { code: "path.what_fits" } },
    dose: doseStep(f),
    week: weekStep(f),
    floor: floorStep(f),
    morning: morningStep(f),
    decide: decideStep(f),
    review:
      f.lastVisit || f.tests > 0
        ? { state: "done", why: { code: "path.led_to" } }
        : { state: "open", why: { code: "path.nothing_yet" } },
  };
}

function limitsStep(f: DayFacts): StepStands {
  if (f.handLimits) return { state: "blocked", why: { code: "path.hand_limits" } };
  if (f.unconfirmed.length > 0) return { state: "due", why: { code: "path.confirm_phase" } };
  if (f.opens.length > 0) return { state: "due", why: { code: "path.phase_opens" } };
  return {
    state: "done",
    why: f.phases.length > 0 ? { code: "path.phases", phases: f.phases } : { code: "path.as_written" },
  };
}

function measureStep(f: DayFacts): StepStands {
  const needed = f.due.find((d) => d.isNeeded);
  if (needed) return { state: "due", why: { code: "path.due", because: needed.because } };
  const [first] = f.due;
  if (f.due.length === 1 && first) return { state: "due", why: { code: "path.due", because: first.what } };
  if (f.due.length > 0) return { state: "due", why: { code: "path.due_many", n: f.due.length } };
  return { state: "done", why: { code: "path.tests", n: f.tests } };
}

function doseStep(f: DayFacts): StepStands {
  if (f.sheets.length > 0)
    return {
      state: "done",
      why: {
        code: "path.sheets",
        names: f.sheets.map((s) => s.name),
        lines: f.sheets.reduce((sum, s) => sum + s.lines, 0),
      },
    };
  if (f.screening.barsPlanning) return { state: "blocked", why: { code: "path.screen_first" } };
  if (f.handLimits) return { state: "blocked", why: { code: "path.needs_limits" } };
  return { state: "due", why: { code: "path.no_sheet" } };
}

function weekStep(f: DayFacts): StepStands {
  if (!f.block)
    return { state: "open", why: { code: f.sheets.length > 0 ? "path.no_days" : "path.after_sheet" } };
  return f.block.endsOn < f.today
    ? { state: "due", why: { code: "path.block_over" } }
    : { state: "done", why: { code: "path.block_until", on: f.block.endsOn } };
}

function floorStep(f: DayFacts): StepStands {
  const blocked = (code: Bare["code"]): StepStands => ({ state: "blocked", why: { code } });
  if (f.warning) return blocked("path.sign");
  if (f.screening.barsFloor) return blocked("path.screening");
  if (f.handLimits) return blocked("path.needs_limits");
  if (f.sheets.length === 0) return blocked("path.needs_sheet");
  if (f.returnBar) return blocked("path.days_off");
  if (f.isStopped) return blocked("path.stopped");
  if (f.lastVisit?.isRunning) return { state: "due", why: { code: "path.open_visit" } };
  if (f.ready.length === 0) return blocked(f.gone.length > 0 ? "path.gone" : "path.decide_first");
  return {
    state: "due",
    why:
      f.ready.length < f.sheets.length
        ? { code: "path.ready_of", names: f.ready.map((s) => s.name) }
        : { code: "path.ready" },
  };
}

function morningStep(f: DayFacts): StepStands {
  if (morningIsDue(f)) return { state: "due", why: { code: "path.not_answered" } };
  if (morningMissing(f)) return { state: "open", why: { code: "path.opens_later" } };
  const pain = f.lastVisit?.morningPain ?? null;
  return pain === null
    ? { state: "open", why: { code: "path.after_visit" } }
    : { state: "done", why: { code: "path.pain", pain } };
}

function decideStep(f: DayFacts): StepStands {
  if (morningMissing(f)) return { state: "open", why: { code: "path.waits_for_morning" } };
  if (f.draft) return { state: "due", why: { code: "path.drafts_ready" } };
  const action = f.lastVisit?.decided ?? null;
  return action === null
    ? { state: "open", why: { code: "path.after_visit" } }
    : { state: "done", why: { code: "path.decided", action } };
}
