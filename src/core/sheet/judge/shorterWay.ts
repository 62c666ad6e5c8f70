import type { InForce } from "../../bounds/inForce";
import type { BoundKind } from "../../bounds/kinds";
import { type Said, saidWith } from "../../units/said";
import { type JudgedLine, judgeScore, type ScoreContext } from "./judgeScore";

/** What bounds only angles: of these the way becomes shorter, never the load lighter. */
const ANGLES = [
  "knee_flexion",
  "knee_flexion_under_load",
  "closed_chain_depth",
  "hip_flexion",
] as const satisfies readonly BoundKind[];

/** What bounds an angle beside a word of its own: the word stays. */
const ARCS = ["open_chain_extension", "resisted_knee_flexion"] as const satisfies readonly BoundKind[];

/** The same client with nothing that shortens a way. */
function overTheWholeWay(context: ScoreContext): ScoreContext {
  const limits: { -readonly [K in BoundKind]?: InForce[K] } = { ...context.sheet.limits };
  for (const kind of ANGLES) delete limits[kind];
  for (const kind of ARCS) {
    const arc = limits[kind];
    if (arc) limits[kind] = { ...arc, low: null, high: null };
  }
  return {
    ...context,
    sheet: { ...context.sheet, limits, motion: { shortOfStraightDeg: null, bendDeg: null } },
  };
}

/**
 * A shorter way may be set heavier than a longer one, where what bounds the load lies outside it: a part that somebody
 * chose, or what an early phase leaves. That is never done in silence: the line is judged over all that is open and over
 * its whole way too, and the difference is said. Null: it is not heavier.
 */
export function shorterWay({ line, load }: JudgedLine, context: ScoreContext): Said | null {
  const set = load?.setting;
  if (line.scheme.kind === "holds" || line.loadKg != null) return null;
  if (!set || set.isHelp || set.loads.length === 0) return null;
  const asked = [{ ...line, window: null, sharesRests: false }];
  const lighterIn = (of: ScoreContext) => {
    const wide = judgeScore(asked, of)[0]?.load?.setting;
    return wide && wide.load < set.load - 1e-6 ? wide : null;
  };
  const open = line.window && lighterIn(context);
  if (open) return saidWith("line.shorter_way", { how: set.how, openHow: open.how });
  const whole = lighterIn(overTheWholeWay(context));
  return whole ? saidWith("line.part_heavier", { how: set.how, wholeHow: whole.how }) : null;
}
