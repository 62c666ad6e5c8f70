import { byWhom, isStricter, leastOf } from "../../bounds/inForce";
import type { PersonalFactor } from "../../isometrics/personalFactor";
import { simulateHolds } from "../../isometrics/simulateHolds";
import type { Exercise } from "../../rules/exercises";
import { exerciseUse, isAtHand } from "../../selection/fit/exerciseUse";
import { type RangeRow, rowOf, type SheetInput } from "../../selection/rank/rangeSheet";
import { machineFor } from "../../selection/setUp/machineFor";
import { kgWords } from "../../units/mass";
import { jointOf } from "../effect/sessionFatigue";
import { heldForm } from "../line/heldForm";
import { isOnOneLeg, LEGS_WORDS, legsAllowed } from "../line/legs";
import type { ScoreLine } from "../line/scoreInput";
import { workKindOf } from "../line/workKind";
import { type LineLoad, lineLoad, quietMachineOf } from "../load/lineLoad";
import { repetitionsPossible } from "../load/workingLoad";
import type { PlannedSet } from "../schemes/contract";
import type { HoldsScheme } from "../schemes/kinds/holds";
import { repetitionTarget, type Scheme, schemeBars, setsOf } from "../schemes/scheme";
import { heldOrNot, holdBars, meantAsFelt } from "./holdFeasibility";
import { type ClientSchemeFacts, schemeFactsOf } from "./schemeFacts";

/** Everything that a session of one client is judged by. */
export interface ScoreContext {
  sheet: SheetInput;
  known: ClientSchemeFacts;
  personal: PersonalFactor;
}

type Row = Pick<RangeRow, "status" | "changes" | "arc" | "computed">;

/** A line with all that is known about it today. */
export interface JudgedLine<L extends ScoreLine = ScoreLine> {
  line: L;
  exercise: Exercise | null;
  /** all that limits and stops leave for it; null where it is barred */
  open: Row | null;
  /** the same inside the line's own angle or window, at its load */
  row: Row | null;
  load: LineLoad | null;
  /** the machine it stands on; null: none, or not in this gym */
  machineId: string | null;
  sets: readonly PlannedSet[];
  /** why it cannot be saved, each with what to do */
  bars: string[];
  /** what one should know, each with what to do */
  cautions: string[];
  /** a hold that only people who hold long hold to its end: the first one tells */
  isTrial: boolean;
}

/** A computed load may ask for so much more than the scheme wants before it is said. */
const NOTICEABLY = 1.1;

/** Even the least that can be set, or the body alone, asks for noticeably more than the scheme wants. */
const asksForMore = (load: LineLoad): boolean =>
  load.setUp !== null &&
  load.basis !== "felt" &&
  load.share !== null &&
  load.wantedShare !== null &&
  load.share > NOTICEABLY * load.wantedShare;

/** Nothing bars it, and it can be set as light as its scheme wants. */
export const fitsWell = (j: JudgedLine): boolean =>
  j.bars.length === 0 && j.load !== null && !asksForMore(j.load) && !j.isTrial;

/** Novices accumulate so many repetitions. Dosing rules D8. */
const NOVICE_TOTAL = 15;

/** Judges every line; the same function runs on the page and at the route. */
export function judgeScore<L extends ScoreLine>(lines: readonly L[], context: ScoreContext): JudgedLine<L>[] {
  const byId = new Map(context.sheet.exercises.map((e) => [e.id, e]));
  let accumulated = 0;
  return lines.map((line, i) => {
    const exercise = byId.get(line.exerciseId) ?? null;
    const judged = judgeLine(line, exercise, context, accumulated);
    if (line.scheme.kind === "accumulated") accumulated += 1;
    if (line.sharesRests && i === 0)
      judged.bars.push("the first line has no line above to share rests with: let it stand alone");
    return judged;
  });
}

