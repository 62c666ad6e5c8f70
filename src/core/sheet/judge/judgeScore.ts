import type { Body } from "../../body/segments";
import { isStricter, leastOf, whoSet } from "../../bounds/inForce";
import { DOUBTED_FROM } from "../../capacity/shows";
import type { PersonalFactor } from "../../isometrics/personalFactor";
import { simulateHolds } from "../../isometrics/simulateHolds";
import type { Exercise } from "../../rules/exercises";
import type { AllowedArc } from "../../selection/fit/allowedArc";
import { exerciseUse, isAtHand } from "../../selection/fit/exerciseUse";
import { openOf, type SheetInput } from "../../selection/rank/rangeSheet";
import { machineFor } from "../../selection/setUp/machineFor";
import { bendAt, type HeightSet, heightFor, heightsOf } from "../../selection/setUp/quiet/heights";
import { type Said, saidWith } from "../../units/said";
import { jointOf } from "../effect/sessionFatigue";
import { heldForm } from "../line/heldForm";
import { isOnOneLeg, legsAllowed } from "../line/legs";
import type { ScoreLine } from "../line/scoreInput";
import { workKindOf } from "../line/workKind";
import { lineLoad } from "../load/lineLoad";
import type { LineLoad, Row } from "../load/lineSetting";
import { quietMachineOf } from "../load/quietLoad";
import { repetitionsPossible } from "../load/workingLoad";
import type { PlannedSet } from "../schemes/contract";
import type { HoldsScheme } from "../schemes/kinds/holds";
import { mostLiftedShare, repetitionTarget, type Scheme, schemeBars, setsOf } from "../schemes/scheme";
import { helped } from "./aidPlanned";
import { heldOrNot, holdBars, meantAsFelt } from "./holdFeasibility";
import { type ClientSchemeFacts, schemeFactsOf } from "./schemeFacts";
import { isNothingLighter } from "./setLoads";

/** Everything that a session of one client is judged by. */
export interface ScoreContext {
  sheet: SheetInput;
  known: ClientSchemeFacts;
  personal: PersonalFactor;
}

