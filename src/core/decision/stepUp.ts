import { nextSet } from "../capacity/nextSet";
import { MOST_OVER_DONE } from "../capacity/shows";
import { exerciseById } from "../rules/exercises";
import { helpStep } from "../sheet/judge/aidPlanned";
import type { JudgedLine } from "../sheet/judge/judgeScore";
import { mostRepsOf, type RepsLadder, repsLadder } from "../sheet/line/repsLadder";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { SLOW_RUNGS } from "../sheet/schemes/kinds/slow";
import { MOST_WORK_SETS, USUAL_RESERVE } from "../sheet/schemes/parts";
import { repetitionTarget } from "../sheet/schemes/scheme";
import { kFactorUnbounded } from "../strength/repetitionMaximum";
import { type LineChange, type NextLine, stays, withScheme } from "./lineChange";
import { isOpen, judgedOf, type Loads, loadsOf, type NextFacts } from "./lineNow";

/** A step of so much demand is taken at once; a greater one asks for its repetitions first. Rule P3. */
const FINE_STEP = 1.1;
const MORE_REPS = 2;
const MORE_EASY_REPS = 4;
const SLOW_LOWERING_S = 5;
const PAUSE_S = 2;

/** What was asked of a step up. */
export interface Up {
  /** repetitions that the decision adds of the same load; 0: the next step */
  more: number;
  /** every set left far more than was aimed at */
  isEasy: boolean;
}

interface Tried {
  line: ScoreLine;
  change: LineChange;
}

/**
 * The next step of work that is moved, always upward and always one thing: less help, repetitions to the top of the ladder, the next
 * real load, more repetitions where its step is coarse, slower, with a pause, a set more, and at last the next exercise.
 * Nothing that is barred. Rules P1 to P3.
 */
export function stepUp(line: ScoreLine, facts: NextFacts, up: Up): NextLine {
  const judged = judgedOf(line, facts);
  if (!judged) return stays(line);
  const ladder = repsLadder(line);
  const reps = "reps" in line.scheme ? line.scheme.reps : null;
  if (up.more > 0) {
    if (ladder === null || reps === null || reps >= ladder.most) return stays(line, "full");
    const next = repsOf(line, reps, Math.min(ladder.most, reps + up.more));
    return isOpen(next.line, facts) ? taken(next) : barredOr(line, next.line, facts);
  }
  const loads = loadsOf(judged, facts);
  const tries = [
    ...lessHelp(line, facts),
    ...(loads && loads.kg > 0 ? [] : heightStep(line, judged, "up")),
    ...(loads ? loadSteps(line, loads, facts, up) : []),
    ...otherWays(line, up.isEasy ? MORE_EASY_REPS : MORE_REPS),
  ];
  const found = tries.find((t) => isOpen(t.line, facts));
  if (found) return taken(found);
  const first = tries[0];
  return first ? barredOr(line, first.line, facts) : stays(line, harderForm(line));
}

const taken = ({ line, change }: Tried): NextLine => ({ line, changes: [change] });

const repsOf = (line: ScoreLine, from: number, to: number): Tried => ({
  line: withScheme(line, { reps: to }),
  change: { code: "reps", from, to },
});

/** Where something is held on to, less of it comes before any load. Rule P3. */
function lessHelp(line: ScoreLine, { context }: NextFacts): Tried[] {
  const step = helpStep(context, line);
  return step ? [{ line: { ...line, help: step.to }, change: { code: "help", ...step } }] : [];
}

/** One lower seat, box or pad; back it is one higher. Nothing else moves. Rule P3. */
export function heightStep(line: ScoreLine, { height }: JudgedLine, to: "up" | "down"): Tried[] {
  if (!height || line.scheme.kind === "holds") return [];
  const { cm, open } = height;
  const next = to === "up" ? open.find((x) => x < cm) : open.findLast((x) => x > cm);
  return next === undefined
    ? []
    : [{ line: { ...line, heightCm: next }, change: { code: "height", from: cm, to: next } }];
}

/** Slow and heavy goes down to its next rung once it has stood on one for two weeks: the course takes twelve. Rule D4. */
const RUNG_DAYS = 14;
function ladderNow(line: ScoreLine, { daysOnRung = 0 }: NextFacts): RepsLadder | null {
  const ladder = repsLadder(line);
  const { scheme } = line;
  if (!ladder || scheme.kind !== "slow" || line.ladder || daysOnRung < RUNG_DAYS) return ladder;
  return { ...ladder, least: SLOW_RUNGS.find((r) => r < scheme.reps) ?? scheme.reps };
}

