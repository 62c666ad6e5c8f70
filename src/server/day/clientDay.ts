import "server-only";
import { boundKind } from "@/core/bounds/kinds";
import type { DayFacts, SheetNamed } from "@/core/desk/dayFacts";
import { LIMIT_ENDS_SOON_DAYS } from "@/core/desk/matters";
import { type Steps, stepsOf } from "@/core/desk/path";
import { type Bars, barsOf, type Matter, mattersOf, type Next, nextOf } from "@/core/desk/waiting";
import { type DueMeasurement, dueMeasurements } from "@/core/measure/dueMeasurements";
import { phaseEntry } from "@/core/phases/phaseEntry";
import { type Action, stricter } from "@/core/progression/safetyRules";
import type { ScreeningState } from "@/core/screening/screeningState";
import type { GoneLine } from "@/core/sheet/line/gone";
import { daysAfter, daysBetween } from "@/core/units/days";
import type { Said } from "@/core/units/said";
import type { Concern } from "@/core/visit/concerns";
import { standing } from "@/core/visit/setRecord";
import { type Ctx, dayOf, today } from "../base/context";
import { limitsBar, writtenLimits } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { screeningStateOf } from "../client/screenings";
import { unseenConcerns } from "../decide/concerns";
import { waitingDrafts } from "../decide/decisionDrafts";
import { kneeBarred } from "../decide/kneeDay";
import { lastRecheck } from "../decide/rechecks";
import { daysOffOf, returnBarred } from "../decide/returns";
import { painSentence } from "../facts/pain";
import { findingsOf } from "../facts/phases";
import { recordsOf } from "../history/records";
import { isStopped, recentVisits, strictestOf, undecidedLines, type VisitHead } from "../history/visits";
import { extensionTests, testsOf } from "../measure/measurements";
import { findingsOnFile } from "../measure/otherMeasurements";
import { requestsOf } from "../requests/requests";
import { plateausOf } from "../review/plateau";
import { goneLines } from "../sheets/gone";
import { type SheetVersion, sheetsOf } from "../versions/sheets";
import { morningWaits } from "../visits/mornings";
import { blockOf } from "../week/blocks";

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
  steps: Steps;
  next: Next;
  /** all that waits for somebody, each with where it is done */
  matters: Matter[];
  screening: ScreeningState;
  /** what is due for a measurement, and why */
  due: DueMeasurement[];
  /** what bars work today, with who can lift it and where; said on every screen */
  bars: Bars | null;
  /** what a therapist has not seen yet, before anything else */
  concerns: (Concern & { on: string })[];
  /** lines whose machine the clinic does not have any more */
  gone: GoneLine[];
  /** pain above the most allowed before any work, with what can be done; said on every screen */
  pain: Said | null;
}

/** Where a client stands today: the state of each step and what comes next, from the same rules the routes enforce. */
export async function clientDay(ctx: Ctx, client: ClientEpisode): Promise<ClientDay> {
  const { episodeId } = client;
  const [
    allTests,
    sheets,
    visits,
    recheck,
    conditions,
    measurements,
    screening,
    [draft],
    kneeBar,
    handLimits,
    written,
    requests,
    block,
    off,
    returnBar,
    concerns,
    gone,
    plateaus,
  ] = await Promise.all([
    testsOf(ctx, episodeId),
    sheetsOf(ctx, episodeId),
    recentVisits(ctx, episodeId),
    lastRecheck(ctx, episodeId),
    conditionsOf(ctx, episodeId),
    findingsOnFile(ctx, client),
    screeningStateOf(ctx, client),
    waitingDrafts(ctx, client),
    kneeBarred(ctx, client),
    limitsBar(ctx, client),
    writtenLimits(ctx, episodeId),
    requestsOf(ctx, episodeId),
    blockOf(ctx, episodeId),
    daysOffOf(ctx, client),
    returnBarred(ctx, client),
    unseenConcerns(ctx, client),
    goneLines(ctx, client),
    plateausOf(ctx, client),
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
  const waits = new Set(visits.filter((v) => undecidedLines(v).length > 0).map((v) => v.sheetId));
  const facts: DayFacts = {
    tests: tests.length,
    due,
    sheets: sheets.map(named),
    ready: runnable
      .filter(
        (sheet) =>
          kneeBar === null && !waits.has(sheet.sheetId) && !gone.some((g) => g.sheetId === sheet.sheetId),
      )
      .map(named),
    concerns,
    gone,
    plateaus: plateaus.flatMap(({ direction, because: [first] }) =>
      first ? [{ direction, because: first }] : [],
    ),
    lastVisit: lastVisit && {
      isRunning: lastVisit.end === null,
      morningPain: lastVisit.morning?.pain ?? null,
      decided: strictestOf(lastVisit)?.action ?? null,
    },
    draft: draft
      ? { hasMorning: draft.visit.morning !== null, strictest: strictestAction(draft.actions) }
      : null,
    warning,
    isStopped: sheets.length > 0 && runnable.length === 0,
    screening,
    handLimits,
    morningWaits: draft !== undefined && morningWaits(ctx, draft.visit.startedAt) !== null,
    phases: conditions.map((c) => c.phase.name),
    opens,
    ending: written.flatMap((l) => {
      const days = l.endsOn === null ? -1 : daysBetween(today(ctx), l.endsOn);
      if (l.endsOn === null || days < 0 || days > LIMIT_ENDS_SOON_DAYS) return [];
      return [{ limit: boundKind(l.kind).name, endsOn: l.endsOn }];
    }),
    requests: requests.filter((r) => r.isAllowed === null),
    today: today(ctx),
    block: block && {
      endsOn: daysAfter(block.startsOn, 7 * (block.buildWeeks + block.keepWeeks) - 1),
      today: block.days.flatMap((d) => {
        const sheet = sheets.find((s) => s.sheetId === d.sheetId);
        return d.on === today(ctx) && sheet
          ? [
              {
                name: sheet.name,
                at: d.at,
                isAtGym: sheet.place === "gym",
                isShort: d.isShort,
                sheetId: sheet.sheetId,
              },
            ]
          : [];
      }),
    },
    returnBar,
    daysOff:
      off && !off.chosen && off.proposed !== "same" ? { days: off.days, proposed: off.proposed } : null,
    unconfirmed: conditions.filter((c) => !c.isConfirmed).map((c) => c.condition.name),
  };
  return {
    client,
    sheets,
    last: lastVisit ? await lastResponse(ctx, lastVisit) : null,
    steps: stepsOf(facts),
    next: nextOf(facts),
    matters: mattersOf(facts),
    screening,
    due,
    bars: barsOf(facts),
    concerns: concerns.map((c) => ({ ...c, on: dayOf(ctx, c.at) })),
    gone,
    pain: await painSentence(ctx, client),
  };
}

const named = (s: SheetVersion): SheetNamed => ({
  sheetId: s.sheetId,
  name: s.name,
  lines: s.lines.length,
});

const strictestAction = (actions: readonly Action[]): Action | null =>
  actions.length === 0 ? null : actions.reduce((a, b) => stricter(a, b));

async function lastResponse(ctx: Ctx, v: VisitHead): Promise<LastResponse> {
  // while it runs, what was asked first stands in its records only
  const running = v.end ? [] : standing(await recordsOf(ctx, v.id));
  return {
    before: v.end?.painAtStart ?? running.find((r) => r.painBefore !== null)?.painBefore ?? null,
    after: v.end?.painAtEnd ?? null,
    morning: v.morning?.pain ?? null,
    on: dayOf(ctx, v.startedAt),
  };
}
