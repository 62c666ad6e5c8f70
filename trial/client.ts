import { bodyFrom } from "@/core/body/segments";
import { withMore } from "@/core/bounds/inForce";
import type { CapacityEvent } from "@/core/capacity/learn";
import type { DraftFacts, PainSite } from "@/core/drafts/draftFacts";
import { draftSession } from "@/core/drafts/draftSession";
import { aimedMuscles } from "@/core/drafts/person/aimed";
import { isFrail } from "@/core/drafts/person/frailty";
import { notYetOf } from "@/core/drafts/person/notYet";
import { recipeOf } from "@/core/drafts/recipe";
import { phaseLimits } from "@/core/phases/phaseLimits";
import { painLimit, type School } from "@/core/progression/painRule";
import { type Condition, conditionById, type Phase } from "@/core/rules/conditions";
import { boundsOfRecord } from "@/core/rules/limitsOfRecord";
import { weightOnLeg } from "@/core/selection/fit/weightOnLeg";
import { rangeSheet } from "@/core/selection/rank/rangeSheet";
import { startCapOf } from "@/core/selection/setUp/startCap";
import type { Direction, KnownStrength } from "@/core/selection/setUp/strengthKnown";
import { firstTissue } from "@/core/selection/tissue/firstTissue";
import { chairRise } from "@/core/selection/tissue/tissues";
import type { ScoreContext } from "@/core/sheet/judge/judgeScore";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { USUAL_ORDER } from "@/core/sheet/order/sessionScore";
import { untestedStrength } from "@/core/strength/untestedStrength";
import { weakenedBy } from "@/core/strength/weakenedBy";
import { daysAfter } from "@/core/units/days";
import { type CapacityEvents, capacityEvents, type LineOfVisit } from "@/core/visit/capacity/capacityEvents";
import { strengthKnown } from "@/core/visit/capacity/strengthKnown";
import { MACHINES } from "../database/demo/clinic";
import { type TrialPerson, weekdaysOf } from "./person";

/** The first day, a Monday. */
export const BEGINS_ON = "2026-01-05";
export const dayOn = (day: number): string => daysAfter(BEGINS_ON, day);

/** The machines of the demo's clinic. */
const GYM = MACHINES.map((m) => ({ ...m, id: m.name }));

/** With fewer visits behind them people count as novices [own]. */
const NOVICE_VISITS = 8;

/** A client as the product knows one, in memory: who it is, the phase, and what follows from both. */
export interface TrialClient {
  p: TrialPerson;
  condition: Condition;
  phase: Phase;
  school: School;
}

export function clientOf(p: TrialPerson, phaseId = p.phase): TrialClient {
  const condition = conditionById(p.condition);
  const phase = condition?.phases.find((x) => x.id === phaseId);
  if (!condition || !phase) throw new Error(`${p.name}: no phase ${p.condition} / ${phaseId}`);
  // after surgery, until the last two phases
  const isLate = condition.phases.indexOf(phase) >= condition.phases.length - 2;
  return { p, condition, phase, school: condition.is_surgical && !isLate ? "post_op" : "monitoring" };
}

/** The phase that its weeks open after this one; null: none yet. */
export function nextPhase({ condition, phase, p }: TrialClient, week: number): Phase | null {
  const next = condition.phases[condition.phases.indexOf(phase) + 1];
  return next && p.week + week >= next.weeks.from ? next : null;
}

export const careOf = ({ school, p }: TrialClient) =>
  school === "post_op" || p.irritability === "high" ? ("strict" as const) : p.irritability;

const PAIN_SITES: Readonly<Record<string, PainSite>> = {
  knee_cap: "front_of_knee",
  front_of_knee: "front_of_knee",
  inner_joint_line: "inner_joint_line",
  back_of_knee: "back_of_knee",
  back_of_thigh: "back_of_thigh",
  low_back: "low_back",
  hip: "hip",
};

/** A set on a machine as it is usually set, that was done to know what it allows. */
export interface RepetitionTest {
  direction: Direction | null;
  event: Extract<CapacityEvent, { kind: "sets" }>;
}

