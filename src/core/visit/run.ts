import { type Aid, isMoreAid, NO_AID } from "../selection/setUp/aid";
import type { KeptLine } from "../sheet/line/keptLine";
import type { MarkerScores } from "../story/markers";
import type { PainAt } from "../units/painRegion";
import { asKept, saidWith } from "../units/said";
import { afterRating } from "./afterRating";
import { withLoad, withoutAid } from "./between/eased";
import { offerFor, saysNext, withOffer } from "./between/offer";
import type { EarlyReason, SetRecord } from "./setRecord";
import { isWholeHold, type Task, taskKey, tasksOf } from "./tasks";
import { DOUBLE_TAP_MS, type VisitEvent } from "./visitEvent";
import { mostIn } from "./watched/elsewhere";
import type { Feel } from "./watched/feel";
import type { SeenFault } from "./watched/seen";

export type VisitPhase = "set-up" | "pain-before" | "ready" | "working" | "rating" | "closing" | "finished";

export interface LiveTask extends Task {
  status: "open" | "done" | "dropped";
}

/** A set as it was done, on the tablet's own clock. */
export interface DoneTask {
  task: Task;
  exerciseId: string;
  recordId: string;
  startedAtMs: number;
  workedS: number;
  reps: number | null;
  range: { fromDeg: number; toDeg: number } | null;
  painBefore: number | null;
  pain: number;
  reserve: number | null;
  felt: number | null;
  early: EarlyReason | null;
  meanForceN: number | null;
  countedBy: SetRecord["countedBy"];
  faults: readonly SeenFault[];
  elsewhere: readonly PainAt[];
  aid: Aid;
}

export interface VisitState {
  phase: VisitPhase;
  lines: readonly KeptLine[];
  tasks: readonly LiveTask[];
  done: readonly DoneTask[];
  /** lines whose set-up was checked */
  setUp: readonly string[];
  painBefore: number | null;
  /** of the set under way or waiting for its rating */
  under:
    | (Omit<DoneTask, "recordId" | "pain" | "reserve" | "felt" | "faults" | "elsewhere" | "aid"> & {
        endedAtMs: number | null;
      })
    | null;
  /** earliest start of what comes next by the plan; null where nothing is waited for */
  restEndsAtMs: number | null;
  /** steps up that were taken of a line, and sets whose offer was answered */
  rises: Readonly<Record<string, number>>;
  answered: readonly string[];
  /** why a line ended before the plan did */
  ended: Readonly<Record<string, string>>;
  stopped: string | null;
  /** when a set was last left out, so that a double tap leaves out one */
  leftOutAtMs: number | null;
  finished: { painAtEnd: number; effort: number | null } | null;
  /** what is worn and held in a line, where it is not as planned */
  aids: Readonly<Record<string, Aid>>;
  /** movements as they were scored before the first set and after the last */
  markers: readonly MarkerScores[];
  /** where lines were felt, and how sure somebody is of them */
  feels: readonly Feel[];
}

/** The state before anything happened. */
export function startOf(lines: readonly KeptLine[]): VisitState {
  return settle({
    phase: "set-up",
    lines,
    tasks: tasksOf(lines).map((t) => ({ ...t, status: "open" as const })),
    done: [],
    setUp: [],
    painBefore: null,
    under: null,
    restEndsAtMs: null,
    rises: {},
    answered: [],
    ended: {},
    stopped: null,
    leftOutAtMs: null,
    finished: null,
    aids: {},
    markers: [],
    feels: [],
  });
}

/** The state of a visit; events that do not fit the phase change nothing, so a double tap does no harm. */
export const visitState = (lines: readonly KeptLine[], events: readonly VisitEvent[]): VisitState =>
  events.reduce(after, startOf(lines));

/** What is to do now; null where nothing is left. */
export const currentTask = (s: VisitState): LiveTask | null =>
  s.tasks.find((t) => t.status === "open") ?? null;

export const lineOf = (s: VisitState, lineId: string): KeptLine | null =>
  s.lines.find((l) => l.lineId === lineId) ?? null;

