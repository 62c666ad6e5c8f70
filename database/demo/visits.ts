import { draftSession } from "../../src/core/drafts/draftSession";
import { simulateHolds } from "../../src/core/isometrics/simulateHolds";
import { rangeSheet } from "../../src/core/selection/rank/rangeSheet";
import { scoreContextOf } from "../../src/core/sheet/judge/scoreContextOf";
import type { KeptLine } from "../../src/core/sheet/line/keptLine";
import type { ScoreLine } from "../../src/core/sheet/line/scoreInput";
import type { SheetLine } from "../../src/core/sheet/line/sheetInput";
import { repetitionsPossible } from "../../src/core/sheet/load/workingLoad";
import { clamp } from "../../src/core/units/clamp";
import { currentTask, lineOf, type VisitState, visitState } from "../../src/core/visit/run";
import { eventsOf, type LogEntry } from "../../src/core/visit/visitEvent";
import { normal, type Random } from "../../src/devices/simulated/random";
import type { Actor, Ctx } from "../../src/server/base/context";
import { draftFacts } from "../../src/server/choice/drafts";
import { type ClientEpisode, clientEpisode } from "../../src/server/client/clients";
import { visitDrafts } from "../../src/server/decide/decisionDrafts";
import { takeDecisions } from "../../src/server/decide/decisions";
import { answerRecheck } from "../../src/server/decide/rechecks";
import { chooseReturn, daysOffOf } from "../../src/server/decide/returns";
import { sheetFacts } from "../../src/server/facts/sheetFacts";
import { saveSheet } from "../../src/server/sheets/saveSheet";
import { keepTemplate } from "../../src/server/sheets/templates";
import { type SheetVersion, sheetsOf } from "../../src/server/versions/sheets";
import { recordMorning } from "../../src/server/visits/mornings";
import { logEvent, openVisit, startVisit } from "../../src/server/visits/running";
import { swapsOfVisit } from "../../src/server/visits/swapForToday";
import type { DemoClient, DemoSheet } from "./demoClient";

export interface DemoEvent {
  when: Date;
  run: (when: Date) => Promise<void>;
}

/** What the generator of the scenario lends: its clock, its people, its chance. */
export interface DemoWorld {
  at: <T>(when: Date, work: (ctx: Ctx) => Promise<T>, actor?: Actor) => Promise<T>;
  therapist: Actor;
  trainer: Actor;
  daysAgo: (days: number, hour: number, minute?: number) => Date;
  /** the calendar day so many days from now */
  isoDay: (inDays: number) => string;
  uuid: () => string;
  random: Random;
}

const HOUR_MS = 3_600_000;

/** A sheet as it was planned, run, answered for and decided on, day by day, through the product's own functions. */
export function sheetEvents(w: DemoWorld, d: DemoClient, clientId: string, sheet: DemoSheet): DemoEvent[] {
  const fresh = (when: Date) => w.at(when, (ctx) => clientEpisode(ctx, clientId));
  const events: DemoEvent[] = [
    {
      when: w.daysAgo(sheet.madeDaysAgo, 12),
      run: async (when) => planned(w, await fresh(when), sheet, when),
    },
  ];
  for (const [i, day] of sheet.visitsDaysAgo.entries()) {
    events.push({
      when: w.daysAgo(day, sheet.hour - 1, 30),
      run: async (when) => {
        const client = await fresh(when);
        await decideIfDue(w, client, when);
        await returnIfDue(w, client, when);
        await runVisit(w, d, client, sheet, i, new Date(when.getTime() + HOUR_MS / 2));
      },
    });
    const isLast = i === sheet.visitsDaysAgo.length - 1;
    if (isLast && sheet.lastMorning === "open") continue;
    const flare = isLast && typeof sheet.lastMorning === "object" ? sheet.lastMorning : null;
    events.push({
      when: w.daysAgo(day - 1, 8),
      run: async (when) => morningAfter(w, d, await fresh(when), sheet, day - 1, flare),
    });
  }
  // a flare waits for the therapist's decision today; what went well was decided the same day
  const last = sheet.visitsDaysAgo.at(-1);
  if (sheet.lastMorning === "fine" && last !== undefined)
    events.push({
      when: w.daysAgo(last - 1, 11),
      run: async (when) => decideIfDue(w, await fresh(when), when),
    });
  return events;
}

const sheetNamed = async (ctx: Ctx, client: ClientEpisode, name: string): Promise<SheetVersion> => {
  const found = (await sheetsOf(ctx, client.episodeId)).find((s) => s.name === name);
  if (!found) throw new Error(`${client.name} has no sheet ${name}.`);
  return found;
};

async function planned(w: DemoWorld, client: ClientEpisode, sheet: DemoSheet, when: Date): Promise<void> {
  await w.at(when, async (ctx) => {
    const lines = await linesOf(w, ctx, client, sheet);
    const items = lines.map((l): SheetLine => ({ ...l, lineId: w.uuid() }));
    await saveSheet(ctx, client, {
      id: w.uuid(),
      sheetId: w.uuid(),
      name: sheet.name,
      place: sheet.place,
      baseVersion: 0,
      items,
    });
    if (sheet.templateName) await keepTemplate(ctx, { id: w.uuid(), name: sheet.templateName, items: lines });
  });
}

