import { isStricter, leastOf, mostOf } from "../bounds/inForce";
import type { RangeRow } from "../selection/rangeSheet";
import { rowOf } from "../selection/rangeSheet";
import { type Aim, aimOfPhase, plainHolds, schemeByAim } from "./doseByAim";
import { eased } from "./easeLines";
import { heldForm } from "./heldForm";
import { usualHoldDeg } from "./holdAngle";
import { fitsWell, judgeScore, type ScoreContext } from "./judgeScore";
import { legsAllowed } from "./legs";
import type { Scheme } from "./scheme";
import type { ScoreLine } from "./scoreInput";
import { itemsOf } from "./scoreItems";
import { orderNotes, type ScoreItem, scoreTotals, USUAL_ORDER } from "./sessionScore";

/** Where a session is done, for how long, and what it is for; null: what the phase speaks for. */
export interface TemplateWish {
  place: "gym" | "home";
  minutes: number;
  aim: Aim | null;
}

const LEAST_LINES = 3;
const GENTLE_EFFORT = 4;

const classIs =
  (...classes: RangeRow["e"]["match"]["class"][]) =>
  (r: Pick<RangeRow, "e">): boolean =>
    classes.includes(r.e.match.class);

/**
 * A session made from the rules: a light start, the best-ranked press or squat, the front and the back of the thigh, the
 * hip, the calves last; each with the catalogue's usual dose for the aim inside what the phase asks. Every line is judged
 * as it would be when saved, so a draft holds nothing that is barred. A draft for the therapist, not a plan.
 */
export function sessionTemplate(
  rows: readonly RangeRow[],
  context: ScoreContext,
  wish: TemplateWish,
): ScoreLine[] {
  const { limits } = context.sheet;
  const aim = wish.aim ?? aimOfPhase(limits);
  const fits = rows.filter(
    (r) =>
      !r.e.match.requires_unlock &&
      r.e.match.class !== "stretch" &&
      !r.computed?.tooHeavyBecause &&
      (wish.place === "home" ? r.e.home_ready : r.isAtHand),
  );
  const lines: ScoreLine[] = [];
  const take = (is: (r: RangeRow) => boolean, schemesOf: (r: RangeRow) => (Scheme | null)[]) => {
    for (const row of fits) {
      if (lines.some((l) => l.exerciseId === row.e.id) || !is(row)) continue;
      for (const scheme of schemesOf(row)) {
        const line = scheme && usualLine(row, scheme);
        if (!line || !isSound(line, context)) continue;
        lines.push(line);
        return;
      }
    }
  };
  const work = (r: RangeRow) => workingSchemes(r, aim, context);
  take(classIs("open_knee_extension", "static_quad"), (r) => lightSchemes(r, context));
  take((r) => classIs("closed_knee")(r) && !r.e.match.static_hold, work);
  if (wish.minutes >= 30) take(classIs("open_knee_extension"), work);
  take(classIs("open_knee_flexion", "closed_knee_flexion"), work);
  if (wish.minutes >= 20) take(classIs("hip_open", "hip_hinge"), work);
  if (wish.minutes >= 30) take(classIs("calf"), work);
  const rested = eased(withRamp(lines, context), context, { restLonger: true });
  return eased(inTime(rested, wish.minutes * 60, context), context, { restLonger: false });
}

/** One light line of the front of the thigh to begin with; null where nothing of it fits. */
export function lightStart(rows: readonly RangeRow[], context: ScoreContext): ScoreLine | null {
  for (const row of rows.filter((r) => r.isAtHand && !r.computed?.tooHeavyBecause)) {
    if (!classIs("open_knee_extension", "static_quad")(row)) continue;
    for (const scheme of lightSchemes(row, context)) {
      const line = scheme && usualLine(row, scheme);
      if (line && isSound(line, context)) return line;
    }
  }
  return null;
}

const holdOf = (r: RangeRow, context: ScoreContext) => {
  const held = rowOf(heldForm(r.e), context.sheet);
  return {
    atDeg: Array.isArray(held) ? null : usualHoldDeg(r.e, held.arc),
    mostS: context.sheet.limits.hold_seconds?.high ?? null,
  };
};

/** Three short holds wake a muscle up; a whole dose of holds would be the work itself [own]. */
const lightHolds = (mostS: number | null) => ({ reps: 3, holdS: Math.min(20, mostS ?? 20), restS: 20 });

/** A light start: gentle holds where holds come first, else one light set of fifteen. */
function lightSchemes(r: RangeRow, context: ScoreContext): (Scheme | null)[] {
  const { limits } = context.sheet;
  const hold = holdOf(r, context);
  const gentle = Math.min(GENTLE_EFFORT, mostOf(limits, "felt_effort"));
  const holds = r.e.isometric.possible ? { ...plainHolds(gentle, hold), ...lightHolds(hold.mostS) } : null;
  const light: Scheme = {
    kind: "straight",
    sets: 1,
    reps: 15,
    reserve: Math.min(8, Math.max(6, leastOf(limits, "reserve"))),
    tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
    restS: 60,
  };
  return isStricter(limits, "holds_first", "no") || r.e.match.static_hold ? [holds, light] : [light, holds];
}

