import { lowerFirst } from "@/core/units/lowerFirst";
import "server-only";
import { type DueMeasurement, dueMeasurements } from "@/core/measure/dueMeasurements";
import { phaseEntry } from "@/core/phases/phaseEntry";
import { ACTION_WORDS, type Action, stricter } from "@/core/progression/safetyRules";
import type { ScreeningState } from "@/core/screening/screeningState";
import { standing } from "@/core/visit/setRecord";
import { type Ctx, dayOf, today } from "../base/context";
import { limitsBar } from "../bounds/limits";
import { findingsOf } from "../bounds/phases";
import { type ClientEpisode, clientEpisodes } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { painSentence } from "../client/pain";
import { screeningStateOf } from "../client/screenings";
import { extensionTests, testsOf } from "../measure/measurements";
import { findingsOnFile } from "../measure/otherMeasurements";
import { type SheetVersion, sheetsOf } from "../sheets/sheets";
import { waitingDraft } from "../visits/decisionDrafts";
import { isStopped } from "../visits/floor";
import { morningWaits } from "../visits/mornings";
import { lastRecheck } from "../visits/rechecks";
import { recentVisits, strictestOf, undecidedLines, type Visit } from "../visits/visits";

export type PathStep =
  | "story"
  | "screen"
  | "limits"
  | "measure"
  | "choose"
  | "dose"
  | "floor"
  | "morning"
  | "decide";
export type StepState = "done" | "due" | "blocked" | "open";

/** Three numbers of the last session: before, after, next morning. */
export interface LastResponse {
  before: number | null;
  after: number | null;
  morning: number | null;
  on: string;
}

export interface ClientDay {
  client: ClientEpisode;
  /** the newest version of every sheet in force */
  sheets: SheetVersion[];
  last: LastResponse | null;
  steps: Record<PathStep, { state: StepState; words: string }>;
  /** the one thing to do next */
  next: { step: PathStep; query?: string; sentence: string; needsHand: boolean };
  screening: ScreeningState;
  /** what is due for a measurement, and why */
  due: DueMeasurement[];
  /** what bars work today, with who can lift it and where; said on every screen */
  bars: { sentence: string; step: PathStep } | null;
  /** pain above the most allowed before any work, with what can be done; said on every screen */
  pain: string | null;
}

/** Where a client stands today: the state of each step and what comes next, from the same rules the routes enforce. */
export async function clientDay(ctx: Ctx, client: ClientEpisode): Promise<ClientDay> {
  const { episodeId } = client;
  const [allTests, sheets, visits, recheck, conditions, measurements, screening, draft, handLimits] =
    await Promise.all([
      testsOf(ctx, episodeId),
      sheetsOf(ctx, episodeId),
      recentVisits(ctx, episodeId),
      lastRecheck(ctx, episodeId),
      conditionsOf(ctx, episodeId),
      findingsOnFile(ctx, client),
      screeningStateOf(ctx, client),
      waitingDraft(ctx, client),
      limitsBar(ctx, client),
    ]);
  const tests = extensionTests(allTests, client.side);
  const lastVisit = visits.at(-1) ?? null;
  const due = dueMeasurements({
    parts: conditions,
    measurements,
    strength: allTests,
    side: client.side,
    today: today(ctx),
  });
  const opens: string[] = [];
  for (const c of conditions) {
    const entry = phaseEntry(c.condition, c.phase.id, await findingsOf(ctx, client, c));
    if (entry.mayEnter && entry.next) opens.push(entry.next.name);
  }
  const warning = recheck && !recheck.isClear ? recheck.what : null;
  const runnable = sheets.filter((sheet) => !isStopped(visits, sheet));
  const waits = new Set(visits.filter((v) => undecidedLines(v).length > 0).map((v) => v.sheet.sheetId));
  const facts: Facts = {
    client,
    tests: tests.length,
    due,
    sheets,
    ready: runnable.filter((sheet) => !waits.has(sheet.sheetId)),
    lastVisit,
    draft: draft && { visit: draft.visit, strictest: strictestAction(draft.actions) },
    warning,
    isStopped: sheets.length > 0 && runnable.length === 0,
    screening,
    handLimits,
    morningWaits: draft !== null && morningWaits(ctx, draft.visit.startedAt) !== null,
    phase: conditions.map((c) => lowerFirst(c.phase.name)).join(", "),
    opens,
    unconfirmed: conditions.filter((c) => !c.isConfirmed).map((c) => c.condition.name),
  };
  const steps = stepsOf(facts);
  return {
    client,
    sheets,
    last: lastVisit ? lastResponse(ctx, lastVisit) : null,
    steps,
    next: nextStep(steps, facts),
    screening,
    due,
    bars: barsOf(facts),
    pain: await painSentence(ctx, client),
  };
}

const strictestAction = (actions: readonly Action[]): Action | null =>
  actions.length === 0 ? null : actions.reduce((a, b) => stricter(a, b));