function judgeLine<L extends ScoreLine>(
  line: L,
  exercise: Exercise | null,
  context: ScoreContext,
  accumulatedBefore: number,
): JudgedLine<L> {
  const sets = setsOf(line.scheme);
  const machineId = exercise && machineOf(exercise, context.sheet, line.machineId ?? null);
  const nothing = {
    line,
    exercise,
    open: null,
    row: null,
    load: null,
    machineId,
    sets,
    cautions: [],
    isTrial: false,
  };
  if (!exercise) return { ...nothing, bars: ["it is not in the library: take it out"] };
  const isThere = machineBars(line, exercise, context.sheet);
  if (isThere.length > 0) return { ...nothing, bars: isThere };
  const { scheme } = line;
  const isHeld = scheme.kind === "holds";
  const open = rowOf(isHeld ? heldForm(exercise) : exercise, context.sheet, {
    machineId: line.machineId ?? null,
    ...(line.settings ? { settings: line.settings } : {}),
  });
  if (Array.isArray(open))
    return { ...nothing, bars: open.map((why) => `${why}: take it out, or choose another exercise`) };
  const bars: string[] = schemeBars(scheme.kind, schemeFactsOf(context.known, exercise, accumulatedBefore));
  const allowed = legsAllowed(exercise, scheme.kind);
  if (!allowed.includes(line.legs))
    bars.push(`it is not done ${LEGS_WORDS[line.legs]}: choose ${LEGS_WORDS[allowed[0] ?? "together"]}`);
  if (isOnOneLeg(exercise, line.legs) && isStricter(context.sheet.limits, "single_leg", "yes"))
    bars.push(
      `one leg alone is not allowed in presses and squats yet${byWhom(context.sheet.limits, "single_leg")}: use both`,
    );
  if (scheme.kind === "accumulated" && scheme.total > NOVICE_TOTAL && context.known.isNovice)
    bars.push(`a total of ${scheme.total} is not for novices: choose ${NOVICE_TOTAL}`);
  bars.push(...effortBars(sets, line, context));
  // a therapist's reason goes above the start cap, and above nothing else
  const sheet = line.aboveStart ? { ...context.sheet, startCapIsLifted: true } : context.sheet;
  const found = lineLoad(exercise, scheme, windowOf(line), sheet, personOf(line, context));
  if (Array.isArray(found)) return { ...nothing, open, bars: [...bars, ...found] };
  const cautions: string[] = [];
  if (found.load.tooHeavyBecause)
    bars.push(
      `${whatIsSet(found.load)} is too heavy, because ${found.load.tooHeavyBecause}: ${adviceFor(found.load)}`,
    );
  else if (asksForMore(found.load))
    cautions.push(
      `It asks for ${Math.round((found.load.share ?? 0) * 100)} % where the scheme wants ${Math.round((found.load.wantedShare ?? 0) * 100)}: plan fewer repetitions, or take an easier form.`,
    );
  if (line.loadKg != null && !isHeld && (found.load.share ?? 0) > 1)
    bars.push("it is more than the most that it can lift once: set less");
  cautions.push(...(found.load.setUp?.cautions ?? []));
  const byFeel = byFeelWords(found.load);
  if (byFeel) cautions.push(byFeel);
  const mayBeNear = untestedWords(found.load);
  if (mayBeNear) cautions.push(mayBeNear);
  const more = repetitionsInstead(scheme, found.load);
  if (more) cautions.push(more);
  const isTrial = isHeld && holdNotes(scheme, exercise, found.load, context, bars, cautions);
  return { ...nothing, open, row: found.row, load: found.load, bars, cautions, isTrial };
}

/** What is set, in words: the easiest there is, or what somebody chose. */
function whatIsSet({ setting }: LineLoad): string {
  if (!setting || setting.loads.length === 0) return "the body alone";
  const easiest = setting.isHelp ? setting.loads.at(-1) : setting.loads[0];
  if (easiest && Math.abs(easiest.load - setting.load) > 1e-6) return `${setting.how}, as it is set,`;
  return setting.isHelp ? "the most help it has" : "the lightest it has";
}

const isHelp = (load: LineLoad): boolean => load.setting?.isHelp ?? false;

/** What to do about a load that is too heavy; where more of what is set makes it easier, more of it (corrections K2). */
function adviceFor(load: LineLoad): string {
  if (load.brokenCap === "start")
    return "take a repetition test on this machine, take a lighter means, or go above the start with a reason";
  return `take ${isHelp(load) ? "more help" : "a lighter means"}, less range or another exercise`;
}

/** A machine without a model of the knee and without a test: from where to where the load is found (K15). */
function byFeelWords(load: LineLoad): string | null {
  if (load.setUp || load.basis !== "felt" || load.setting || load.open === null) return null;
  return `Nobody has tested it on this machine: find the load by feel from the lightest, at most ${kgWords(load.open.most)} until a repetition test.`;
}

/** From here on the high end of an untested share is said [own]. */
const NEAR_ALL = 1;

/** Where nobody tested, a load may be near what the leg can do: said as the band. */
function untestedWords(load: LineLoad): string | null {
  const band = load.setUp?.effortBand;
  if (!band || band.high < NEAR_ALL) return null;
  return `It asks for about ${Math.round(band.low * 100)} to ${Math.round(band.high * 100)} % of a strength that nobody tested: it may be near what it can do. Find out with a test.`;
}

/** The angle of a hold or the window of a repetition. */
export const windowOf = (line: Pick<ScoreLine, "scheme" | "window">) =>
  line.scheme.kind === "holds"
    ? line.scheme.atDeg === null
      ? null
      : { fromDeg: line.scheme.atDeg, toDeg: line.scheme.atDeg }
    : line.window;

/** The clinic's machine an exercise is done on, with a model of the knee or without. */
function machineOf(e: Exercise, sheet: SheetInput, wantedId: string | null): string | null {
  const use = exerciseUse(e);
  if (!use) return quietMachineOf(e, sheet, wantedId)?.id ?? null;
  const chosen = machineFor(use, sheet.machines, wantedId);
  return chosen.family.load ? chosen.id : null;
}