/** What is known of the leg on a day, by all that was done until then. */
export function strengthOn(
  c: TrialClient,
  done: readonly LineOfVisit[],
  on: string,
  week: number,
  tests: readonly RepetitionTest[] = [],
): KnownStrength {
  const { p, condition } = c;
  const none = { peakDeg: null, testedDeg: [] };
  const events: CapacityEvents = capacityEvents(done, {
    side: p.side,
    isStrict: careOf(c) === "strict",
    k: 1,
    machines: new Map(),
    confirmed: new Set(),
  });
  for (const t of tests) {
    if (t.direction) events[t.direction].push(t.event);
    else events.quiet.set(t.event.station.id, [...(events.quiet.get(t.event.station.id) ?? []), t.event]);
  }
  return strengthKnown(
    {
      prior: untestedStrength(bodyFrom(p.massKg, p.heightM), {
        ageYears: p.ageYears,
        normSex: p.norm,
        has: weakenedBy([condition], true, false),
        weeksAfterSurgery: condition.is_surgical ? Math.floor(p.week + week) : null,
        daily: { chair: p.rises, stairs: p.climbs },
      }),
      care: careOf(c),
      storyOn: BEGINS_ON,
      trials: { extension: [], flexion: [] },
      curves: { extension: none, flexion: none },
      away: [],
      hipNm: null,
    },
    events,
    on,
  );
}

/** Everything that a sheet is judged by on a day. */
export function contextOn(
  c: TrialClient,
  strength: KnownStrength,
  { week, visits, lastPain }: { week: number; visits: number; lastPain: number | null },
): ScoreContext {
  const { p, condition, phase } = c;
  const record = phaseLimits(condition, phase, { variantId: p.variant, choices: {}, week: p.week + week });
  const limits = withMore(boundsOfRecord(record, phase.name), [painLimit(c.school, p.irritability)]);
  const body = bodyFrom(p.massKg, p.heightM);
  const chair = chairRise(body);
  if (!chair) throw new Error(`${p.name}: a usual chair is out of the model's reach`);
  return scoreContextOf({
    choose: {
      limits,
      later: [],
      body,
      strength,
      motion: { shortOfStraightDeg: null, bendDeg: null },
      machines: GYM,
      ownExercises: [],
      goalIds: p.goal ? [p.goal] : [],
      firstTissue: firstTissue([condition.id]),
      weight: weightOnLeg(limits),
      startCap: startCapOf({
        irritability: p.irritability,
        isPostOp: c.school === "post_op",
        painAtRest: p.pain.usual,
        painAtWorst: p.pain.worst,
      }),
      hasBackProblem: condition.main_region === "lumbar",
      ...(p.place === "home" ? { isAtHome: true } : {}),
    },
    chair,
    known: {
      isPostOp: c.school === "post_op",
      isLate: phase.stage === "strong" || phase.stage === "keep",
      isNovice: visits < NOVICE_VISITS,
      irritability: p.irritability,
      lastPain,
      daysSinceAccumulated: null,
    },
    personal: { k: 1, holds: 0 },
  });
}

/** The lines that the rules draft on a day, for the time there is. */
export const draftOn = (c: TrialClient, context: ScoreContext, visits: number): ScoreLine[] =>
  draftSession(
    draftFactsOn(c, visits),
    rangeSheet(context.sheet),
    context,
    { place: c.p.place, minutes: c.p.minutes },
    USUAL_ORDER,
  ).lines;

export function draftFactsOn(c: TrialClient, visits: number): DraftFacts {
  const { p, condition, phase } = c;
  const recipe = recipeOf(
    { conditionId: condition.id, phaseId: phase.id, variantId: p.variant, choices: {} },
    p.goal ? [p.goal] : [],
  );
  if (!recipe) throw new Error(`${p.name}: no draft for ${condition.id} / ${phase.id}`);
  const site = PAIN_SITES[p.pain.site];
  return {
    recipe,
    variantId: p.variant,
    stage: phase.stage,
    aimed: aimedOf(c),
    daysAWeek: weekdaysOf(p).length,
    isOfTheBack: condition.main_region === "lumbar",
    painSites: site ? [site] : [],
    painfulArcs: [],
    gap: null,
    shortReach: [],
    schools: {},
    notYet: notYetOf(
      { rises: p.rises ? "yes" : "hands", climbs: p.climbs ? "yes" : "rail" },
      { chair: null, stairs: null },
    ),
    swellingIsUp: false,
    weak: [],
    isFrail: isFrail({ ageYears: p.ageYears, normSex: p.norm, rises: null }),
    pressureIsKnown: true,
    isFirstVisit: visits === 0,
    weeksAfterSurgery: condition.is_surgical ? Math.floor(p.week) : null,
    bodyMassKg: p.massKg,
    unconfirmed: null,
  };
}

export const aimedOf = ({ condition }: TrialClient) => aimedMuscles([condition.main_region], []);
