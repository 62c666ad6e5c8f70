import "server-only";
import { randomUUID } from "node:crypto";
import { changesWords } from "@/core/decision/changeWords";
import { inputOf, type LinePast, type VisitFacts } from "@/core/decision/inputOf";
import { type LineChange, nextLine } from "@/core/decision/nextLine";
import { type Decision, decide } from "@/core/progression/decide";
import type { DecisionInput } from "@/core/progression/decisionInput";
import { type Action, TELL_TODAY } from "@/core/progression/safetyRules";
import { itemsOf } from "@/core/sheet/effect/scoreItems";
import { judgeScore, type ScoreContext } from "@/core/sheet/judge/judgeScore";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { type SheetLine, sheetLine } from "@/core/sheet/line/sheetInput";
import { scoreTotals } from "@/core/sheet/order/sessionScore";
import { type LineDone, lineDone } from "@/core/visit/lineDone";
import type { DecisionsTaken } from "@/core/visit/visitInput";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, mustBeSame, Refused } from "../base/refused";
import { boundsOf } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { screeningStateOf } from "../client/screenings";
import { sheetFacts } from "../sheets/facts";
import { writeVersion } from "../sheets/saveSheet";
import { sheetsOf } from "../sheets/sheets";
import { pastOf } from "./past";
import { lastRecheck } from "./rechecks";
import { recentVisits, undecidedLines, type Visit } from "./visits";

/** What an action would make of a line. */
export interface NextDraft {
  line: SheetLine | null;
  changes: LineChange[];
  sentence: string;
  /** what it would be set to; null where nothing is set, or it ends */
  how: string | null;
  /** why it cannot be saved; null where it can */
  bars: string | null;
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
  sheet: Record<"before" | "after", { minutes: number; hardReps: number }>;
}

const ACTIONS: readonly Action[] = ["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"];
/** Rules that look at nothing of a line: what stops by them stops all lines. */
const OF_ALL: ReadonlySet<string> = new Set(["S1", "S2"]);

/** What the drafts of the oldest undecided visit say, without what each would make of its line; null where none waits. */
export async function waitingDraft(
  ctx: Ctx,
  client: ClientEpisode,
): Promise<{ visit: Visit; actions: Action[] } | null> {
  const visits = await recentVisits(ctx, client.episodeId);
  const visit = visits.find((v) => undecidedLines(v).length > 0);
  if (!visit) return null;
  const facts = await visitFacts(ctx, client, visits, visit);
  const actions: Action[] = [];
  for (const { plan, kept } of openLines(visit))
    actions.push((await decided(ctx, client.episodeId, visit, { plan, kept }, facts)).decision.action);
  return { visit, actions };
}

/** Lines of a visit that wait for a decision and can be drafted. */
function openLines(visit: Visit): { plan: SheetLine; kept: KeptLine }[] {
  const open = new Set(undecidedLines(visit));
  return visit.sheet.lines.flatMap(({ plan, kept }) =>
    kept && open.has(plan.lineId) ? [{ plan, kept }] : [],
  );
}

/** Drafts of finished visits that are not decided, the oldest first. */
export async function visitDrafts(ctx: Ctx, client: ClientEpisode): Promise<VisitDraft[]> {
  const visits = await recentVisits(ctx, client.episodeId);
  const drafts: VisitDraft[] = [];
  for (const visit of visits)
    if (undecidedLines(visit).length > 0) drafts.push(await draftOf(ctx, client, visits, visit));
  return drafts;
}

async function draftOf(
  ctx: Ctx,
  client: ClientEpisode,
  visits: readonly Visit[],
  visit: Visit,
): Promise<VisitDraft> {
  const facts = await visitFacts(ctx, client, visits, visit);
  const lines: LineDraft[] = [];
  for (const line of openLines(visit)) lines.push(await lineDraft(ctx, client, visit, line, facts));
  const first = lines[0]?.decision;
  const stopsAll = first?.action === "STOP_REFER" && first.rules.some((r) => OF_ALL.has(r)) ? first : null;
  const { sheet } = visit;
  const context = scoreContextOf(await sheetFacts(ctx, client));
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
  return { minutes: Math.ceil(totals.seconds / 60), hardReps: totals.hard };
}

async function lineDraft(
  ctx: Ctx,
  client: ClientEpisode,
  visit: Visit,
  line: { plan: SheetLine; kept: KeptLine },
  facts: VisitFacts,
): Promise<LineDraft> {
  const found = await decided(ctx, client.episodeId, visit, line, facts);
  return { ...line, ...found, next: await nextByAction(ctx, client, line.plan, found.done, found.decision) };
}