/** A machine that the clinic does not have, or not any more, is never replaced in silence (docs/rules.md, K16). */
function machineBars(line: ScoreLine, e: Exercise, sheet: SheetInput): string[] {
  const families = new Set(sheet.machines.map((m) => m.family));
  const isMissing = !isAtHand(e, families);
  if (sheet.isAtHome && ((isMissing && !e.home_ready) || line.machineId != null))
    return ["it needs what stands in the clinic, and this sheet is done at home: take its home version"];
  if (!e.home_ready && isMissing) return ["this clinic has no machine for it: choose another exercise"];
  const { machineId } = line;
  if (machineId == null || sheet.machines.some((m) => m.id === machineId)) return [];
  return ["the machine that it was set for is not in use any more: choose another machine or exercise"];
}

/** After surgery and when easily stirred up a load is never above what is wanted. */
const personOf = (line: ScoreLine, { known, personal }: ScoreContext) => ({
  twoLegs: line.legs === "together",
  k: personal.k,
  policy: known.isPostOp || known.irritability === "high" ? ("down" as const) : ("nearest" as const),
  chosen: { loadKg: line.loadKg, machineId: line.machineId, settings: line.settings },
});

/** What limits on effort say of planned reserves and of the length of holds. */
function effortBars(sets: readonly PlannedSet[], line: ScoreLine, context: ScoreContext): string[] {
  const { limits } = context.sheet;
  const least = leastOf(limits, "reserve");
  const bars: string[] = [];
  const reserves = sets.flatMap((s) => (s.role === "work" && s.reserve !== null ? [s.reserve] : []));
  const fewest = reserves.length ? Math.floor(Math.min(...reserves)) : null;
  if (fewest !== null && fewest < least)
    bars.push(
      `it leaves ${fewest} in reserve; ${least} at least are asked for${byWhom(limits, "reserve")}: plan more in reserve or another scheme`,
    );
  const { scheme } = line;
  const heldS = scheme.kind === "holds" || scheme.kind === "partials" ? scheme.holdS : null;
  if (heldS !== null) bars.push(...holdBars({ holdS: heldS }, limits));
  if (scheme.kind === "holds")
    bars.push(
      ...holdBars(
        scheme.effort.kind === "felt"
          ? { feltPlanned: scheme.effort.felt }
          : { share: scheme.effort.percent / 100 },
        limits,
      ),
    );
  return bars;
}

/** Below this share of the wished load more repetitions are named that make up for it [own]. */
const COARSE = 0.9;
const MOST_REPS_NAMED = 30;

/** Where the real step lies well below the wish: how many repetitions at it leave the planned reserve. Dosing rules D3, D4. */
function repetitionsInstead(s: Scheme, load: LineLoad): string | null {
  const target = repetitionTarget(s);
  const { share, wantedShare } = load;
  if (!target || share === null || wantedShare === null || share >= COARSE * wantedShare || share <= 0)
    return null;
  const reps = Math.floor(repetitionsPossible(share) - target.reserve);
  const below = Math.round((1 - share / wantedShare) * 100);
  const light = `The real step is ${below} % below what the scheme wants, ${nextWords(load, wantedShare)}`;
  return reps > MOST_REPS_NAMED
    ? `${light}: it will feel light; slow the lowering or take another machine.`
    : `${light}: about ${reps} repetitions leave ${target.reserve} in reserve.`;
}

/** What stands in the way of the next step, if anything does: the same judge that chose this one says it. */
function nextWords({ next, basis }: LineLoad, wantedShare: number): string {
  if (!next) return "and there is no heavier one";
  if (next.because) return `and the next one, ${next.how}, is not open, because ${next.because}`;
  return next.share !== null && next.share > wantedShare + 1e-9
    ? `and the next one, ${next.how}, is above it${basis === "default_strength" ? " by the strength that is safe to count on, untested" : ""}`
    : `and the next one, ${next.how}, would still be inside it`;
}

/** What a hold really asks at its angle: barred where it cannot be held or leaves the limits. True: worth one try. */
function holdNotes(
  scheme: HoldsScheme,
  exercise: Exercise,
  load: LineLoad,
  context: ScoreContext,
  bars: string[],
  cautions: string[],
): boolean {
  const { share } = load;
  if (share === null) return false;
  const kind = workKindOf(exercise);
  const joint = kind ? jointOf(kind) : "general";
  const run = simulateHolds(joint, Math.min(share, 0.99), scheme, { k: context.personal.k });
  const held = heldOrNot(joint, share, scheme, context.personal, run);
  if (held.bars) bars.push(held.bars.replace(/\.$/, ""));
  if (held.caution) cautions.push(held.caution);
  // a planned percent was asked about by itself
  const reached = scheme.effort.kind === "felt" ? { share } : {};
  const felt = held.bars ? {} : { feltPredicted: held.felt };
  bars.push(...holdBars({ ...reached, ...felt }, context.sheet.limits));
  if (scheme.effort.kind === "percent") {
    const meant = meantAsFelt(joint, scheme.effort.percent / 100, scheme, context.personal.k);
    if (meant) cautions.push(meant.sentence);
  }
  if (load.basis === "felt" && load.setUp)
    cautions.push(
      "The strength curve is not sure at this angle: begin with the least, find the load by feel, or test at this angle.",
    );
  return held.caution !== null;
}