/** What is worn and held in a line now. */
export const aidNow = (s: VisitState, lineId: string): Aid =>
  s.aids[lineId] ?? lineOf(s, lineId)?.aid ?? NO_AID;

const isHeld = (t: Task): boolean => t.holdS !== null && t.reps === null;

/** Joint pain is asked before every hold, and before the first set of anything else. */
const asksBefore = (s: VisitState, t: Task): boolean =>
  isHeld(t) || !s.done.some((d) => d.task.lineId === t.lineId);

/** The phase that fits what is open. */
function settle(s: VisitState): VisitState {
  const next = currentTask(s);
  if (s.stopped !== null || !next) return { ...s, phase: "closing" };
  if (!s.setUp.includes(next.lineId)) return { ...s, phase: "set-up" };
  return { ...s, phase: asksBefore(s, next) && s.painBefore === null ? "pain-before" : "ready" };
}

/** What one more event makes of it. */
export function after(s: VisitState, e: VisitEvent): VisitState {
  if (s.phase === "finished" && e.type !== "correct") return s;
  switch (e.type) {
    case "stop":
      return stopped(s, e);
    case "finish":
      return s.phase === "closing"
        ? { ...s, phase: "finished", finished: { painAtEnd: e.painAtEnd, effort: e.effort ?? null } }
        : s;
    case "set-up":
      return setUpDone(s, e);
    case "correct":
      return corrected(s, e);
    case "note":
      return s;
    case "pain-before":
      return beforeSet(s, e.score);
    case "marker":
      return markerScored(s, e);
    case "start":
      return started(s, e);
    case "end":
      return s.phase === "working" ? ended(s, e) : s;
    case "rate":
      return s.phase === "rating" ? rated(s, e) : s;
    case "load":
      return loaded(s, e);
    case "take":
      return offerTaken(s, e);
    case "stay":
      return answeredOf(s, e.lineId);
    case "aid":
      return aidChanged(s, e);
    case "feel":
      return felt(s, e);
    case "add-set":
      return added(s, e.lineId);
    case "skip":
      return skipped(s, e);
    case "swap":
      return swapped(s, e);
  }
}

/** A line that needs its pins does not start before somebody looked at them. */
function setUpDone(s: VisitState, e: Extract<VisitEvent, { type: "set-up" }>): VisitState {
  const line = lineOf(s, e.lineId);
  const fits = s.phase === "set-up" && line !== null && currentTask(s)?.lineId === e.lineId;
  return fits && (e.pins || !line.needsPins) ? settle({ ...s, setUp: [...s.setUp, e.lineId] }) : s;
}

/** What was logged is put right; what followed from it stays as it was run. */
function corrected(s: VisitState, e: Extract<VisitEvent, { type: "correct" }>): VisitState {
  const { pain, reserve, felt } = e;
  return {
    ...s,
    done: s.done.map((d) =>
      d.recordId === e.recordId
        ? { ...d, recordId: e.newId, pain, reserve, felt, reps: d.reps === null ? null : (e.reps ?? d.reps) }
        : d,
    ),
  };
}

const isBetween = (s: VisitState): boolean =>
  s.phase === "set-up" || s.phase === "pain-before" || s.phase === "ready";

/** A line can be changed between its sets. */
const changeable = (s: VisitState, lineId: string): boolean =>
  isBetween(s) && s.tasks.some((t) => t.lineId === lineId && t.status === "open");

/** Only the line's own steps, and never more than a set was planned with. */
function loaded(s: VisitState, e: Extract<VisitEvent, { type: "load" }>): VisitState {
  const line = changeable(s, e.lineId) ? lineOf(s, e.lineId) : null;
  const tasks = line && withLoad(line, s.tasks, e.loadKg);
  return tasks ? { ...s, tasks } : s;
}