async function linesOf(
  w: DemoWorld,
  ctx: Ctx,
  client: ClientEpisode,
  sheet: DemoSheet,
): Promise<ScoreLine[]> {
  if (Array.isArray(sheet.lines))
    return sheet.lines.map(({ order, ...l }) => ({
      window: null,
      sharesRests: false,
      ...l,
      ...(order
        ? {
            standingOrder: {
              allows: order.allows,
              untilOn: w.isoDay(order.untilInDays),
              mostDeg: null,
              mostKg: null,
            },
          }
        : {}),
    }));
  const facts = await sheetFacts(ctx, client);
  const draft = await draftFacts(ctx, client);
  if (typeof draft === "string") throw new Error(`${client.name}: ${draft}`);
  const context = scoreContextOf(facts);
  const wish = { place: sheet.lines.place, minutes: sheet.lines.draftMinutes };
  return draftSession(draft, rangeSheet(context.sheet), context, wish, facts.school).lines;
}

/** Decides what waits as it is drafted; a step that cannot be set is not taken, the therapist stays and says why. */
/** After days off somebody chooses how to go on before anything is run; these clients were away and kept walking. */
async function returnIfDue(w: DemoWorld, client: ClientEpisode, when: Date): Promise<void> {
  await w.at(when, async (ctx) => {
    const off = await daysOffOf(ctx, client);
    if (!off || off.chosen || off.proposed === "same") return;
    await chooseReturn(ctx, client, {
      id: w.uuid(),
      visitId: off.visitId,
      proposed: off.proposed,
      chosen: "same",
      reason: "was away and walked every day; looked at together: the same again",
      because: "travel",
      bedDays: 0,
    });
  });
}

async function decideIfDue(w: DemoWorld, client: ClientEpisode, when: Date): Promise<void> {
  await w.at(when, async (ctx) => {
    for (const draft of await visitDrafts(ctx, client)) {
      const lines = draft.lines.map((l) => {
        const drafted = l.decision.action;
        const isOpen = drafted !== "STOP_REFER" && l.next[drafted].bars === null;
        return {
          id: w.uuid(),
          lineId: l.plan.lineId,
          action: isOpen ? drafted : ("HOLD" as const),
          computedAction: drafted,
          overrideReason: isOpen
            ? null
            : drafted === "STOP_REFER"
              ? "looked at together in the clinic: nothing found, the same again"
              : "the next step cannot be set on this machine yet",
        };
      });
      if (lines.length > 0) await takeDecisions(ctx, client, { visitId: draft.visit.id, lines });
    }
  });
}

/** One visit, from the warning signs to its end, as the tablet would log it. */
async function runVisit(
  w: DemoWorld,
  d: DemoClient,
  client: ClientEpisode,
  sheet: DemoSheet,
  index: number,
  start: Date,
): Promise<void> {
  const [recheckId, visitId] = [w.uuid(), w.uuid()];
  const as = <T>(when: Date, work: (ctx: Ctx) => Promise<T>) => w.at(when, work, w.trainer);
  const version = await as(start, (ctx) => sheetNamed(ctx, client, sheet.name));
  await as(start, (ctx) => answerRecheck(ctx, client, { id: recheckId, isClear: true, signs: [] }));
  await as(start, (ctx) =>
    startVisit(ctx, client, {
      id: visitId,
      versionId: version.id,
      recheckId,
      startedAt: start.toISOString(),
    }),
  );
  const open = await as(start, (ctx) => openVisit(ctx, client.episodeId));
  if (!open) throw new Error("The visit did not start.");
  const log: LogEntry[] = [];
  const end = await as(new Date(start.getTime() + HOUR_MS / 2), async (ctx) => {
    const send = async (entry: LogEntry) => {
      log.push(entry);
      await logEvent(ctx, visitId, { seq: log.length, entry });
    };
    let at = start.getTime() + 6 * 60_000;
    if (sheet.swappedIn === index) {
      const line = open.lines.at(-1) as KeptLine;
      const [best] = await swapsOfVisit(ctx, visitId, { lineId: line.lineId, reason: "taken" });
      if (best) await send({ type: "swap", lineId: line.lineId, to: best.to, why: "taken", at });
    }
    for (let i = 0; i < 900; i++) {
      const s = visitState(open.lines, eventsOf(log));
      const next = nextOf(w, d, s, index, at);
      if (!next) break;
      await send(next.entry);
      at = next.at;
      if (
        s.phase === "rating" &&
        sheet.correctedIn === index &&
        next.entry.type === "rate" &&
        s.done.length === 0
      )
        await send({
          type: "correct",
          recordId: next.entry.recordId,
          newId: w.uuid(),
          pain: Math.max(0, next.entry.pain - 1),
          reps: null,
          reserve: null,
          felt: null,
          at,
        });
    }
    return at;
  });
  if (end < start.getTime()) throw new Error("A visit ends after its start.");
}