/** What the table says of a line, from its own sets and the visit's shared facts. */
async function decided(
  ctx: Ctx,
  episodeId: string,
  visit: Visit,
  { plan, kept }: { plan: SheetLine; kept: KeptLine },
  facts: VisitFacts,
): Promise<Pick<LineDraft, "done" | "past" | "input" | "decision">> {
  const mostReps = plan.ladder?.of === "reps" ? plan.ladder.most : null;
  const done = lineDone(kept, visit.records, mostReps);
  const past = await pastOf(ctx, episodeId, plan.lineId, {
    id: visit.id,
    startedAt: visit.startedAt,
    worst: done.painDuring,
  });
  const input = inputOf(kept, done, past, facts);
  return { done, past, input, decision: decide(input) };
}

async function visitFacts(
  ctx: Ctx,
  client: ClientEpisode,
  visits: readonly Visit[],
  visit: Visit,
): Promise<VisitFacts> {
  const recheck = await lastRecheck(ctx, client.episodeId);
  const signs = (await screeningStateOf(ctx, client)).status;
  const earlier = visits.filter((v) => v.startedAt < visit.startedAt);
  const swellings = earlier.flatMap((v) => (v.morning?.swelling == null ? [] : [v.morning.swelling]));
  return {
    school: client.school,
    irritability: client.irritability,
    writtenPainLimit: (await boundsOf(ctx, client)).joint_pain?.high ?? null,
    usualPain: client.usualPain,
    redFlag: (recheck !== null && !recheck.isClear) || signs === "stop" || signs === "hold",
    painAtStart: visit.end?.painAtStart ?? null,
    painAtEnd: visit.end?.painAtEnd ?? null,
    morning: visit.morning,
    swellingBefore: swellings.at(-1) ?? client.firstSwelling,
    swellingApplies: client.swellingApplies,
  };
}

async function nextByAction(
  ctx: Ctx,
  client: ClientEpisode,
  plan: SheetLine,
  done: LineDone,
  decision: Decision,
): Promise<Record<Action, NextDraft>> {
  const context = scoreContextOf(await sheetFacts(ctx, client));
  const facts = { school: client.school, irritability: client.irritability, context, usedKg: done.usedKg };
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
        bars: judged?.bars[0] ?? null,
      },
    ];
  });
  return Object.fromEntries(entries) as Record<Action, NextDraft>;
}

/** A decision for one line, or for all of them, as it is written. */
interface Written {
  id: string;
  draft: LineDraft;
  lineId: string | null;
  action: Action;
  overrideReason: string | null;
  byOrderOf: string | null;
}

/**
 * Takes decisions for lines of a visit, together: the computed ones, or others with a reason. The drafts are computed
 * again here; if one is no longer what the person saw, nothing is written. What changes is saved as the sheet's next
 * version in the same transaction.
 */
export async function takeDecisions(ctx: Ctx, client: ClientEpisode, taken: DecisionsTaken): Promise<void> {
  mustMay(ctx, "decision.take");
  await lockEpisode(ctx, client.episodeId);
  if (await wasTaken(ctx, taken)) return;
  const draft = (await visitDrafts(ctx, client)).find((d) => d.visit.id === taken.visitId);
  if (!draft)
    throw new Refused("conflict", "This visit has been decided already. Reload to see by whom and how.");
  if (draft.stopsAll && taken.lines.some((t) => t.lineId !== null || t.action !== "STOP_REFER"))
    throw attempted(
      "decision.stop",
      new Refused(
        "conflict",
        "What was found stops all lines: one decision, to stop and refer, closes the sheet. Clear the sign first if it was an error.",
      ),
    );
  const written = taken.lines.map((t): Written => {
    const line = t.lineId === null ? draft.lines[0] : draft.lines.find((l) => l.plan.lineId === t.lineId);
    if (!line || (t.lineId === null && !draft.stopsAll && t.action !== "STOP_REFER"))
      throw new Refused("conflict", "This line has been decided already. Reload to see by whom and how.");
    if (line.decision.action !== t.computedAction)
      throw new Refused(
        "conflict",
        "The facts changed meanwhile and so did the draft. Reload, read the reasons, decide again.",
      );
    if (t.action === "PROGRESS" && !draft.visit.morning)
      throw attempted(
        "decision.early",
        new Refused(
          "conflict",
          "Nobody steps up before the next morning is known. Stay, step back or stop now, or wait for the answer.",
        ),
      );
    return {
      id: t.id,
      draft: line,
      lineId: t.lineId,
      action: t.action,
      overrideReason: t.overrideReason,
      byOrderOf: null,
    };
  });
  await writeDecisions(ctx, client, draft, written, "decision");
}