/** What was lifted with help is not set without it: the open sets go back to the plan, or to what is set without its aid. Rule Aid 2. */
function aidChanged(s: VisitState, e: Extract<VisitEvent, { type: "aid" }>): VisitState {
  const line = changeable(s, e.lineId) ? lineOf(s, e.lineId) : null;
  if (!line) return s;
  const now: Aid = { worn: e.worn, help: e.help };
  const isTaken = isMoreAid(aidNow(s, e.lineId), now);
  const isBelowPlan = isMoreAid(line.aid ?? NO_AID, now);
  return {
    ...s,
    aids: { ...s.aids, [e.lineId]: now },
    tasks: isTaken ? withoutAid(line, s.tasks, isBelowPlan ? (line.bare ?? null) : null) : s.tasks,
  };
}

/** Only what is offered is taken, and only once. */
function offerTaken(s: VisitState, e: Extract<VisitEvent, { type: "take" }>): VisitState {
  const task = currentTask(s);
  const o = offerFor(s);
  if (!task || o?.lineId !== e.lineId || o.reps !== e.reps || (o.loadKg ?? 0) !== (e.loadKg ?? 0)) return s;
  return {
    ...answeredOf(s, e.lineId),
    tasks: withOffer(s.tasks, task, o, lineOf(s, o.lineId)?.sets ?? []),
    rises: o.isMore ? { ...s.rises, [o.lineId]: (s.rises[o.lineId] ?? 0) + 1 } : s.rises,
  };
}

function answeredOf(s: VisitState, lineId: string): VisitState {
  const o = offerFor(s);
  return o?.lineId === lineId ? { ...s, answered: [...s.answered, o.recordId] } : s;
}

/** Ends everything; a set under way is ended and rated first, so that it is never lost. */
function stopped(s: VisitState, e: Extract<VisitEvent, { type: "stop" }>): VisitState {
  if (s.phase === "closing" || s.stopped !== null) return s;
  const held = { ...s, stopped: e.reason };
  if (s.phase === "working")
    return ended(held, {
      type: "end",
      at: e.at,
      early: "other",
      reps: null,
      meanForceN: null,
      range: null,
      countedBy: "tap",
    });
  return s.phase === "rating" ? held : settle(held);
}

function beforeSet(s: VisitState, score: number): VisitState {
  const next = currentTask(s);
  if (!next || (s.phase !== "pain-before" && s.phase !== "ready")) return s;
  if (s.phase === "ready" && !asksBefore(s, next)) return s;
  const line = lineOf(s, next.lineId);
  const most = line?.painMax ?? 0;
  const answered = { ...s, painBefore: score };
  return score > most
    ? endLine(answered, next.lineId, asKept(saidWith("floor.pain_before", { pain: score, most })))
    : settle(answered);
}

/** Before anything was done, or after everything; said again it is put right. */
function markerScored(s: VisitState, e: Extract<VisitEvent, { type: "marker" }>): VisitState {
  const isItsTime = e.when === "before" ? s.done.length === 0 && s.under === null : s.phase === "closing";
  if (!isItsTime) return s;
  const known = s.markers.find((m) => m.kind === e.kind) ?? { kind: e.kind, before: null, after: null };
  return {
    ...s,
    markers: [...s.markers.filter((m) => m.kind !== e.kind), { ...known, [e.when]: e.score }],
  };
}

/** Of a line of which something was done; said again it is put right. */
function felt(s: VisitState, e: Extract<VisitEvent, { type: "feel" }>): VisitState {
  const line = s.done.some((d) => d.task.lineId === e.lineId) ? lineOf(s, e.lineId) : null;
  if (!line || s.phase === "finished") return s;
  const { lineId, exerciseId, legs } = line;
  const known = s.feels.find((f) => f.lineId === lineId);
  const now = { where: e.where ?? known?.where ?? null, sure: e.sure ?? known?.sure ?? null };
  return {
    ...s,
    feels: [...s.feels.filter((f) => f.lineId !== lineId), { lineId, exerciseId, legs, ...now }],
  };
}

