import { isStricter, leastOf, mostOf } from "../../bounds/inForce";
import type { RangeRow } from "../../selection/rank/rangeSheet";
import { openOf } from "../../selection/rank/rangeSheet";
import { fitsWell, judgeScore, type ScoreContext } from "../judge/judgeScore";
import { heldForm } from "../line/heldForm";
import { usualHoldDeg } from "../line/holdAngle";
import { legsAllowed } from "../line/legs";
import type { ScoreLine } from "../line/scoreInput";
import type { Scheme } from "../schemes/scheme";
import { plainHolds } from "./doseByAim";

const GENTLE_EFFORT = 4;

const isFrontOfThigh = (r: RangeRow): boolean =>
  r.e.match.class === "open_knee_extension" || r.e.match.class === "static_quad";

/** One light line of the front of the thigh to begin with; null where nothing of it fits. */
export function lightStart(rows: readonly RangeRow[], context: ScoreContext): ScoreLine | null {
  for (const row of rows.filter((r) => r.isAtHand && !r.computed?.tooHeavyBecause)) {
    if (!isFrontOfThigh(row)) continue;
    for (const scheme of lightSchemes(row, context)) {
      const line = scheme && usualLine(row, scheme);
      if (line && isSound(line, context)) return line;
    }
  }
  return null;
}

const holdOf = (r: RangeRow, context: ScoreContext) => {
  const held = openOf(heldForm(r.e), context.sheet);
  return {
    atDeg: "reasons" in held ? null : usualHoldDeg(r.e, held.arc),
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
