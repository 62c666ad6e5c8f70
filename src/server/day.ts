import "server-only";
import { ACTION_WORDS, type Action } from "@/core/progression/safetyRules";
import { standing } from "@/core/session/holdRecord";
import { retestDue } from "@/core/strength/testsForCurve";
import { type ClientEpisode, clientEpisodes } from "./clients";
import { type Ctx, dayOf, today } from "./context";
import { proposal } from "./decisions";
import { testsOf } from "./measurements";
import { currentPlan, type StoredPlan } from "./plans";
import { type FloorSession, isStopped, lastRecheck, sessionsOf } from "./sessions";

export type PathStep = "story" | "measure" | "dose" | "floor" | "morning" | "decide";
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
  plan: StoredPlan | null;
  last: LastResponse | null;
  lastSession: FloorSession | null;
  steps: Record<PathStep, { state: StepState; words: string }>;
  /** the one thing to do next */
  next: { step: PathStep; sentence: string; needsHand: boolean };
  sessionsDone: number;
}

/** Where a client stands today: the state of each step and what comes next, from the same rules the routes enforce. */
export async function clientDay(ctx: Ctx, client: ClientEpisode): Promise<ClientDay> {
  const [tests, plan, sessions, recheck] = [
    (await testsOf(ctx, client.episodeId)).filter((t) => t.side === client.side),
    await currentPlan(ctx, client.episodeId),
    await sessionsOf(ctx, client.episodeId),
    await lastRecheck(ctx, client.episodeId),
  ];
  const lastSession = sessions[sessions.length - 1] ?? null;
  const due = retestDue(tests, today(ctx));
  const draft = await proposal(ctx, client);
  const warning = recheck && !recheck.isClear ? recheck.what : null;
  const stopped = lastSession !== null && plan !== null && isStopped(lastSession, plan);
  const steps = stepsOf({
    client,
    tests: tests.length,
    due,
    plan,
    lastSession,
    draft: draft?.decision.action ?? null,
    warning,
    isStopped: stopped,
  });
  return {
    client,
    plan,
    last: lastSession ? lastResponse(ctx, lastSession) : null,
    lastSession,
    steps,
    next: nextStep(steps, draft?.decision.action ?? null),
    sessionsDone: sessions.filter((s) => s.end).length,
  };
}

function lastResponse(ctx: Ctx, s: FloorSession): LastResponse {
  const done = standing(s.records);
  return {
    before: done[0]?.painBefore ?? null,
    after: s.end?.painAtEnd ?? null,
    morning: s.morning?.pain ?? null,
    on: dayOf(ctx, s.startedAt),
  };
}

interface Facts {
  client: ClientEpisode;
  tests: number;
  due: string | null;
  plan: StoredPlan | null;
  lastSession: FloorSession | null;
  draft: Action | null;
  warning: string | null;
  isStopped: boolean;
}

function stepsOf(f: Facts): ClientDay["steps"] {
  const undecided = Boolean(f.lastSession?.end && !f.lastSession.decided);
  const morningMissing = undecided && !f.lastSession?.morning;
  const running = Boolean(f.lastSession && !f.lastSession.end);
  return {
    story: { state: "done", words: "way and limits" },
    measure: f.due
      ? { state: "due", words: f.due }
      : { state: "done", words: `${f.tests} strength ${f.tests === 1 ? "test" : "tests"}` },
    dose: f.plan
      ? { state: "done", words: `${f.plan.plan.kneeFlexionDeg}°, ${f.plan.setting}` }
      : f.tests
        ? { state: "due", words: "no dose yet" }
        : { state: "blocked", words: "needs a strength test" },
    floor: floorStep(f, undecided, running),
    morning: morningMissing
      ? { state: "due", words: "not answered yet" }
      : f.lastSession?.morning
        ? { state: "done", words: `pain ${f.lastSession.morning.pain}` }
        : { state: "open", words: "after a session" },
    decide: undecided
      ? {
          state: morningMissing ? "open" : "due",
          words: morningMissing ? "waits for the morning" : "draft is ready",
        }
      : f.lastSession?.decided
        ? { state: "done", words: ACTION_WORDS[f.lastSession.decided.action as Action].toLowerCase() }
        : { state: "open", words: "after a session" },
  };
}

function floorStep(f: Facts, undecided: boolean, running: boolean): { state: StepState; words: string } {
  if (f.warning) return { state: "blocked", words: "warning sign" };
  if (!f.plan) return { state: "blocked", words: "needs a dose" };
  if (f.isStopped) return { state: "blocked", words: "stopped, refer" };
  if (running) return { state: "due", words: "session is open" };
  if (undecided) return { state: "blocked", words: "decide first" };
  return { state: "due", words: "ready to run" };
}

function nextStep(steps: ClientDay["steps"], draft: Action | null): ClientDay["next"] {
  if (steps.floor.words === "warning sign")
    return {
      step: "floor",
      sentence: "A warning sign stands: clear it with a reason, or refer",
      needsHand: true,
    };
  if (steps.floor.words === "session is open")
    return { step: "floor", sentence: "A session is open on the floor: go on", needsHand: true };
  if (steps.morning.state === "due")
    return { step: "morning", sentence: "Ask how the morning after was", needsHand: true };
  if (steps.decide.state === "due")
    return {
      step: "decide",
      sentence: `Decide the next session: the draft says ${draft ? ACTION_WORDS[draft].toLowerCase() : "nothing yet"}`,
      needsHand: draft === "REGRESS" || draft === "STOP_REFER",
    };
  if (steps.floor.words === "stopped, refer")
    return { step: "dose", sentence: "Stopped: refer, then write a new plan", needsHand: true };
  if (steps.measure.state === "due")
    return { step: "measure", sentence: `Measure strength: ${steps.measure.words}`, needsHand: true };
  if (steps.dose.state === "due") return { step: "dose", sentence: "Dose the first hold", needsHand: true };
  return { step: "floor", sentence: "Run the holds", needsHand: false };
}

/** Everybody of the clinic with where they stand, those who need a hand first. */
export async function todayList(ctx: Ctx): Promise<ClientDay[]> {
  const days: ClientDay[] = [];
  for (const client of await clientEpisodes(ctx)) days.push(await clientDay(ctx, client));
  return days.sort((a, b) => Number(b.next.needsHand) - Number(a.next.needsHand));
}