/** What is open of a line is dropped, for a reason. */
function endLine(s: VisitState, lineId: string, why: string): VisitState {
  return settle({
    ...s,
    painBefore: null,
    ended: { ...s.ended, [lineId]: why },
    tasks: s.tasks.map((t) =>
      t.lineId === lineId && t.status === "open" ? { ...t, status: "dropped" as const } : t,
    ),
  });
}

function started(s: VisitState, e: Extract<VisitEvent, { type: "start" }>): VisitState {
  const next = currentTask(s);
  if (s.phase !== "ready" || !next || taskKey(next) !== taskKey(e.task)) return s;
  const { status: _, ...task } = next;
  return {
    ...s,
    phase: "working",
    restEndsAtMs: null,
    under: {
      task,
      exerciseId: lineOf(s, next.lineId)?.exerciseId ?? "",
      startedAtMs: e.at,
      endedAtMs: null,
      workedS: 0,
      reps: null,
      range: null,
      painBefore: s.painBefore,
      early: null,
      meanForceN: null,
      countedBy: "tap",
    },
  };
}

const LONGEST_SET_S = 1800;

function ended(s: VisitState, e: Extract<VisitEvent, { type: "end" }>): VisitState {
  const u = s.under;
  if (!u) return s;
  const { holdS } = u.task;
  const ranS = Math.max(0, (e.at - u.startedAtMs) / 1000);
  const workedS = Math.min(holdS ?? LONGEST_SET_S, ranS);
  const isShort = holdS !== null && !isWholeHold(workedS, holdS);
  const reps = u.task.reps === null ? null : (e.reps ?? u.task.reps);
  return {
    ...s,
    phase: "rating",
    under: {
      ...u,
      endedAtMs: holdS === null ? e.at : Math.min(e.at, u.startedAtMs + holdS * 1000),
      workedS,
      reps,
      range: e.range,
      early: holdS === null ? e.early : isShort ? (e.early ?? "other") : null,
      meanForceN: e.meanForceN,
      countedBy: e.countedBy,
    },
  };
}

/** Joint pain that jumps by so much in one set ends the line. */
const JUMP = 3;

function rated(s: VisitState, e: Extract<VisitEvent, { type: "rate" }>): VisitState {
  const u = s.under;
  if (!u || s.done.some((d) => d.recordId === e.recordId)) return s;
  const { endedAtMs, ...set } = u;
  const { lineId } = u.task;
  const line = lineOf(s, lineId);
  const danger = dangerIn(line, e.faults ?? []);
  const done: DoneTask = {
    ...set,
    reps: set.reps === null ? null : (e.reps ?? set.reps),
    recordId: e.recordId,
    pain: e.pain,
    reserve: e.reserve,
    felt: e.felt,
    faults: e.faults ?? [],
    elsewhere: e.elsewhere ?? [],
    aid: aidNow(s, lineId),
    early: set.early ?? (danger ? "position" : null),
  };
  const tasks = s.tasks.map((t) => (taskKey(t) === taskKey(u.task) ? { ...t, status: "done" as const } : t));
  const after: VisitState = {
    ...s,
    under: null,
    painBefore: null,
    done: [...s.done, done],
    tasks: line ? afterRating(line, tasks, [...s.done, done], done) : tasks,
  };
  const most = line?.painMax ?? 0;
  if (e.pain > most) return endLine(after, lineId, asKept(saidWith("floor.pain_in", { pain: e.pain, most })));
  const hurt = line && done.elsewhere.find((x) => x.pain > mostIn(line, x.region));
  if (hurt)
    return endLine(
      after,
      lineId,
      asKept(saidWith("floor.pain_elsewhere", { ...hurt, most: mostIn(line, hurt.region) })),
    );
  if (danger) return endLine(after, lineId, asKept(saidWith("floor.fault_ends", { fault: danger })));
  if (line && saysNext(line, done) === null && line.offers?.care === "strict")
    return endLine(after, lineId, asKept({ code: "floor.gave_out" }));
  if (u.painBefore !== null && e.pain - u.painBefore >= JUMP)
    return endLine(after, lineId, asKept(saidWith("floor.pain_jumped", { from: u.painBefore, to: e.pain })));
  const next = currentTask(after);
  const isSameGroup = next !== null && after.setUp.includes(next.lineId);
  return settle({
    ...after,
    restEndsAtMs: isSameGroup && endedAtMs !== null ? endedAtMs + u.task.thenS * 1000 : null,
  });
}

