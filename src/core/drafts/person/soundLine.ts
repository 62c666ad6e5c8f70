import type { Exercise } from "../../rules/exercises";
import type { AllowedArc } from "../../selection/fit/allowedArc";
import { openOf } from "../../selection/rank/rangeSheet";
import { fitsWell, judgeScore, type ScoreContext } from "../../sheet/judge/judgeScore";
import { heldForm } from "../../sheet/line/heldForm";
import { usualHoldDeg } from "../../sheet/line/holdAngle";
import { legsAllowed } from "../../sheet/line/legs";
import { LEAST_WINDOW_DEG, type ScoreLine } from "../../sheet/line/scoreInput";
import { LEAST_SLOW_REPS } from "../../sheet/schemes/kinds/slow";
import { ANGLE_STEP_DEG } from "../../sheet/schemes/parts";
import type { Scheme } from "../../sheet/schemes/scheme";
import { clamp } from "../../units/clamp";
import type { Said } from "../../units/said";
import { ADDED_SETS } from "../addedSchemes";
import type { DraftLine } from "../draftLine";

/** A line that may be saved as it stands, or why none of its forms may. */
export type Sound = ScoreLine | { barredBecause: Said };

/**
 * The line inside what limits and the set-up leave, the dose as drafted or the nearest lighter one: judged as it would be
 * when saved. Nothing that is barred, asks for more than wanted or is predicted to end early comes out of it.
 */
export function soundLine(l: DraftLine, e: Exercise, context: ScoreContext): Sound {
  const isHeld = l.scheme.kind === "holds";
  const open = openOf(isHeld ? heldForm(e) : e, context.sheet);
  if ("reasons" in open) return { barredBecause: open.reasons[0] ?? { code: "drafts.fits_not" } };
  const window = insideArc(l.window, open.arc);
  if (window === "outside") return { barredBecause: { code: "drafts.part_not_open" } };
  let because: Said = { code: "drafts.no_dose" };
  for (const scheme of lighter(l.scheme, e, open.arc)) {
    const allowed = legsAllowed(e, scheme.kind);
    const line: ScoreLine = {
      exerciseId: e.id,
      scheme,
      legs: allowed.includes(l.legs) ? l.legs : (allowed[0] ?? "together"),
      window: scheme.kind === "holds" || scheme.kind === "stretch" ? null : window,
      sharesRests: false,
      why: l.why,
    };
    const [judged] = judgeScore([line], context);
    if (judged && fitsWell(judged)) return line;
    because = judged?.bars[0] ?? judged?.cautions[0] ?? because;
  }
  return { barredBecause: because };
}

/** The drafted window cut to the open arc, in planned steps; "outside" where too little of it is open. */
function insideArc(window: ScoreLine["window"], arc: AllowedArc): ScoreLine["window"] | "outside" {
  if (!window) return null;
  const fromDeg = Math.ceil(Math.max(window.fromDeg, arc.fromDeg) / ANGLE_STEP_DEG) * ANGLE_STEP_DEG;
  const toDeg = Math.floor(Math.min(window.toDeg, arc.toDeg) / ANGLE_STEP_DEG) * ANGLE_STEP_DEG;
  return toDeg - fromDeg >= LEAST_WINDOW_DEG ? { fromDeg, toDeg } : "outside";
}

const LEAST_REPS = 3;
const LEAST_FELT = 2;
const MOST_RESERVE = 8;
const SHORT_HOLDS_S = [10, 6];

/** The scheme as drafted, then lighter and lighter: fewer repetitions, then more in reserve; for holds less felt, then shorter. */
function lighter(s: Scheme, e: Exercise, arc: AllowedArc): Scheme[] {
  if (s.kind === "holds") return lighterHolds(s, e, arc);
  if (s.kind === "straight" && s.last) {
    const { last: _last, ...alike } = s;
    return [s, ...lighter(alike, e, arc)];
  }
  if (s.kind === "straight" || s.kind === "ramp" || s.kind === "slow") {
    const fewer = down(s.reps, s.kind === "slow" ? LEAST_SLOW_REPS : LEAST_REPS).map(
      (reps): Scheme => ({ ...s, reps }),
    );
    const easier = down(MOST_RESERVE, s.reserve + 1)
      .reverse()
      .map((reserve): Scheme => ({ ...s, reserve }));
    const plain =
      s.kind === "ramp" ? [{ ...s, kind: "straight" as const }] : s.kind === "slow" ? [ADDED_SETS] : [];
    return [s, ...plain, ...easier, ...fewer.slice(1)];
  }
  if (s.kind === "stretch") return [s];
  if (s.kind === "carry") return down(s.carriedKg, 0).map((carriedKg): Scheme => ({ ...s, carriedKg }));
  // what is not open to everybody falls back to straight sets: light and many to one light set
  return [s, s.kind === "light" ? { ...ADDED_SETS, sets: 1, reps: 15, reserve: 6 } : ADDED_SETS];
}

function lighterHolds(s: Extract<Scheme, { kind: "holds" }>, e: Exercise, arc: AllowedArc): Scheme[] {
  const usual = usualHoldDeg(e, arc);
  const atDeg =
    usual === null || s.atDeg === null
      ? usual
      : clamp(
          s.atDeg,
          Math.ceil(arc.fromDeg / ANGLE_STEP_DEG) * ANGLE_STEP_DEG,
          Math.floor(arc.toDeg / ANGLE_STEP_DEG) * ANGLE_STEP_DEG,
        );
  const at = { ...s, atDeg };
  const felt = s.effort.kind === "felt" ? s.effort.felt : LEAST_FELT;
  const softer = down(felt, LEAST_FELT).map((f): Scheme => ({ ...at, effort: { kind: "felt", felt: f } }));
  const shorter = SHORT_HOLDS_S.filter((holdS) => holdS < s.holdS).flatMap((holdS) =>
    down(felt, LEAST_FELT).map((f): Scheme => ({ ...at, holdS, effort: { kind: "felt", felt: f } })),
  );
  return [...softer, ...shorter];
}

/** From, from - 1, … to least. */
const down = (from: number, least: number): number[] =>
  Array.from({ length: Math.max(0, Math.floor(from) - least + 1) }, (_, i) => Math.floor(from) - i);
