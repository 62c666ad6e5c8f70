import type { DecisionInput } from "../progression/decisionInput";
import { type Irritability, painRule, type School } from "../progression/painRule";
import type { Exercise } from "../rules/exercises";
import { type FaultId, remedyOf } from "../rules/faults/faults";
import { onSore, type SorePart } from "../sheet/effect/tissueDose";
import { type KeptLine, reserveOfSets } from "../sheet/line/keptLine";
import type { FollowedRegion } from "../story/regions";
import type { PainAt } from "../units/painRegion";
import type { LineDone } from "../visit/lineDone";
import { loadsRegion } from "../visit/watched/elsewhere";
import { type Feel, feltElsewhere } from "../visit/watched/feel";
import { sparedOf } from "./spared";

/** What all lines of a visit share: who it is, and how the day and the morning after were. */
export interface VisitFacts {
  school: School;
  irritability: Irritability;
  /** the most joint pain in force; null: only the pain rule */
  writtenPainLimit: number | null;
  usualPain: number;
  redFlag: boolean;
  /** joint pain when it was first asked, and when the visit ended */
  painAtStart: number | null;
  painAtEnd: number | null;
  morning: { pain: number | null; swelling: number | null; regions?: readonly PainAt[] } | null;
  /** what was said of lines, by visit, the newest first: this visit's and those before it. Rule Feel 1 */
  feels: readonly (readonly Feel[])[];
  /** what is followed beside the joint */
  regions: readonly FollowedRegion[];
  swellingBefore: number | null;
  swellingApplies: boolean;
  /** what is sore when it is, and the lines of the visit: which of them load it is rule P6's */
  sore: SorePart;
  lines: readonly KeptLine[];
  /** what the visit put on what is sore, and the most that this joint took by then; null: nothing says. Rule W4 */
  room: { dose: number; most: number } | null;
}

/** What a line brings along from earlier visits; its own and no other's. */
export interface LinePast {
  /** good visits banked on this step */
  banked: number;
  prevRegress: boolean;
  missedBefore: boolean;
  /** nothing was said to be left in the visits before, and all of it was done */
  saidNone: boolean;
  /** change of the weekly mean of its worst pain; null: not enough weeks */
  weekTrend: number | null;
  /** of its worst pain in the last seven days */
  weekMean: number | null;
  /** what was seen of it in the visits before, the newest first */
  faults: readonly (readonly FaultId[])[];
}

const USUAL_RESERVE = 2;

/** Repetitions that the plan leaves after its last set; for holds 10 minus the felt effort that is aimed at [own]. */
export function reserveAim(line: KeptLine): number {
  if (line.feltAim !== null) return 10 - line.feltAim;
  return reserveOfSets(line.sets) ?? USUAL_RESERVE;
}

/** What the decision table looks at for one line. Null stands for "not known", which never progresses anybody. */
export function inputOf(
  line: KeptLine,
  e: Exercise | null,
  done: LineDone,
  past: LinePast,
  visit: VisitFacts,
): DecisionInput {
  const { green } = painRule(visit.school, visit.irritability, visit.writtenPainLimit);
  const hurt = (done.painDuring ?? 0) > green;
  return {
    isHeld: line.sets.length > 0 && line.sets.every((s) => s.reps === null),
    spared: sparedOf(line, e, { sore: visit.sore, lines: visit.lines, hurt }),
    room: onSore(line, e, visit.sore) > 0 ? visit.room : null,
    school: visit.school,
    irritability: visit.irritability,
    writtenPainLimit: visit.writtenPainLimit,
    cleanShare: done.faults.length > 0 ? done.cleanShare : null,
    faultAgain: faultAgain(done.faults, past.faults),
    moreAid: done.moreAid,
    sure: visit.feels[0]?.find((f) => f.exerciseId === line.exerciseId)?.sure ?? null,
    feltElsewhere: feltElsewhere(line.exerciseId, visit.feels),
    elsewhere: elsewhereOf(e, done, visit),
    redFlag: visit.redFlag,
    techniqueStop: done.lostPosition,
    prevRegress: past.prevRegress,
    missedBefore: past.missedBefore,
    satisfiedStreak: past.banked + 1,
    usualPain: visit.usualPain,
    painBefore: done.painBefore ?? visit.painAtStart,
    painDuring: done.painDuring,
    painAfter: visit.painAtEnd,
    painMorning: visit.morning?.pain ?? null,
    effusion: visit.morning?.swelling ?? null,
    effusionBefore: visit.swellingBefore,
    effusionApplies: visit.swellingApplies,
    rangePct: done.rangePct,
    weekTrend: past.weekTrend,
    weekMean: past.weekMean,
    repsState: done.reached,
    // who always says none and never fails says nothing. Rule L7
    rir: past.saidNone && done.reserve === 0 && done.reached !== "below" ? null : done.reserve,
    rirTarget: reserveAim(line),
  };
}

/** Regions that were named in the line, and those followed that it loads: a region that nobody knew has no usual pain. Rule Region 3. */
function elsewhereOf(e: Exercise | null, done: LineDone, visit: VisitFacts): DecisionInput["elsewhere"] {
  const loaded = visit.regions.filter((f) => e !== null && loadsRegion(e, f.region)).map((f) => f.region);
  const regions = [...new Set([...done.elsewhere.map((x) => x.region), ...loaded])];
  return regions.map((region) => {
    const known = visit.regions.find((f) => f.region === region);
    const rule = painRule(visit.school, visit.irritability, known?.most ?? visit.writtenPainLimit);
    const in_ = (all: readonly PainAt[]) => all.find((x) => x.region === region)?.pain ?? null;
    return {
      region,
      pain: in_(done.elsewhere),
      morning: in_(visit.morning?.regions ?? []),
      usual: known?.usual ?? 0,
      green: rule.green,
      most: rule.max,
    };
  });
}

/** The fault that was seen in the most visits running, this one with them; null: none in two. Rule Seen 3. */
function faultAgain(now: readonly FaultId[], before: LinePast["faults"]): DecisionInput["faultAgain"] {
  const runs = now.map((fault) => {
    const without = before.findIndex((seen) => !seen.includes(fault));
    return { fault, visits: 1 + (without < 0 ? before.length : without) };
  });
  const [most] = runs.filter((r) => r.visits > 1).sort((a, b) => b.visits - a.visits);
  return most ? { ...most, remedy: remedyOf(most.fault, most.visits) } : null;
}
