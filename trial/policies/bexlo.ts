import { mostOf } from "@/core/bounds/inForce";
import { inputOf, type VisitFacts } from "@/core/decision/inputOf";
import type { LineChange } from "@/core/decision/lineChange";
import { linePast } from "@/core/decision/linePast";
import { nextLine } from "@/core/decision/nextLine";
import { testedOn, testsWorth } from "@/core/drafts/testsWorth";
import { decide } from "@/core/progression/decide";
import type { Action } from "@/core/progression/safetyRules";
import { EXERCISES } from "@/core/rules/exercises";
import type { BlockQuestion, PlannedDay, WeekLoad } from "@/core/schedule/block/block";
import { buildBlock } from "@/core/schedule/block/buildBlock";
import { corridorOf, type TissueVisit } from "@/core/schedule/corridor";
import { returnAfter } from "@/core/schedule/daysOff";
import { withinEdge } from "@/core/sheet/draft/atEdge";
import { blockSheetOf } from "@/core/sheet/draft/blockSheet";
import { type ShortFor, shortForm } from "@/core/sheet/draft/shortForm";
import { muscleCreditsOf } from "@/core/sheet/effect/muscleCredits";
import { itemsOf } from "@/core/sheet/effect/scoreItems";
import { sorePartOf, tissueDone } from "@/core/sheet/effect/tissueDose";
import { type JudgedLine, judgeScore, type ScoreContext, standingBars } from "@/core/sheet/judge/judgeScore";
import { keep } from "@/core/sheet/judge/keep";
import { keptToday } from "@/core/sheet/judge/keptToday";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { repsLadder } from "@/core/sheet/line/repsLadder";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { scoreTotals } from "@/core/sheet/order/sessionScore";
import { effectiveBase } from "@/core/sheet/schemes/effectiveSets";
import { daysAfter, daysBetween } from "@/core/units/days";
import { guardOf } from "@/core/visit/between/guardOf";
import { isSore, offersAreOpen, type PastVisit } from "@/core/visit/between/offersAreOpen";
import type { LineOfVisit } from "@/core/visit/capacity/capacityEvents";
import { type LineDone, lineDone } from "@/core/visit/lineDone";
import type { SetRecord } from "@/core/visit/setRecord";
import { type MorningOfBody, repetitionsAt } from "../body";
import {
  aimedOf,
  careOf,
  clientOf,
  contextOn,
  dayOn,
  draftFactsOn,
  draftOn,
  nextPhase,
  type RepetitionTest,
  strengthOn,
  type TrialClient,
} from "../client";
import { type TrialPerson, weekdaysOf } from "../person";
import { lift, liveVisit, type OnDay, type TrueDay } from "../visit";
import { loadsByFeel } from "./byFeel";
import type { Policy } from "./policy";
import { testOf } from "./repetitionTest";

const CREDITS = muscleCreditsOf(EXERCISES);
const WEEKS_BACK = 4;
const HARD_BACK_DAYS = 14;
const TREND_DAYS = 14;
/** After a stop a therapist sees the client a week later and drafts anew. */
const SEEN_AGAIN_DAYS = 7;
/** So long without a sore morning a therapist confirms the next phase, once its weeks are there. */
const CALM_DAYS = 14;

interface Line {
  plan: ScoreLine & { lineId: string };
  kept: KeptLine;
  /** the newest first */
  decided: { action: Action; banks: boolean }[];
  earlier: { day: number; done: LineDone }[];
  repsSince: { reps: number; day: number } | null;
}

interface Waiting {
  day: number;
  /** what it put on what is sore */
  tissue: number;
  lines: Line[];
  ran: KeptLine[];
  records: SetRecord[];
  painAtStart: number;
  painAtEnd: number;
}

/** Somebody who feels for a load errs by so much, and leaves so many. */
const FELT_SD = 0.15;
const LEFT_BY_FEEL = 3;
const soreOf = ({ condition }: TrialClient) => sorePartOf([condition.main_region]);
const SEVEN = [0, 1, 2, 3, 4, 5, 6];