/** The next real load, or the repetitions that come before it where its step is coarse. */
function loadSteps(line: ScoreLine, loads: Loads, facts: NextFacts, { isEasy }: Up): Tried[] {
  const next = loads.harder[0];
  if (!next) return [];
  const ladder = ladderNow(line, facts);
  const { scheme } = line;
  if (!ladder || !("reps" in scheme))
    return next.ratio <= FINE_STEP + 1e-9 ? [loadOf(line, loads, next, null)] : [];
  const { reps } = scheme;
  const aim = repetitionTarget(scheme)?.reserve ?? USUAL_RESERVE;
  const k = (r: number) => kFactorUnbounded(Math.max(1, (r + aim) / loads.repetitionsFactor));
  // as few as keep what is asked: never less than before
  const repsAt = (ratio: number): number => {
    for (let r = ladder.least; r < reps; r++) if (ratio * k(r) >= k(reps) - 1e-9) return r;
    return reps;
  };
  const stepTo = (l: Loads["harder"][number]) => loadOf(line, loads, l, { from: reps, to: repsAt(l.ratio) });
  if (isEasy) {
    // at once to what is known, or to what the last set said, within what a load may be over what was done
    const far = loads.harder.filter(
      (l) => l.ratio <= MOST_OVER_DONE[facts.context.sheet.strength.care] + 1e-9,
    );
    const most = [learntKg(line, facts), saidKg(loads, facts, { reps, aim, ladder })].filter(
      (kg) => kg !== null,
    );
    const within = far.filter((l) => most.some((kg) => (loads.isHelp ? l.load >= kg : l.load <= kg)));
    return [...within.toReversed().map(stepTo), stepTo(next)];
  }
  if (next.ratio <= FINE_STEP + 1e-9) return [stepTo(next)];
  let needed = reps;
  const most = mostRepsOf(scheme);
  while (needed < most && k(needed) < next.ratio * k(ladder.least) - 1e-9) needed++;
  if (reps >= needed || reps >= most) return [stepTo(next)];
  const to = Math.min(needed, reps + MORE_REPS);
  return [
    {
      line: withScheme(line, { reps: to }),
      change: { code: "reps_first", from: reps, to, needed, nextHow: next.how },
    },
  ];
}

/** What is known to be right for the line's scheme, where nothing was set by hand. */
const learntKg = (line: ScoreLine, facts: NextFacts): number | null =>
  judgedOf({ ...line, loadKg: null }, facts)?.load?.setting?.load ?? null;

/** What the next set of a visit would be offered at, by what was said to be left. Rule P2. */
function saidKg(
  { kg, harder, lift }: Loads,
  { saidLeft = null, context }: NextFacts,
  { reps, aim, ladder }: { reps: number; aim: number; ladder: RepsLadder },
): number | null {
  if (!lift || saidLeft === null) return null;
  const set = { loadKg: kg, reps, plannedReps: reps, reserve: saidLeft, ended: "planned" as const };
  const { care } = context.sheet.strength;
  return nextSet(lift, set, { reserve: aim, ladder, care, loads: harder.map((l) => l.load) })?.loadKg ?? null;
}

const loadOf = (
  line: ScoreLine,
  loads: Loads,
  to: { load: number; how: string },
  reps: { from: number; to: number } | null,
): Tried => ({
  line: { ...(reps ? withScheme(line, { reps: reps.to }) : line), loadKg: to.load },
  change: {
    code: "load",
    fromHow: loads.how,
    fromKg: loads.kg,
    toKg: to.load,
    toHow: to.how,
    fromReps: reps?.from ?? null,
    reps: reps?.to ?? null,
    isHelp: loads.isHelp,
    isUp: true,
  },
});

/** Where no load is left to take: more repetitions, slower, with a pause, a set more. Rule P3. */
function otherWays(line: ScoreLine, moreReps: number): Tried[] {
  const { scheme } = line;
  const found: Tried[] = [];
  const most = mostRepsOf(scheme);
  if ("reps" in scheme && scheme.kind !== "holds" && scheme.reps < most)
    found.push(repsOf(line, scheme.reps, Math.min(most, scheme.reps + moreReps)));
  if ("tempo" in scheme) {
    const { tempo } = scheme;
    if (tempo.lowerS < SLOW_LOWERING_S)
      found.push({
        line: withScheme(line, { tempo: { ...tempo, lowerS: SLOW_LOWERING_S } }),
        change: { code: "lowering", from: tempo.lowerS, to: SLOW_LOWERING_S },
      });
    if (tempo.topS < PAUSE_S)
      found.push({
        line: withScheme(line, { tempo: { ...tempo, topS: PAUSE_S } }),
        change: { code: "pause", from: tempo.topS, to: PAUSE_S },
      });
  }
  if ("sets" in scheme && scheme.sets < MOST_WORK_SETS)
    found.push({
      line: withScheme(line, { sets: scheme.sets + 1 }),
      change: { code: "sets", from: scheme.sets, to: scheme.sets + 1 },
    });
  return found;
}

const harderForm = (line: ScoreLine): LineChange => {
  const harder = exerciseById(line.exerciseId)?.harder_id;
  return { code: "harder_form", name: (harder && exerciseById(harder)?.name) || null };
};

/** The reason why the next step is not open; where none bars it, nothing of the line is left to take. */
function barredOr(line: ScoreLine, next: ScoreLine, facts: NextFacts): NextLine {
  const because = judgedOf(next, facts)?.bars[0];
  return stays(line, because ? { code: "barred", because } : harderForm(line));
}