/** A fault that is a danger to this client ends the line as a lost position does. Rule Seen 3. */
const dangerIn = (line: KeptLine | null, seen: readonly SeenFault[]): SeenFault["id"] | null =>
  seen.find((f) => line?.faults?.some((w) => w.id === f.id && w.endsSet))?.id ?? null;

const MOST_ADDED = 3;

/** One more of the line's last set, at its end. */
function added(s: VisitState, lineId: string): VisitState {
  const line = lineOf(s, lineId);
  if (!line || !isBetween(s) || s.ended[lineId]) return s;
  const own = s.tasks.filter((t) => t.lineId === lineId);
  const lastSet = Math.max(-1, ...own.map((t) => t.set));
  if (lastSet < 0 || lastSet >= line.sets.length - 1 + MOST_ADDED) return s;
  const made = own
    .filter((t) => t.set === lastSet)
    .map((t) => ({ ...t, set: lastSet + 1, status: "open" as const }));
  const at = s.tasks.findLastIndex((t) => t.lineId === lineId) + 1;
  return settle({ ...s, tasks: [...s.tasks.slice(0, at), ...made, ...s.tasks.slice(at)] });
}

function skipped(s: VisitState, e: Extract<VisitEvent, { type: "skip" }>): VisitState {
  const next = currentTask(s);
  if (!next || next.lineId !== e.lineId || !isBetween(s)) return s;
  const isSameTap = s.leftOutAtMs !== null && Math.abs(e.at - s.leftOutAtMs) <= DOUBLE_TAP_MS;
  if (e.what === "set" && isSameTap) return s;
  const isDropped = (t: LiveTask) =>
    t.status === "open" &&
    t.lineId === e.lineId &&
    (e.what === "line" || (t.set === next.set && t.leg === next.leg));
  return settle({
    ...s,
    painBefore: null,
    leftOutAtMs: e.what === "set" ? e.at : s.leftOutAtMs,
    tasks: s.tasks.map((t) => (isDropped(t) ? { ...t, status: "dropped" as const } : t)),
  });
}

/** What is left of a line is done with another exercise: its sets stand in the place of the open ones. */
function swapped(s: VisitState, e: Extract<VisitEvent, { type: "swap" }>): VisitState {
  const isAgain = s.ended[e.lineId] !== undefined;
  if (!isBetween(s) && s.phase !== "closing") return s;
  if (s.stopped !== null || (!isAgain && !changeable(s, e.lineId))) return s;
  if (e.to.lineId !== e.lineId) return s;
  const own = s.tasks.filter((t) => t.lineId === e.lineId);
  const doneSets = new Set(own.filter((t) => t.status === "done").map((t) => t.set)).size;
  const from = Math.max(-1, ...own.map((t) => t.set)) + 1;
  const fresh = tasksOf([{ ...e.to, sharesRests: false }])
    .filter((t) => t.set >= Math.min(doneSets, e.to.sets.length - 1))
    .map((t): LiveTask => ({ ...t, set: from + t.set, status: "open" }));
  const at = s.tasks.findLastIndex((t) => t.lineId === e.lineId) + 1;
  const dropped = s.tasks.map((t) =>
    t.lineId === e.lineId && t.status === "open" ? { ...t, status: "dropped" as const } : t,
  );
  const { [e.lineId]: _, ...stillEnded } = s.ended;
  return settle({
    ...s,
    painBefore: null,
    lines: s.lines.map((l) => (l.lineId === e.lineId ? e.to : l)),
    setUp: s.setUp.filter((id) => id !== e.lineId),
    ended: stillEnded,
    tasks: [...dropped.slice(0, at), ...fresh, ...dropped.slice(at)],
  });
}