/** A line with all that is known about it today. */
export interface JudgedLine<L extends ScoreLine = ScoreLine> {
  line: L;
  exercise: Exercise | null;
  /** all angles that limits and stops leave for it; null where it is barred */
  open: { arc: AllowedArc; machineName: string | null } | null;
  /** the same inside the line's own angle or window, at its load */
  row: Row | null;
  load: LineLoad | null;
  /** of the seat, box or pad; null: it has none, or none that is open */
  height: HeightSet | null;
  /** the machine it stands on; null: none, or not in this gym */
  machineId: string | null;
  sets: readonly PlannedSet[];
  /** why it cannot be saved, each with what to do */
  bars: Said[];
  /** what one should know, each with what to do */
  cautions: Said[];
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
const NOVICE_TOTAL = 16;

/** Judges every line; the same function runs on the page and at the route. */
export function judgeScore<L extends ScoreLine>(lines: readonly L[], context: ScoreContext): JudgedLine<L>[] {
  const byId = new Map(context.sheet.exercises.map((e) => [e.id, e]));
  let accumulated = 0;
  return lines.map((line, i) => {
    const exercise = byId.get(line.exerciseId) ?? null;
    const judged = judgeLine(line, exercise, helped(context, line), accumulated);
    if (line.scheme.kind === "accumulated") accumulated += 1;
    if (line.sharesRests && i === 0) judged.bars.push({ code: "line.nothing_above" });
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
    height: null,
    machineId,
    sets,
    cautions: [],
    isTrial: false,
  };
  if (!exercise) return { ...nothing, bars: [{ code: "line.not_in_library" }] };
  const isThere = machineBars(line, exercise, context.sheet);
  if (isThere.length > 0) return { ...nothing, bars: isThere };
  const { scheme } = line;
  const isHeld = scheme.kind === "holds";
  const found = openOf(isHeld ? heldForm(exercise) : exercise, context.sheet, {
    machineId: line.machineId ?? null,
    ...(line.settings ? { settings: line.settings } : {}),
  });
  if ("reasons" in found)
    return { ...nothing, bars: found.reasons.map((because) => saidWith("line.take_out", { because })) };
  const open = { arc: found.arc, machineName: found.station?.chosen.machine.name ?? null };
  const bars: Said[] = schemeBars(scheme, schemeFactsOf(context.known, exercise, accumulatedBefore));
  const allowed = legsAllowed(exercise, scheme.kind);
  if (!allowed.includes(line.legs))
    bars.push(saidWith("line.legs", { legs: line.legs, allowed: allowed[0] ?? "together" }));
  if (isOnOneLeg(exercise, line.legs) && isStricter(context.sheet.limits, "single_leg", "yes"))
    bars.push(saidWith("line.one_leg", { by: whoSet(context.sheet.limits, "single_leg") }));
  if (scheme.kind === "accumulated" && scheme.total > NOVICE_TOTAL && context.known.isNovice)
    bars.push(saidWith("line.novice_total", { total: scheme.total, most: NOVICE_TOTAL }));
  bars.push(...effortBars(sets, line, context));
  const heights = heightsOf(exercise);
  const { body } = context.sheet;
  const height = heights && heightFor(heights, body, found.arc.toDeg, line.heightCm ?? null);
  if (heights) bars.push(...heightBars(height, found.arc.toDeg, body));
  // a therapist's reason goes above the start cap, and above nothing else
  const sheet = line.aboveStart ? { ...context.sheet, startCapIsLifted: true } : context.sheet;
  const set = lineLoad(found, scheme, windowOf(line), sheet, personOf(line, context));
  if (Array.isArray(set)) return { ...nothing, open, height, bars: [...bars, ...set] };
  const { row, load } = set;
  if (isNothingLighter({ line, load, sets })) bars.push({ code: "line.nothing_lighter" });
  const cautions: Said[] = [];
  if (load.tooHeavyBecause)
    bars.push(
      saidWith("line.too_heavy", {
        set: whatIsSet(load),
        because: load.tooHeavyBecause,
        isHelp: load.setting?.isHelp ?? false,
        isStart: load.brokenCap === "start",
        isWish: load.brokenCap === null,
      }),
    );
  else if (asksForMore(load))
    cautions.push(saidWith("line.asks_more", { share: load.share, wanted: load.wantedShare }));
  if (line.loadKg != null && !isHeld && (load.share ?? 0) > 1) bars.push({ code: "line.above_once" });
  const most = mostLiftedShare(scheme);
  if (most !== null && load.share !== null && load.setting && load.share > most + 1e-9)
    bars.push(saidWith("line.above_most", { share: load.share, most }));
  cautions.push(...(load.setUp?.cautions ?? []));
  const byFeel = byFeelSaid(load);
  if (byFeel) cautions.push(byFeel);
  const mayBeNear = untestedSaid(load);
  if (mayBeNear) cautions.push(mayBeNear);
  const more = repetitionsInstead(scheme, load);
  if (more) cautions.push(more);
  const isTrial = isHeld && holdNotes(scheme, exercise, load, context, bars, cautions);
  return { ...nothing, open, row, load, height, bars, cautions, isTrial };
}

/** A seat or box that bends the knee further than is open is barred, whoever set it. */
function heightBars(h: HeightSet | null, mostDeg: number, body: Body): Said[] {
  if (h === null) return [saidWith("line.no_height", { mostDeg: Math.floor(mostDeg) })];
  const deg = bendAt(body, h.of, h.cm);
  return deg !== null && deg > mostDeg + 1e-9
    ? [saidWith("line.too_low", { cm: h.cm, mostDeg: Math.floor(mostDeg) })]
    : [];
}

/**
 * Bars that stand while a line is run or decided: that it asks for more of the leg than the scheme wished is none of them,
 * since what is known of a leg changes under a line that was saved.
 */
export const standingBars = (j: Pick<JudgedLine, "bars">): Said[] =>
  j.bars.filter(
    (b) =>
      typeof b !== "object" ||
      !(b.code === "line.above_most" || (b.code === "line.too_heavy" && "isWish" in b && b.isWish)),
  );

/** What is set: the body alone, the easiest there is, or as somebody set it. */
export type WhatIsSet = "body" | "easiest" | { how: string };

function whatIsSet({ setting }: LineLoad): WhatIsSet {
  if (!setting || setting.loads.length === 0) return "body";
  const easiest = setting.isHelp ? setting.loads.at(-1) : setting.loads[0];
  return easiest && Math.abs(easiest.load - setting.load) > 1e-6 ? { how: setting.how } : "easiest";
}

/** A machine without a model of the knee and without a test: from where to where the load is found (K15). */
function byFeelSaid(load: LineLoad): Said | null {
  if (load.setUp || load.basis !== "felt" || load.setting || load.open === null) return null;
  return saidWith("line.by_feel", { mostKg: load.open.most });
}

/** From here on the high end of an untested share is said [own]. */
const NEAR_ALL = 1;

/** Where nobody tested, a load may be near what the leg can do: said as the band. */
function untestedSaid(load: LineLoad): Said | null {
  const band = load.setUp?.effortBand;
  if (!band || band.high < NEAR_ALL) return null;
  return saidWith("line.untested", { low: band.low, high: band.high });
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
function machineBars(line: ScoreLine, e: Exercise, sheet: SheetInput): Said[] {
  const families = new Set(sheet.machines.map((m) => m.family));
  const isMissing = !isAtHand(e, families);
  if (sheet.isAtHome && ((isMissing && !e.home_ready) || line.machineId != null))
    return [{ code: "line.not_at_home" }];
  if (!e.home_ready && isMissing) return [{ code: "line.no_machine" }];
  const { machineId } = line;
  if (machineId == null || sheet.machines.some((m) => m.id === machineId)) return [];
  return [{ code: "line.machine_gone" }];
}

const personOf = (line: ScoreLine, { personal }: ScoreContext) => ({
  twoLegs: line.legs === "together",
  k: personal.k,
  chosen: { loadKg: line.loadKg, machineId: line.machineId, settings: line.settings },
});

/** What limits on effort say of planned reserves and of the length of holds. */
function effortBars(sets: readonly PlannedSet[], line: ScoreLine, context: ScoreContext): Said[] {
  const { limits } = context.sheet;
  const least = leastOf(limits, "reserve");
  const bars: Said[] = [];
  const reserves = sets.flatMap((s) => (s.role === "work" && s.reserve !== null ? [s.reserve] : []));
  const fewest = reserves.length ? Math.floor(Math.min(...reserves)) : null;
  if (fewest !== null && fewest < least)
    bars.push(saidWith("line.reserve", { fewest, least, by: whoSet(limits, "reserve") }));
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
function repetitionsInstead(s: Scheme, load: LineLoad): Said | null {
  const target = repetitionTarget(s);
  const { share, wantedShare } = load;
  if (!target || share === null || wantedShare === null || share >= COARSE * wantedShare || share <= 0)
    return null;
  const reps = Math.floor(repetitionsPossible(share) - target.reserve);
  return saidWith("line.step_below", {
    below: 1 - share / wantedShare,
    next: nextStep(load, wantedShare),
    reps: reps > MOST_REPS_NAMED ? null : reps,
    reserve: target.reserve,
  });
}

/** What stands in the way of the next step, if anything does: the same judge that chose this one says it. */
export type NextInTheWay =
  | null
  | { how: string; because: Said }
  | { how: string; isAbove: boolean; isUntested: boolean };

function nextStep({ next, shareError }: LineLoad, wantedShare: number): NextInTheWay {
  if (!next) return null;
  const { how, because, share } = next;
  if (because) return { how, because };
  return {
    how,
    isAbove: share !== null && share > wantedShare + 1e-9,
    isUntested: shareError > DOUBTED_FROM,
  };
}

/** What a hold really asks at its angle: barred where it cannot be held or leaves the limits. True: worth one try. */
function holdNotes(
  scheme: HoldsScheme,
  exercise: Exercise,
  load: LineLoad,
  context: ScoreContext,
  bars: Said[],
  cautions: Said[],
): boolean {
  const { share } = load;
  if (share === null) return false;
  const kind = workKindOf(exercise);
  const joint = kind ? jointOf(kind) : "general";
  const run = simulateHolds(joint, Math.min(share, 0.99), scheme, { k: context.personal.k });
  const held = heldOrNot(joint, share, scheme, context.personal, run);
  if (held.bars) bars.push(held.bars);
  if (held.caution) cautions.push(held.caution);
  // a planned percent was asked about by itself
  const reached = scheme.effort.kind === "felt" ? { share } : {};
  const felt = held.bars ? {} : { feltPredicted: held.felt };
  bars.push(...holdBars({ ...reached, ...felt }, context.sheet.limits));
  if (scheme.effort.kind === "percent") {
    const meant = meantAsFelt(joint, scheme.effort.percent / 100, scheme, context.personal.k);
    if (meant) cautions.push(meant.said);
  }
  if (load.basis === "felt" && load.setUp) cautions.push({ code: "line.curve_unsure" });
  return held.caution !== null;
}
