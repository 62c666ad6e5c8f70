import { mostOf } from "../bounds/inForce";
import { nextAssistance } from "../progression/assistance";
import type { Decision } from "../progression/decide";
import { ladder } from "../progression/ladder";
import type { Irritability, School } from "../progression/painRule";
import type { Action } from "../progression/safetyRules";
import { type StepSizes, stepSizes } from "../progression/stepSizes";
import { type JudgedLine, judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { jumpPlan } from "../sheet/load/workingLoad";
import type { ProgressStep } from "../sheet/schemes/contract";
import { progressed } from "../sheet/schemes/scheme";
import { clamp } from "../units/clamp";

/** Other repetitions ask for another load where it follows the scheme: what is set before and after; null: nothing is. */
interface AtLoad {
  atHow?: { from: string; to: string } | null;
}

/** What changes of a line, as a code; words are made elsewhere. */
export type LineChange =
  | { code: "stop" | "same" | "full" | "at_goal" | "at_least" | "harder_form" }
  | {
      code: "rung" | "seconds" | "holds" | "felt" | "percent" | "tolerated" | "distance" | "carried";
      from: number;
      to: number;
    }
  | ({ code: "reps"; from: number; to: number } & AtLoad)
  | ({ code: "reps_first"; from: number; to: number; needed: number; nextHow: string } & AtLoad)
  | { code: "load"; fromHow: string; toHow: string; reps: number | null; isHelp: boolean; isUp: boolean }
  | { code: "range"; fromDeg: number; toDeg: number }
  | { code: "sets"; from: number; to: number };

export interface NextLine {
  /** null: no more of it until a therapist has seen the client */
  line: ScoreLine | null;
  changes: LineChange[];
}

export interface NextFacts {
  school: School;
  irritability: Irritability;
  context: ScoreContext;
  /** the load that was really used last, where it was not the planned one */
  usedKg: number | null;
}

const same = (
  line: ScoreLine,
  code: "same" | "full" | "at_goal" | "at_least" | "harder_form" = "same",
): NextLine => ({
  line,
  changes: [{ code }],
});

/**
 * What a decision makes of a line: holds climb their ladder, sets add repetitions and then a real step, help falls, a
 * coarse stack asks for its repetitions first. Exactly one of angle, range, repetitions, seconds, effort and load moves;
 * a step back may take off sets too. Dosing rules D4, E3, E4, E6, E7.
 */
export function nextLine(
  line: ScoreLine,
  action: Action,
  decision: Pick<Decision, "rules" | "change"> | null,
  facts: NextFacts,
): NextLine {
  const next = moved(line, action, decision, facts);
  const isReps = (c: LineChange) => c.code === "reps" || c.code === "reps_first";
  if (!next.line || !next.changes.some(isReps)) return next;
  const [from, to] = [line, next.line].map((l) => judgedOf(l, facts)?.load?.setting?.how ?? null);
  const atHow = from != null && to != null ? { from, to } : null;
  return { ...next, changes: next.changes.map((c) => (isReps(c) ? { ...c, atHow } : c)) };
}

function moved(
  line: ScoreLine,
  action: Action,
  decision: Pick<Decision, "rules" | "change"> | null,
  facts: NextFacts,
): NextLine {
  switch (action) {
    case "STOP_REFER":
      return { line: null, changes: [{ code: "stop" }] };
    case "HOLD":
      return same(line);
    case "REGRESS":
      return settable(
        decision?.change.rangeDeg ? lessRange(line, facts) : stepped(line, "down", facts, 0),
        line,
        facts,
      );
    case "PROGRESS": {
      const more = decision?.rules.includes("P4") ? Number(decision.change.reps ?? 1) : 0;
      return stepped(line, more > 0 ? "more" : "up", facts, more);
    }
  }
}

const SHORTER_BY_S = 10;
const LEAST_HOLD_S = 10;

/** A step back that no machine can be set to is taken by doing less of the same: shorter, fewer, a set less [own]. */
function settable(next: NextLine, line: ScoreLine, facts: NextFacts): NextLine {
  const fits = (l: ScoreLine | null) => l !== null && judgedOf(l, facts)?.bars.length === 0;
  if (fits(next.line)) return next;
  return lessOfIt(line).find((less) => fits(less.line)) ?? next;
}

function lessOfIt(line: ScoreLine): NextLine[] {
  const { scheme } = line;
  const all: NextLine[] = [];
  const add = (part: object, change: LineChange) =>
    all.push({ line: { ...line, scheme: { ...scheme, ...part } } as ScoreLine, changes: [change] });
  if (scheme.kind === "holds") {
    const holdS = Math.max(LEAST_HOLD_S, scheme.holdS - SHORTER_BY_S);
    if (holdS < scheme.holdS) add({ holdS }, { code: "seconds", from: scheme.holdS, to: holdS });
    if (scheme.reps > 1)
      add({ reps: scheme.reps - 1 }, { code: "holds", from: scheme.reps, to: scheme.reps - 1 });
  } else if ("reps" in scheme) {
    const reps = Math.max(LEAST_REPS, scheme.reps - FEWER_REPS);
    if (reps < scheme.reps) add({ reps }, { code: "reps", from: scheme.reps, to: reps });
  }
  if ("sets" in scheme && scheme.sets > 1)
    add({ sets: scheme.sets - 1 }, { code: "sets", from: scheme.sets, to: scheme.sets - 1 });
  return all;
}

/** The line judged as it stands today; null where its exercise is gone. */
function judgedOf(line: ScoreLine, { context }: NextFacts): JudgedLine | null {
  return judgeScore([{ ...line, sharesRests: false }], context)[0] ?? null;
}

function stepped(line: ScoreLine, to: ProgressStep["to"], facts: NextFacts, moreReps: number): NextLine {
  const sizes = stepSizes(facts.school, facts.irritability);
  const judged = judgedOf(line, facts);
  if (!judged) return same(line);
  const { limits } = facts.context.sheet;
  const reps = repsRange(line);
  const made = progressed(line.scheme, {
    to,
    nextDeg: to === "more" ? null : nextRung(line, judged, to, facts),
    mostS: mostOf(limits, "hold_seconds"),
    most: { felt: mostOf(limits, "felt_effort"), percent: mostOf(limits, "hold_effort") },
    moreReps,
    reps,
  });
  if (made === null) return same(line, to === "up" ? "at_goal" : "at_least");
  const next =
    made === "load"
      ? otherLoad(line, judged, to === "up" ? "up" : "down", sizes, facts)
      : made === line.scheme
        ? same(line, "full")
        : { line: { ...line, scheme: made }, changes: changesOf(line.scheme, made) };
  return to === "down" ? fewerSets(next, sizes) : next;
}

/** Repetitions from the fewest to the most before the load steps; without a ladder they stay what they are. */
function repsRange({ ladder: l, scheme: s }: ScoreLine): { least: number; most: number } {
  if (l?.of === "reps") return { least: l.least, most: l.most };
  const reps = "reps" in s ? s.reps : 1;
  return { least: reps, most: reps };
}

/** Rungs of a hold that today's open arc leaves. */
export function rungsOf(
  line: Pick<ScoreLine, "ladder" | "scheme">,
  arc: { fromDeg: number; toDeg: number } | null,
  who: { school: School; irritability: Irritability },
): number[] {
  if (line.scheme.kind !== "holds" || line.ladder?.of !== "angle") return [];
  const { fromDeg, toDeg } = line.ladder;
  return ladder({ fromDeg, toDeg, ...who, blockedDeg: [] }).filter(
    (deg) => !arc || (deg >= arc.fromDeg - 1e-9 && deg <= arc.toDeg + 1e-9),
  );
}

function nextRung(line: ScoreLine, judged: JudgedLine, to: "up" | "down", facts: NextFacts): number | null {
  const { scheme, ladder: l } = line;
  if (scheme.kind !== "holds" || scheme.atDeg === null || l?.of !== "angle") return null;
  const now = scheme.atDeg;
  const direction = (l.toDeg >= l.fromDeg ? 1 : -1) * (to === "up" ? 1 : -1);
  return (
    rungsOf(line, judged.open?.arc ?? null, facts)
      .filter((deg) => direction * (deg - now) > 0.5)
      .sort((a, b) => direction * (a - b))[0] ?? null
  );
}

/** Only the range was short: a step less of it (corrections K8); where there is none to give, a lighter load. */
function lessRange(line: ScoreLine, facts: NextFacts): NextLine {
  const sizes = stepSizes(facts.school, facts.irritability);
  if (line.scheme.kind === "holds") return stepped(line, "down", facts, 0);
  const arc = judgedOf(line, facts)?.row?.arc;
  const now =
    line.window ??
    (arc ? { fromDeg: Math.ceil(arc.fromDeg / 5) * 5, toDeg: Math.floor(arc.toDeg / 5) * 5 } : null);
  const toDeg = now && now.toDeg - sizes.angleDeg;
  if (!now || toDeg === null || toDeg - now.fromDeg < 15) return stepped(line, "down", facts, 0);
  const rounded = Math.floor(toDeg / 5) * 5;
  return {
    line: { ...line, window: { fromDeg: now.fromDeg, toDeg: rounded } },
    changes: [{ code: "range", fromDeg: now.toDeg, toDeg: rounded }],
  };
}

const MOST_REPS = 20;
const LEAST_REPS = 3;
const FEWER_REPS = 2;
const MOST_PLATE_PCT = 10;

/** The next real load in a direction; where the steps are coarse, the repetitions that come first. Dosing rules D4, E4. */
function otherLoad(
  line: ScoreLine,
  judged: JudgedLine,
  to: "up" | "down",
  sizes: StepSizes,
  facts: NextFacts,
): NextLine {
  const setting = judged.load?.setting ?? null;
  if (!setting || setting.loads.length === 0) return byRepetitions(line, to);
  const now = facts.usedKg ?? setting.load;
  const nowHow = setting.loads.find((l) => Math.abs(l.load - now) < 1e-6)?.how ?? setting.how;
  const isUp = to === "up";
  const { least, most } = repsRange(line);
  const reset = "reps" in line.scheme && isUp ? { ...line.scheme, reps: least } : line.scheme;
  const take = (l: { load: number; how: string }): NextLine => ({
    line: { ...line, scheme: reset, loadKg: l.load } as ScoreLine,
    changes: [
      {
        code: "load",
        fromHow: nowHow,
        toHow: l.how,
        reps: "reps" in reset && reset !== line.scheme ? reset.reps : null,
        isHelp: setting.isHelp,
        isUp,
      },
    ],
  });
  if (setting.isHelp) return otherHelp(line, setting, now, isUp ? sizes.upPct : -sizes.backPct, facts, take);
  if (!isUp) {
    const lighter =
      setting.loads.findLast((l) => l.load <= now * (1 - sizes.backPct / 100) + 1e-9) ??
      (now > (setting.loads[0]?.load ?? now) + 1e-9 ? setting.loads[0] : undefined);
    return lighter ? take(lighter) : byRepetitions(line, "down");
  }
  const within = setting.loads.findLast(
    (l) => l.load > now + 1e-9 && l.load <= now * (1 + sizes.upPct / 100) + 1e-9,
  );
  if (within) return take(within);
  const next = setting.loads.find((l) => l.load > now + 1e-9);
  if (!next) return same(line, "harder_form");
  if (!("reps" in line.scheme) || now <= 0)
    return now <= 0 ? take(next) : coarseWithoutReps(line, now, next, take);
  const { reps } = line.scheme;
  const reserve = "reserve" in line.scheme ? line.scheme.reserve : 2;
  const plan = jumpPlan(now, next.load, least, reserve);
  if (plan.repsNeeded === null) return same(line, "harder_form");
  if (reps >= plan.repsNeeded && reps >= most) return take(next);
  const to_ = Math.min(MOST_REPS, plan.repsNeeded, reps + FEWER_REPS);
  return to_ > reps
    ? {
        line: { ...line, scheme: { ...line.scheme, reps: to_ } } as ScoreLine,
        changes: [{ code: "reps_first", from: reps, to: to_, needed: plan.repsNeeded, nextHow: next.how }],
      }
    : take(next);
}

/** Sets that count for themselves take a coarse step only where it is a tenth at most. */
function coarseWithoutReps(
  line: ScoreLine,
  now: number,
  next: { load: number; how: string },
  take: (l: { load: number; how: string }) => NextLine,
): NextLine {
  return next.load <= now * (1 + MOST_PLATE_PCT / 100) + 1e-9 ? take(next) : same(line, "harder_form");
}

/** Less help upward, more help back, always on a real plate. Dosing rules E7. */
function otherHelp(
  line: ScoreLine,
  setting: { loads: readonly { load: number; how: string }[] },
  assist: number,
  stepPct: number,
  facts: NextFacts,
  take: (l: { load: number; how: string }) => NextLine,
): NextLine {
  const gaps = setting.loads.slice(1).map((l, i) => l.load - (setting.loads[i]?.load ?? 0));
  const { most } = repsRange(line);
  const isAtTop = "reps" in line.scheme && line.scheme.reps >= most;
  const next = nextAssistance({
    bodyLoad: facts.context.sheet.body.massKg,
    assist,
    stepPct,
    plate: Math.min(...gaps),
    ...(isAtTop ? { mostStepPct: MOST_PLATE_PCT } : {}),
  });
  // more help is the easier way to round
  const real = setting.loads.find((l) => l.load >= next.assist - 1e-6) ?? setting.loads.at(-1);
  if (!real || Math.abs(real.load - assist) < 1e-6) return byRepetitions(line, stepPct > 0 ? "up" : "down");
  return take(real);
}

/** Where nothing is set, repetitions move. */
function byRepetitions(line: ScoreLine, to: "up" | "down"): NextLine {
  if (!("reps" in line.scheme)) return same(line, to === "up" ? "harder_form" : "at_least");
  const from = line.scheme.reps;
  const reps = clamp(from + (to === "up" ? FEWER_REPS : -FEWER_REPS), LEAST_REPS, MOST_REPS);
  if (to === "up" ? reps <= from : reps >= from) return same(line, to === "up" ? "harder_form" : "at_least");
  return {
    line: { ...line, scheme: { ...line.scheme, reps } } as ScoreLine,
    changes: [{ code: "reps", from, to: reps }],
  };
}

/** Easily stirred up: a third of the sets off too. Dosing rules E4. */
function fewerSets(next: NextLine, sizes: StepSizes): NextLine {
  const { line } = next;
  if (!line || sizes.setsBackPct === 0 || !("sets" in line.scheme)) return next;
  const from = line.scheme.sets;
  const to = Math.max(1, Math.round(from * (1 + sizes.setsBackPct / 100)));
  if (to >= from) return next;
  const kept = next.changes.filter((c) => c.code !== "same" && c.code !== "at_least");
  return {
    line: { ...line, scheme: { ...line.scheme, sets: to } } as ScoreLine,
    changes: [...kept, { code: "sets", from, to }],
  };
}

/** What differs between two forms of one scheme. */
function changesOf(a: ScoreLine["scheme"], b: ScoreLine["scheme"]): LineChange[] {
  if (a.kind === "holds" && b.kind === "holds") {
    if (a.atDeg !== b.atDeg && a.atDeg !== null && b.atDeg !== null)
      return [{ code: "rung", from: a.atDeg, to: b.atDeg }];
    if (a.holdS !== b.holdS) return [{ code: "seconds", from: a.holdS, to: b.holdS }];
    if (a.effort.kind === "felt" && b.effort.kind === "felt")
      return [{ code: "felt", from: a.effort.felt, to: b.effort.felt }];
    if (a.effort.kind === "percent" && b.effort.kind === "percent")
      return [{ code: "percent", from: a.effort.percent, to: b.effort.percent }];
  }
  if (a.kind === "carry" && b.kind === "carry")
    return a.distanceM !== b.distanceM
      ? [{ code: "distance", from: a.distanceM, to: b.distanceM }]
      : [{ code: "carried", from: a.carriedKg, to: b.carriedKg }];
  if (a.kind === "stretch" && b.kind === "stretch")
    return [{ code: "tolerated", from: a.toleratedS, to: b.toleratedS }];
  if ("reps" in a && "reps" in b) return [{ code: "reps", from: a.reps, to: b.reps }];
  return [{ code: "same" }];
}