function lastResponse(ctx: Ctx, s: Visit): LastResponse {
  const done = standing(s.records);
  return {
    before: done.find((r) => r.painBefore !== null)?.painBefore ?? s.end?.painAtStart ?? null,
    after: s.end?.painAtEnd ?? null,
    morning: s.morning?.pain ?? null,
    on: dayOf(ctx, s.startedAt),
  };
}

interface Facts {
  client: ClientEpisode;
  tests: number;
  due: DueMeasurement[];
  sheets: SheetVersion[];
  /** sheets that can be run: neither stopped nor waiting for a decision */
  ready: SheetVersion[];
  lastVisit: Visit | null;
  /** the oldest visit that waits for a decision, and the strictest of what its drafts say */
  draft: { visit: Visit; strictest: Action | null } | null;
  warning: string | null;
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

function barsOf(f: Facts): ClientDay["bars"] {
  if (f.screening.barsPlanning) return { sentence: f.screening.barsPlanning, step: "screen" };
  if (f.warning)
    return {
      sentence: `A warning sign stands since the last visit: ${f.warning}. A therapist clears it with a reason, or refers.`,
      step: "floor",
    };
  return f.handLimits ? { sentence: f.handLimits, step: "limits" } : null;
}

function limitsStep(f: Facts): { state: StepState; words: string } {
  if (f.handLimits) return { state: "blocked", words: "write them by hand" };
  if (f.unconfirmed.length > 0) return { state: "due", words: "confirm the phase" };
  if (f.opens.length > 0) return { state: "due", words: "next phase can open" };
  return { state: "done", words: f.phase || "as written" };
}

function measureStep(f: Facts): { state: StepState; words: string } {
  const needed = f.due.find((d) => d.isNeeded);
  if (needed) return { state: "due", words: needed.because };
  if (f.due.length > 0)
    return { state: "due", words: f.due.length === 1 ? `${f.due[0]?.what}` : `${f.due.length} are due` };
  return { state: "done", words: `${f.tests} strength ${f.tests === 1 ? "test" : "tests"}` };
}

function doseStep(f: Facts): { state: StepState; words: string } {
  if (f.screening.barsPlanning && f.sheets.length === 0) return { state: "blocked", words: "screen first" };
  if (f.handLimits && f.sheets.length === 0) return { state: "blocked", words: "needs limits" };
  if (f.sheets.length === 0) return { state: "due", words: "no sheet yet" };
  const lines = f.sheets.reduce((sum, s) => sum + s.lines.length, 0);
  const names = f.sheets.map((s) => s.name).join(", ");
  return { state: "done", words: `${names}: ${lines} ${lines === 1 ? "line" : "lines"}` };
}

const MORNING_WAITS = "from 04:00 on";

function stepsOf(f: Facts): ClientDay["steps"] {
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
  };
}

function floorStep(f: Facts, running: boolean): { state: StepState; words: string } {
  if (f.warning) return { state: "blocked", words: "warning sign" };
  if (f.screening.barsFloor) return { state: "blocked", words: "screening" };
  if (f.handLimits) return { state: "blocked", words: "needs limits" };
  if (f.sheets.length === 0) return { state: "blocked", words: "needs a sheet" };
  if (f.isStopped) return { state: "blocked", words: "stopped, refer" };
  if (running) return { state: "due", words: "visit is open" };
  if (f.ready.length === 0) return { state: "blocked", words: "decide first" };
  return {
    state: "due",
    words:
      f.ready.length < f.sheets.length
        ? `${f.ready.map((s) => s.name).join(", ")}: ready to run`
        : "ready to run",
  };
}

function nextStep(steps: ClientDay["steps"], f: Facts): ClientDay["next"] {
  const { screening } = f;
  const draft = f.draft?.strictest ?? null;
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
  const strength = f.due.find((d) => d.group === "strength" && d.what === "knee extension strength");
  if (strength)
    return { step: "measure", sentence: `Measure strength: ${strength.because}`, needsHand: true };
  if (f.opens.length > 0)
    return { step: "limits", sentence: `Every criterion is met: “${f.opens[0]}” can open`, needsHand: true };
  if (steps.dose.state === "due") return { step: "dose", sentence: "Plan the first sheet", needsHand: true };
  const [ready] = f.ready;
  return {
    step: "floor",
    ...(ready ? { query: `?sheet=${ready.sheetId}` } : {}),
    sentence: `Run ${ready?.name ?? "the sheet"}`,
    needsHand: false,
  };
}

/** Everybody of the clinic with where they stand, those who need a hand first. */
export async function todayList(ctx: Ctx): Promise<ClientDay[]> {
  // asked side by side: the questions travel together over one connection
  const days = await Promise.all((await clientEpisodes(ctx)).map((client) => clientDay(ctx, client)));
  return days.sort((a, b) => Number(b.next.needsHand) - Number(a.next.needsHand));
}
