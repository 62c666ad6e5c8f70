import "server-only";
import { inputOf, type LinePast, type VisitFacts } from "@/core/decision/inputOf";
import type { LineChange } from "@/core/decision/lineChange";
import { nextLine } from "@/core/decision/nextLine";
import { type Decision, decide } from "@/core/progression/decide";
import type { DecisionInput } from "@/core/progression/decisionInput";
import { ACTIONS, type Action, kneeReason } from "@/core/progression/safetyRules";
import { withOwn } from "@/core/rules/exercises";
import { itemsOf } from "@/core/sheet/effect/scoreItems";
import { judgeScore, type ScoreContext, standingBars } from "@/core/sheet/judge/judgeScore";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { repsLadder } from "@/core/sheet/line/repsLadder";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import { scoreTotals } from "@/core/sheet/order/sessionScore";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { Said } from "@/core/units/said";
import { type LineDone, lineDone } from "@/core/visit/lineDone";
import { isOfTheKnee, stopSaid } from "@/core/visit/signs/stopReasons";
import { feelsUpTo } from "@/core/visit/watched/feel";
import { changesWords } from "@/words/en/changes";
import { sayPlainly } from "@/words/say";
import { type Ctx, once } from "../base/context";
import { boundsOf } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { screeningStateOf } from "../client/screenings";
import { exercisesOf } from "../clinic/exercises";
import { contextOfSheet } from "../facts/sheetFacts";
import { roomAfter, soreOf } from "../facts/tissueRoom";
import { feelsOf } from "../history/feels";
import { daysOfReps, pastOf } from "../history/past";
import { regionsOf } from "../history/regions";
import {
  recentVisits,
  swellingBefore,
  undecidedLines,
  type Visit,
  type VisitHead,
  visitById,
} from "../history/visits";
import type { SheetVersion } from "../versions/sheets";
import { lastRecheck } from "./rechecks";

/** What an action would make of a line. */
export interface NextDraft {
  line: SheetLine | null;
  changes: LineChange[];
  sentence: string;
  /** what it would be set to; null where nothing is set, or it ends */
  how: string | null;
  /** the real load behind the words */
  set: { loadKg: number; isHelp: boolean } | null;
  /** why it cannot be saved; null where it can */
  bars: Said | null;
}

/** The draft of a decision for one line of a visit. */
export interface LineDraft {
  plan: SheetLine;
  kept: KeptLine;
  done: LineDone;
  past: LinePast;
  input: DecisionInput;
  decision: Decision;
  next: Record<Action, NextDraft>;
}

/** The drafts for a finished visit that is not decided yet. */
export interface VisitDraft {
  visit: Visit;
  lines: LineDraft[];
  /** shared facts that stop all of it: one decision for all lines. Null: each line has its own */
  stopsAll: Decision | null;
  /** the whole sheet as it was run, and as it would be with every draft taken */
  sheet: Record<"before" | "after", { minutes: number; effectiveSets: number }>;
}

/** Rules that look at nothing of a line: what stops by them stops all lines. */
const OF_ALL: ReadonlySet<string> = new Set(["S1", "S2"]);

/** An undecided visit with what its drafts say, without what each would make of its line. */
export interface WaitingDraft {
  visit: Visit;
  actions: Action[];
  /** what was found of the knee on that day or the morning after, in words; null: nothing, or only of a line */
  ofTheKnee: string | null;
}

/** The drafts that wait, the oldest first. */
export const waitingDrafts = (ctx: Ctx, client: ClientEpisode): Promise<WaitingDraft[]> =>
  once(ctx, `waiting ${client.episodeId}`, async () => {
    const visits = await recentVisits(ctx, client.episodeId);
    const waits = visits.filter((v) => undecidedLines(v).length > 0);
    return Promise.all(
      waits.map(async ({ id }) => {
        const visit = await visitById(ctx, id);
        const facts = await visitFacts(ctx, client, visits, visit);
        const lines = await Promise.all(openLines(visit).map((line) => decided(ctx, visit, line, facts)));
        const stopped = visit.end?.stopped;
        const reason = lines
          .map((l) => kneeReason([...l.decision.reasons, ...l.decision.also]))
          .find((r) => r);
        return {
          visit,
          actions: lines.map((l) => l.decision.action),
          ofTheKnee:
            (reason ? sayPlainly(reason) : null) ??
            (stopped && isOfTheKnee(stopped) ? lowerFirst(sayPlainly(stopSaid(stopped))) : null),
        };
      }),
    );
  });

/** Lines of a visit that wait for a decision and can be drafted. */
function openLines(visit: Visit): { plan: SheetLine; kept: KeptLine }[] {
  const open = new Set(undecidedLines(visit));
  return visit.sheet.lines.flatMap(({ plan, kept }) =>
    kept && open.has(plan.lineId) ? [{ plan, kept: asOnDay(kept, visit) }] : [],
  );
}

/** A short day asks for fewer sets: what was left out was not missed; what was worn as planned that day was planned. */
function asOnDay(kept: KeptLine, { setsOfDay, aidsOfDay }: Visit): KeptLine {
  const planned = setsOfDay?.[kept.lineId] ?? kept.sets.length;
  const aid = aidsOfDay?.[kept.lineId];
  return {
    ...kept,
    ...(aid ? { aid } : {}),
    sets: planned < kept.sets.length ? kept.sets.slice(0, planned) : kept.sets,
  };
}

/** Drafts of finished visits that are not decided, the oldest first. */
export async function visitDrafts(ctx: Ctx, client: ClientEpisode): Promise<VisitDraft[]> {
  const visits = await recentVisits(ctx, client.episodeId);
  const open = visits.filter((v) => undecidedLines(v).length > 0);
  const drafts: VisitDraft[] = [];
  for (const { id } of open) drafts.push(await draftOf(ctx, client, visits, await visitById(ctx, id)));
  return drafts;
}