/** What is tried for a working line, the best first. */
function workingSchemes(r: RangeRow, aim: Aim, context: ScoreContext): (Scheme | null)[] {
  const { limits } = context.sheet;
  const hold = holdOf(r, context);
  const holds =
    isStricter(limits, "holds_first", "no") && r.e.isometric.possible
      ? plainHolds(Math.min(6, mostOf(limits, "felt_effort")), hold)
      : null;
  return [
    holds,
    schemeByAim(r.e, aim, limits, hold),
    schemeByAim(r.e, "endurance", limits, hold),
    schemeByAim(r.e, "rehab_activation", limits, hold),
  ];
}

/** A line with the usual legs of its exercise. */
export function usualLine(row: Pick<RangeRow, "e">, scheme: Scheme): ScoreLine {
  return {
    exerciseId: row.e.id,
    scheme,
    legs: legsAllowed(row.e, scheme.kind)[0] ?? "together",
    window: null,
    sharesRests: false,
  };
}

const isSound = (line: ScoreLine, context: ScoreContext): boolean => {
  const [judged] = judgeScore([line], context);
  return judged !== undefined && fitsWell(judged);
};

/** Ramp sets where a heavy press or squat would begin cold and the scheme's gates allow them. */
function withRamp(lines: ScoreLine[], context: ScoreContext): ScoreLine[] {
  const items = itemsOf(judgeScore(lines, context), (_, i) => String(i));
  const note = orderNotes(items, USUAL_ORDER).find((n) => n.fix?.kind === "ramp");
  if (!note) return lines;
  return lines.map((l, i) => {
    if (String(i) !== note.itemId || l.scheme.kind !== "straight") return l;
    const ramped = asRamp(l);
    return isSound(ramped, context) ? ramped : l;
  });
}

/** Straight sets with ramp sets before them. */
export function asRamp(line: ScoreLine): ScoreLine {
  const { scheme } = line;
  if (scheme.kind !== "straight") return line;
  return { ...line, scheme: { ...scheme, kind: "ramp", reps: Math.min(15, scheme.reps) } };
}

/** What may stand in the rests of a line before it: work of other muscles. */
const standsInRests = classIs("hip_open", "calf", "open_knee_flexion");

/** Work of other muscles into the rests before it first; then fewer sets, from the end; then fewer exercises, never below the light start and two more. */
function inTime(lines: ScoreLine[], seconds: number, context: ScoreContext): ScoreLine[] {
  // neither rests nor sets change the machine or the load, so every line is judged once
  const judged = judgeScore(lines, context);
  const items = new Map(itemsOf(judged, (l) => l.exerciseId).map((i) => [i.id, i]));
  let kept = lines;
  const isOver = () =>
    scoreTotals(
      kept.map((l) => ({
        ...(items.get(l.exerciseId) as ScoreItem),
        scheme: l.scheme,
        sharesRests: l.sharesRests,
      })),
    ).seconds > seconds;
  for (let i = kept.length - 1; i > 1 && isOver(); i--) {
    const e = judged[i]?.exercise;
    if (e && standsInRests({ e }))
      kept = kept.map((line, at) => (at === i ? { ...line, sharesRests: true } : line));
  }
  for (let i = kept.length - 1; i > 0 && isOver(); i--)
    kept = kept.map((line, at) => (at === i ? withFewerSets(line) : line));
  while (kept.length > LEAST_LINES && isOver()) kept = withoutLeast(kept, context);
  return kept;
}

/** A second line for the front of the thigh goes first, then the last line. */
function withoutLeast(lines: ScoreLine[], context: ScoreContext): ScoreLine[] {
  const isFront = (l: ScoreLine) => {
    const e = context.sheet.exercises.find((x) => x.id === l.exerciseId);
    return e !== undefined && classIs("open_knee_extension", "static_quad")({ e });
  };
  const second = lines.findIndex((l, i) => i > 0 && isFront(l));
  const at = second > 0 ? second : lines.length - 1;
  return lines.filter((_, i) => i !== at);
}

function withFewerSets(line: ScoreLine): ScoreLine {
  const { scheme } = line;
  if ((scheme.kind === "straight" || scheme.kind === "ramp") && scheme.sets > 2)
    return { ...line, scheme: { ...scheme, sets: 2 } };
  if (scheme.kind === "holds" && scheme.reps > 3) return { ...line, scheme: { ...scheme, reps: 3 } };
  return line;
}