/** What happens next in the pretended visit, and when it is over; null at its end. */
function nextOf(
  w: DemoWorld,
  d: DemoClient,
  s: VisitState,
  index: number,
  at: number,
): { entry: LogEntry; at: number } | null {
  const task = currentTask(s);
  const usual = d.story.painNow;
  switch (s.phase) {
    case "finished":
      return null;
    case "closing":
      return { entry: { type: "finish", painAtEnd: quiet(s), at }, at };
    case "set-up":
      return task && { entry: { type: "set-up", lineId: task.lineId, pins: true, at }, at: at + 20_000 };
    case "pain-before":
      return {
        entry: { type: "pain-before", score: noisy(w, usual - 0.4, mostOf(s, task?.lineId)), at },
        at: at + 5_000,
      };
    case "ready": {
      if (!task) return null;
      const { lineId, set, leg, bout } = task;
      const from = Math.max(at, s.restEndsAtMs ?? 0);
      return { entry: { type: "start", task: { lineId, set, leg, bout }, at: from }, at: from };
    }
    case "working": {
      const until = at + Math.round((s.under?.task.workS ?? 1) * 1000);
      return {
        entry: {
          type: "end",
          at: until,
          early: null,
          reps: null,
          meanForceN: forceOf(w, s),
          range: null,
          countedBy: s.under?.task.holdS == null ? "tap" : forceOf(w, s) === null ? "clock" : "cell",
        },
        at: until,
      };
    }
    case "rating": {
      const felt = feltOf(w, s);
      const isHeld = s.under?.task.reps === null;
      const rise = d.truth.painPerEffort * felt - 0.05 * index;
      const most = mostOf(s, s.under?.task.lineId);
      return {
        entry: {
          type: "rate",
          // the history has no line that a stop rule ended
          pain: noisy(w, usual * 0.55 + rise, Math.min(most, (s.under?.painBefore ?? usual) + 2)),
          reps: null,
          reserve: isHeld ? null : clamp(Math.round(10 - felt), 0, 10),
          felt: isHeld ? Math.round(2 * felt) / 2 : null,
          recordId: w.uuid(),
          at,
        },
        at: at + 5_000,
      };
    }
  }
}

const mostOf = (s: VisitState, lineId: string | undefined): number =>
  (lineId ? lineOf(s, lineId)?.painMax : null) ?? 2;

/** Pain at the end: no more than it was in the last set. */
const quiet = (s: VisitState): number => Math.max(0, (s.done.at(-1)?.pain ?? 1) - 1);

function noisy(w: DemoWorld, x: number, most: number): number {
  return clamp(Math.round(x + 0.35 * normal(w.random) + (w.random() - 0.5) * 0.4), 0, most);
}

/** Felt effort at the end of a set: of holds by the fatigue model, of sets by what the load leaves; people understate it by one. */
function feltOf(w: DemoWorld, s: VisitState): number {
  const task = s.under?.task;
  const line = task && lineOf(s, task.lineId);
  const set = line?.sets[Math.min(task?.set ?? 0, line.sets.length - 1)];
  const noise = 0.3 * normal(w.random);
  if (!set) return 5;
  if (set.holds && line && line.share !== null) {
    const share = clamp(line.share * 0.97, 0.05, 0.95);
    const run = simulateHolds("knee", share, { ...set.holds, sets: 1, setRestS: 0 });
    return clamp((run.holds[task?.bout ?? 0]?.effortEnd ?? 5) + noise, 1, 10);
  }
  const reps = task?.reps ?? null;
  const left =
    line && line.share !== null && line.basis !== "felt" && reps !== null
      ? repetitionsPossible(clamp(line.share * set.loadShare, 0.2, 1)) - reps - UNDERSTATED
      : (set.reserve ?? 5);
  return clamp(10 - left + noise, 1, 10);
}

const UNDERSTATED = 1;

function forceOf(w: DemoWorld, s: VisitState): number | null {
  const line = s.under && lineOf(s, s.under.task.lineId);
  if (!line || line.aimForceN === null) return null;
  return Math.round(line.aimForceN * (1 + 0.02 * normal(w.random)) * 10) / 10;
}

async function morningAfter(
  w: DemoWorld,
  d: DemoClient,
  client: ClientEpisode,
  sheet: DemoSheet,
  day: number,
  flare: { painRise: number; swelling: number } | null,
): Promise<void> {
  const when = w.daysAgo(day, 8, 5 + Math.floor(w.random() * 30));
  await w.at(when, async (ctx) => {
    const visit = (await visitDrafts(ctx, client)).find(
      (x) => x.visit.sheet.name === sheet.name && !x.visit.morning,
    )?.visit;
    if (!visit) return;
    await recordMorning(ctx, client, {
      id: w.uuid(),
      visitId: visit.id,
      corrects: null,
      pain: flare
        ? d.story.painNow + flare.painRise
        : Math.max(0, Math.round(d.story.painNow - w.random() * 1.4)),
      swelling: d.story.swellingApplies ? (flare?.swelling ?? d.story.firstSwelling) : null,
      stiffnessMin: flare ? 35 : 5 + Math.floor(w.random() * 10),
    });
  });
}