async function draftOf(
  ctx: Ctx,
  client: ClientEpisode,
  visits: readonly VisitHead[],
  visit: Visit,
): Promise<VisitDraft> {
  const facts = await visitFacts(ctx, client, visits, visit);
  const lines = await Promise.all(openLines(visit).map((line) => lineDraft(ctx, client, visit, line, facts)));
  const first = lines[0]?.decision;
  const stopsAll = first?.action === "STOP_REFER" && first.rules.some((r) => OF_ALL.has(r)) ? first : null;
  const { sheet } = visit;
  const context = await contextOfSheet(ctx, client, sheet);
  const after = sheet.lines.flatMap(({ plan }) => {
    const drafted = lines.find((l) => l.plan.lineId === plan.lineId);
    const next = drafted ? drafted.next[drafted.decision.action].line : plan;
    return next ? [next] : [];
  });
  return {
    visit,
    lines,
    stopsAll,
    sheet: {
      before: totalsOf(
        sheet.lines.map((l) => l.plan),
        context,
      ),
      after: totalsOf(after, context),
    },
  };
}

function totalsOf(lines: readonly SheetLine[], context: ScoreContext) {
  const totals = scoreTotals(itemsOf(judgeScore(lines, context), (l) => l.lineId));
  return {
    minutes: Math.ceil(totals.seconds / 60),
    effectiveSets: totals.perItem.reduce((sum, x) => sum + x.effective, 0),
  };
}

async function lineDraft(
  ctx: Ctx,
  client: ClientEpisode,
  visit: Visit,
  line: { plan: SheetLine; kept: KeptLine },
  facts: VisitFacts,
): Promise<LineDraft> {
  const found = await decided(ctx, visit, line, facts);
  return {
    ...line,
    ...found,
    next: await nextByAction(ctx, client, visit.sheet, line, found.done, found.decision),
  };
}

/** What the table says of a line, from its own sets and the visit's shared facts. */
async function decided(
  ctx: Ctx,
  visit: Visit,
  { plan, kept }: { plan: SheetLine; kept: KeptLine },
  facts: VisitFacts,
): Promise<Pick<LineDraft, "done" | "past" | "input" | "decision">> {
  const mostReps = repsLadder(plan)?.most ?? null;
  const done = lineDone(kept, visit.records, mostReps);
  const past = await pastOf(ctx, plan.lineId, {
    id: visit.id,
    startedAt: visit.startedAt,
    worst: done.painDuring,
  });
  const exercises = withOwn((await exercisesOf(ctx)).map((x) => x.exercise));
  const e = exercises.find((x) => x.id === kept.exerciseId) ?? null;
  const input = inputOf(kept, e, done, past, facts);
  return { done, past, input, decision: decide(input) };
}

async function visitFacts(
  ctx: Ctx,
  client: ClientEpisode,
  visits: readonly VisitHead[],
  visit: Visit,
): Promise<VisitFacts> {
  const recheck = await lastRecheck(ctx, client.episodeId);
  const signs = (await screeningStateOf(ctx, client)).status;
  return {
    school: client.school,
    irritability: client.irritability,
    writtenPainLimit: (await boundsOf(ctx, client)).joint_pain?.high ?? null,
    usualPain: client.usualPain,
    redFlag: (recheck !== null && !recheck.isClear) || signs === "stop" || signs === "hold",
    painAtStart: visit.end?.painAtStart ?? null,
    painAtEnd: visit.end?.painAtEnd ?? null,
    morning: visit.morning,
    swellingBefore: swellingBefore(client, visits, visit.day),
    swellingApplies: client.swellingApplies,
    sore: await soreOf(ctx, client),
    room: await roomAfter(ctx, client, visit.day),
    regions: await regionsOf(ctx, client.episodeId),
    feels: feelsUpTo(await feelsOf(ctx, client.episodeId), visit.id),
    lines: visit.sheet.lines.flatMap((l) => (l.kept ? [l.kept] : [])),
  };
}

async function nextByAction(
  ctx: Ctx,
  client: ClientEpisode,
  sheet: SheetVersion,
  { plan, kept }: { plan: SheetLine; kept: KeptLine },
  done: LineDone,
  decision: Decision,
): Promise<Record<Action, NextDraft>> {
  const context = await contextOfSheet(ctx, client, sheet);
  const facts = {
    school: client.school,
    irritability: client.irritability,
    context,
    setKg: kept.sets.find((s) => s.role === "work")?.loadKg ?? null,
    usedKg: done.usedKg,
    saidLeft: done.reserve,
    ...(plan.scheme.kind === "slow"
      ? { daysOnRung: await daysOfReps(ctx, plan.lineId, plan.scheme.reps) }
      : {}),
  };
  const entries = ACTIONS.map((action): [Action, NextDraft] => {
    const next = nextLine(plan, action, action === decision.action ? decision : null, facts);
    const line = next.line && { ...plan, ...next.line };
    const [judged] = line ? judgeScore([{ ...line, sharesRests: false }], context) : [];
    return [
      action,
      {
        line,
        changes: next.changes,
        sentence: changesWords(next.changes),
        how: judged?.load?.setting?.how ?? null,
        set: judged?.load?.setting
          ? { loadKg: judged.load.setting.load, isHelp: judged.load.setting.isHelp }
          : null,
        bars: judged ? (standingBars(judged)[0] ?? null) : null,
      },
    ];
  });
  return Object.fromEntries(entries) as Record<Action, NextDraft>;
}