/** Up, and neither a step nor what else there is nor why not is named. Rule P3. */
export const isDeadEnd = (changes: readonly LineChange[]): boolean =>
  changes.every((x) => x.code === "same" || (x.code === "harder_form" && x.name === null));

/** What somebody sees who looks on: a visit as it was run, or a decision after it. */
export type Watched =
  | {
      of: "visit";
      day: number;
      phase: string;
      isShort: boolean;
      mayRise: boolean;
      tissue: number;
      mostTissue: number;
      ran: readonly KeptLine[];
      records: readonly SetRecord[];
      truth: TrueDay;
    }
  | {
      of: "decision";
      exerciseId: string;
      done: LineDone;
      action: Action;
      rules: string[];
      changes: readonly LineChange[];
    };

/** The product's own rules, a therapist taking every draft and every decision as it stands. */
export function bexlo(p: TrialPerson, watch: (w: Watched) => void = () => {}): Policy {
  let c: TrialClient = clientOf(p);
  let lines: Line[] = [];
  let seconds = 0;
  let savedDay = 0;
  let planned: PlannedDay[] = [];
  let closedUntil = -1;
  let waiting: Waiting | null = null;
  let ids = 0;
  let visits = 0;
  let lastPain: number | null = null;
  let isUntested = false;
  const tests: RepetitionTest[] = [];
  const tissue: TissueVisit[] = [];
  const done: LineOfVisit[] = [];
  const past: PastVisit[] = [];
  const sets: { on: string; exerciseId: string; sets: number; kind: string; kneecapChairS: number }[] = [];
  const faults = { outsideLimits: 0, deadEnds: 0, decisions: {} as Record<string, number> };
  const uuid = () => `00000000-0000-4000-8000-${String(++ids).padStart(12, "0")}`;
  const weekOf = (day: number) => day / 7;
  const contextAt = (day: number): ScoreContext =>
    contextOn(c, strengthOn(c, done, dayOn(day), weekOf(day), tests), {
      week: weekOf(day),
      visits,
      lastPain,
    });
  const painKnown = (context: ScoreContext) => ({
    painMax: mostOf(context.sheet.limits, "joint_pain"),
    usualPain: p.pain.usual,
  });

  const keepAll = (
    plans: readonly (ScoreLine & { lineId: string })[],
    context: ScoreContext,
    day: number,
  ) => {
    const judged = judgeScore(plans, context);
    const before = new Map(lines.map((l) => [l.plan.lineId, l]));
    lines = judged.flatMap((j, i) => {
      const plan = plans[i] as Line["plan"];
      const old = before.get(plan.lineId);
      if (standingBars(j).length > 0) return old ? [old] : [];
      const reps = "reps" in plan.scheme ? plan.scheme.reps : 0;
      const since = old?.repsSince?.reps === reps ? old.repsSince : { reps, day };
      return [
        {
          plan,
          kept: keep(j, context, new Map()),
          decided: old?.decided ?? [],
          earlier: old?.earlier ?? [],
          repsSince: since,
        },
      ];
    });
    seconds = scoreTotals(
      itemsOf(
        judgeScore(
          lines.map((l) => l.plan),
          context,
        ),
        (l) => l.lineId,
      ),
    ).seconds;
    savedDay = day;
  };
  const redraft = (day: number) => {
    const context = contextAt(day);
    const drafted = draftOn(c, context, visits);
    // what goes on in the new draft goes on as the line that it was
    const old = new Map(lines.map((l) => [l.plan.exerciseId, l.plan.lineId]));
    isUntested = true;
    lines = [];
    keepAll(
      drafted.map((l) => ({ ...l, lineId: old.get(l.exerciseId) ?? uuid() })),
      context,
      day,
    );
  };

  const within = (from: string, to: string): WeekLoad => {
    const own = sets.filter((s) => s.on >= from && s.on < to);
    return { sets: CREDITS.credit(own), kneecapChairS: own.reduce((sum, s) => sum + s.kneecapChairS, 0) };
  };
  const hardDone = (today: string): BlockQuestion["hardDone"] => {
    const byDay = new Map<string, typeof sets>();
    for (const s of sets)
      if (s.kind !== "holds" && daysBetween(s.on, today) <= HARD_BACK_DAYS)
        byDay.set(s.on, [...(byDay.get(s.on) ?? []), s]);
    return [...byDay].flatMap(([on, own]) => {
      const muscles = CREDITS.hard(own);
      return muscles.length > 0 ? [{ on, isAccumulated: false, muscles }] : [];
    });
  };

  const planWeek = (week: number): number[] => {
    const day = 7 * week;
    const today = dayOn(day);
    const calm = !past.some(
      (v) => daysBetween(v.day, today) <= CALM_DAYS && isSore(v, painKnown(contextAt(day))),
    );
    const next = calm ? nextPhase(c, week) : null;
    if (next) c = clientOf(p, next.id);
    if (lines.length === 0 || next || (closedUntil >= 0 && day >= closedUntil)) {
      redraft(day);
      closedUntil = -1;
    }
    const context = contextAt(day);
    const needsGym = p.place !== "home";
    const { sheet } = blockSheetOf(
      { id: "sheet", lines: lines.map((l) => l.kept), seconds, needsGym },
      null,
      CREDITS,
      whoOn(today),
    );
    const free = weekdaysOf(p);
    const weeks = Math.min(WEEKS_BACK, week);
    const question: BlockQuestion = {
      startsOn: today,
      notBefore: today,
      buildWeeks: 4,
      keepWeeks: 0,
      sheets: [sheet],
      minutes: SEVEN.map((d) => (free.includes(d) ? Math.max(p.minutes, sheet.minutes) : 0)),
      gym: SEVEN.map((d) => needsGym && free.includes(d)),
      away: [],
      hardDone: hardDone(today),
      activities: [],
      weeksDone: Array.from({ length: weeks }, (_, i) => {
        const from = daysAfter(today, -7 * (weeks - i));
        return within(from, daysAfter(from, 7));
      }),
      begun: { sets: {}, kneecapChairS: 0 },
      guard: guardOf(past, {
        today,
        ...painKnown(context),
        irritability: p.irritability,
        aim: { stage: c.phase.stage, aimed: aimedOf(c) },
        isPartialWeight: false,
        mostTissue: whoOn(today).mostTissue,
      }),
    };
    planned = buildBlock(question).days.filter((d) => d.on < daysAfter(today, 7));
    return planned.map((d) => day + daysBetween(today, d.on));
  };

  /** What nothing is known of is found on the machine, under what bounds it, and set by hand; true: something was. */
  const foundByFeel = (on: OnDay, judged: readonly JudgedLine[], context: ScoreContext): boolean => {
    let isFound = false;
    const plans = lines.map((l, i) => {
      const j = judged[i] as JudgedLine;
      const loads = l.plan.loadKg == null ? loadsByFeel(j, context) : null;
      const { station } = l.kept;
      const most = j.load?.open?.most ?? 0;
      const reps = l.kept.sets.find((s) => s.role === "work")?.reps ?? null;
      if (!loads || !station || reps === null) return l.plan;
      const felt = FELT_SD * on.chance.normal();
      const fits = loads.filter((kg) => {
        const { ratio } = lift(on, l.kept, kg, Math.exp(felt), 0);
        return kg <= most + 1e-6 && repetitionsAt(ratio) >= reps + LEFT_BY_FEEL;
      });
      isFound = true;
      return { ...l.plan, loadKg: fits.at(-1) ?? (loads[0] as number) };
    });
    if (isFound) keepAll(plans, context, on.day);
    return isFound;
  };

  /** The tests that the draft says are worth it, before its first visit. */
  const tested = (on: OnDay, context: ScoreContext): ScoreContext => {
    isUntested = false;
    const plans = lines.map((l) => l.plan);
    const worth = new Set(testsWorth(plans, draftFactsOn(c, visits), context).map((t) => t.machine));
    const judged = judgeScore(plans, context);
    for (const [i, j] of judged.entries()) {
      const name = testedOn(j, context) ?? "";
      if (!worth.delete(name)) continue;
      const test = testOf(on, j, (lines[i] as Line).kept, context);
      if (test) tests.push(test);
    }
    const after = contextAt(on.day);
    keepAll(plans, after, on.day);
    return after;
  };

  const run = (on: OnDay, mayFeel = true): TrueDay | null => {
    const { day } = on;
    const today = dayOn(day);
    if (day < closedUntil || lines.length === 0) return null;
    const lastDay = past.at(-1)?.day;
    const back = lastDay ? returnAfter(daysBetween(lastDay, today)) : "same";
    if (back === "start_again") redraft(day);
    else if (back === "step_back") step(day, () => "REGRESS");
    let context = contextAt(day);
    if (isUntested) context = tested(on, context);
    const judged = judgeScore(
      lines.map((l) => l.plan),
      context,
    );
    if (mayFeel && foundByFeel(on, judged, context)) return run(on, false);
    const mayRise = offersAreOpen(past, { today, isStrict: careOf(c) === "strict", ...painKnown(context) });
    const open = lines.flatMap((l, i) => {
      const j = judged[i];
      if (!j || standingBars(j).length > 0) return [];
      const kept = keptToday(l.kept, j);
      return [{ ...kept, offers: mayRise ? (kept.offers ?? null) : null }];
    });
    const isShort = planned.some((d) => d.on === today && d.isShort);
    const form = (isShort && shortForm(open, CREDITS.exerciseOf, whoOn(today))) || open;
    const ran = withinEdge(form, CREDITS.exerciseOf, whoOn(today));
    if (ran.length === 0) return null;
    const lived = liveVisit(ran, on, uuid);
    for (const k of ran) {
      const own = lived.records.filter((r) => r.lineId === k.lineId);
      if (own.length === 0) continue;
      done.push({ visitId: `v${day}`, on: today, savedOn: dayOn(savedDay), kept: k, records: own });
      const legs = Math.max(1, new Set(own.map((r) => r.leg)).size);
      sets.push({
        on: today,
        exerciseId: k.exerciseId,
        kind: k.kind,
        sets: effectiveBase({ scheme: k.scheme, sets: k.sets, share: k.share }, own) / legs,
        kneecapChairS: k.kneecapChairS,
      });
      const high = judged[lines.findIndex((l) => l.plan.lineId === k.lineId)]?.load?.open?.most;
      if (high != null && !k.isHelp && own.some((r) => (r.loadKg ?? 0) > high + 1e-6)) faults.outsideLimits++;
    }
    lastPain = Math.max(lived.painAtStart, lived.painAtEnd, ...lived.records.map((r) => r.pain));
    const { records, painAtStart, painAtEnd } = lived;
    const dosed = ran.map((k) => {
      const own = records.filter(
        (r) => r.lineId === k.lineId && r.leg !== (p.side === "left" ? "right" : "left"),
      );
      const did = { reps: 0, heldS: 0 };
      for (const r of own) {
        did.reps += r.reps ?? 0;
        did.heldS += r.reps === null ? r.workedS : 0;
      }
      return tissueDone(k, CREDITS.exerciseOf(k.exerciseId), soreOf(c), did);
    });
    watch({
      ...{ of: "visit", day, phase: c.phase.id, isShort, mayRise, ran, records, truth: lived.truth },
      ...{ tissue: dosed.reduce((a, b) => a + b, 0), mostTissue: whoOn(today).mostTissue },
    });
    waiting = { tissue: dosed.reduce((a, b) => a + b, 0), day, lines, ran, records, painAtStart, painAtEnd };
    return lived.truth;
  };

  const whoOn = (today: string): ShortFor => ({
    aimed: aimedOf(c),
    sore: soreOf(c),
    mostTissue: corridorOf(tissue, today, { irritability: p.irritability, isTold: soreOf(c) !== null }).most,
  });
  const roomOf = (w: Waiting) => {
    return { dose: w.tissue, most: whoOn(dayOn(w.day + 1)).mostTissue };
  };

  /** Every line one decision further, saved as the sheet's next version. */
  const step = (day: number, actionOf: (l: Line) => Action) => {
    const context = contextAt(day);
    const facts = { school: c.school, irritability: p.irritability, context, usedKg: null };
    const plans = lines.flatMap((l) => {
      const setKg = l.kept.sets.find((s) => s.role === "work")?.loadKg ?? null;
      const next = nextLine(l.plan, actionOf(l), null, { ...facts, setKg });
      return next.line ? [{ ...l.plan, ...next.line }] : [];
    });
    keepAll(plans, context, day);
  };

  const decideAll = (w: Waiting, morning: MorningOfBody | null) => {
    const day = w.day + 1;
    const context = contextAt(day);
    const region = c.condition.main_region;
    const facts: VisitFacts = {
      school: c.school,
      irritability: p.irritability,
      writtenPainLimit: mostOf(context.sheet.limits, "joint_pain"),
      usualPain: p.pain.usual,
      redFlag: false,
      painAtStart: w.painAtStart,
      painAtEnd: w.painAtEnd,
      morning: morning && {
        pain: morning.pain,
        swelling: region === "knee" ? (morning.isSwollen ? 1 : 0) : null,
      },
      swellingBefore: region === "knee" ? 0 : null,
      swellingApplies: region === "knee",
      sore: soreOf(c),
      room: roomOf(w),
      regions: [],
      feels: [],
      lines: w.ran,
    };
    const ran = new Map(w.ran.map((k) => [k.lineId, k]));
    let isStopped = false;
    const plans = lines.flatMap((l) => {
      const kept = ran.get(l.plan.lineId);
      if (!kept) return [l.plan];
      const own = lineDone(kept, w.records, repsLadder(l.plan)?.most ?? null);
      const lately = l.earlier.filter((x) => w.day - x.day < TREND_DAYS);
      const before = linePast(
        l.decided,
        lately.map((x) => ({ daysAgo: w.day - x.day, done: x.done })),
        own.painDuring,
      );
      const decision = decide(inputOf(kept, CREDITS.exerciseOf(kept.exerciseId), own, before, facts));
      const nextFacts = {
        ...{
          school: c.school,
          irritability: p.irritability,
          context,
          usedKg: own.usedKg,
          saidLeft: own.reserve,
        },
        setKg: kept.sets.find((s) => s.role === "work")?.loadKg ?? null,
        daysOnRung: l.repsSince ? day - l.repsSince.day : 0,
      };
      let { action } = decision;
      const ruled = `${action} ${decision.rules.join(" ")}`;
      faults.decisions[ruled] = (faults.decisions[ruled] ?? 0) + 1;
      let next = nextLine(l.plan, action, decision, nextFacts);
      if (action === "PROGRESS" && isDeadEnd(next.changes)) faults.deadEnds++;
      if (
        next.line &&
        standingBars(judgeScore([{ ...next.line, sharesRests: false }], context)[0] as never).length > 0
      ) {
        action = "HOLD";
        next = nextLine(l.plan, action, null, nextFacts);
      }
      const { exerciseId } = kept;
      watch({ of: "decision", exerciseId, done: own, action, rules: decision.rules, changes: next.changes });
      l.earlier.unshift({ day: w.day, done: own });
      l.decided.unshift({ action, banks: decision.change.bank === 1 });
      if (action === "STOP_REFER") isStopped = true;
      return [next.line ? { ...l.plan, ...next.line } : l.plan];
    });
    if (isStopped) closedUntil = day + SEEN_AGAIN_DAYS;
    else keepAll(plans, context, day);
  };

  return {
    week: planWeek,
    run: (on) => run(on),
    heard: (morning) => {
      if (!waiting) return;
      const w = waiting;
      waiting = null;
      visits++;
      const on = dayOn(w.day);
      const known = painKnown(contextAt(w.day + 1));
      const answered = morning && { pain: morning.pain, swelling: morning.isSwollen ? 2 : 0 };
      tissue.push({
        day: on,
        dose: w.tissue,
        morning: answered && (isSore({ day: on, morning: answered }, known) ? "sore" : "well"),
      });
      past.push({
        day: dayOn(w.day),
        morning: morning && { pain: morning.pain, swelling: morning.isSwollen ? 2 : 0 },
      });
      decideAll(w, morning);
    },
    faults: () => faults,
  };
}