/** The same decisions sent twice change nothing; others under the same ids are refused and kept aside. */
async function wasTaken(ctx: Ctx, taken: DecisionsTaken): Promise<boolean> {
  const rows = await ctx.tx`
    select id, visit_id, line_id, action, computed_action, override_reason from decision
    where id = any(${taken.lines.map((l) => l.id)}::uuid[])`;
  if (rows.length === 0) return false;
  const isSame =
    rows.length === taken.lines.length &&
    taken.lines.every((t) => {
      const known = rows.find((r) => r.id === t.id);
      return (
        known?.visit_id === taken.visitId &&
        known.line_id === t.lineId &&
        known.action === t.action &&
        known.computed_action === t.computedAction &&
        known.override_reason === t.overrideReason
      );
    });
  mustBeSame(isSame, "decision.repeat", "These decisions were taken before, and differently");
  return true;
}

/** Writes decisions and the sheet's next version. The caller holds the episode's lock. */
export async function writeDecisions(
  ctx: Ctx,
  client: ClientEpisode,
  draft: VisitDraft,
  written: readonly Written[],
  origin: "decision" | "standing_order",
): Promise<void> {
  const nextId = await saveNext(ctx, client, draft, written, origin);
  for (const w of written) {
    const { decision, input } = w.draft;
    const next = w.draft.next[w.action];
    const said = decision.tellsTherapist ? `${next.sentence} ${TELL_TODAY}` : next.sentence;
    const rows = await ctx.tx`
      insert into decision (id, clinic_id, visit_id, line_id, input, computed_action, rules, reasons, changes, action,
        override_reason, banks, sentence, by_order_of, next_version_id, decided_at, decided_by)
      values (${w.id}, ${ctx.actor.clinicId}, ${draft.visit.id}, ${w.lineId}, ${ctx.tx.json(input as never)},
        ${decision.action}, ${decision.rules}, ${decision.reasons.map((r) => r.reason)},
        ${ctx.tx.json(next.changes as never)}, ${w.action}, ${w.overrideReason},
        ${w.action === "HOLD" && decision.change.bank === 1}, ${said}, ${w.byOrderOf}, ${nextId}, ${ctx.now},
        ${ctx.actor.personId})
      on conflict do nothing returning id`;
    if (rows.length === 0)
      throw new Refused("conflict", "This line has been decided already. Reload to see by whom and how.");
  }
  await audit(
    ctx,
    origin === "decision" ? "decision.take" : "decision.by_order",
    "visit",
    draft.visit.id,
    { computed: written.map((w) => w.draft.decision.action) },
    {
      actions: written.map((w) => w.action),
      lines: written.map((w) => w.draft.kept.name),
      overrideReasons: written.flatMap((w) => w.overrideReason ?? []),
    },
  );
}

/** Saves what the actions make of the sheet; null where it stays as it is. A barred step is not taken. */
async function saveNext(
  ctx: Ctx,
  client: ClientEpisode,
  draft: VisitDraft,
  written: readonly Written[],
  origin: "decision" | "standing_order",
): Promise<string | null> {
  // a stop for all leaves the sheet as it is: it is closed until a therapist writes a new version
  if (written.some((w) => w.lineId === null)) return null;
  const { sheet } = draft.visit;
  const current = (await sheetsOf(ctx, client.episodeId)).find((s) => s.sheetId === sheet.sheetId);
  // lines decided before, by a standing order, already changed the sheet; somebody's newer version stands as theirs
  const isOurs = current && (current.id === sheet.id || current.origin === "standing_order");
  if (!current || !isOurs) return null;
  const items = current.lines.flatMap(({ plan }): SheetLine[] => {
    const w = written.find((x) => x.lineId === plan.lineId);
    if (!w) return [plan];
    const next = w.draft.next[w.action];
    if (next.bars && w.action !== "HOLD")
      throw new Refused(
        "conflict",
        `The next step of ${w.draft.kept.name} cannot be set: ${next.bars}. Change the sheet, or decide otherwise.`,
      );
    return next.line ? [next.line] : [];
  });
  const isChanged =
    JSON.stringify(sheetLine.array().parse(items)) !== JSON.stringify(current.lines.map((l) => l.plan));
  if (!isChanged || items.length === 0) return null;
  const [first, ...rest] = items as [SheetLine, ...SheetLine[]];
  const saved = await writeVersion(ctx, client, {
    id: randomUUID(),
    sheetId: sheet.sheetId,
    version: current.version + 1,
    items: [{ ...first, sharesRests: false }, ...rest],
    origin,
    before: current,
  });
  return saved.id;
}
