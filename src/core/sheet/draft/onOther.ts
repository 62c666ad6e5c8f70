import { leastOf } from "../../bounds/inForce";
import type { Exercise } from "../../rules/exercises";
import type { RangeRow } from "../../selection/rank/rangeSheet";
import { fitsWell, judgeScore, type ScoreContext } from "../judge/judgeScore";
import { usualHoldDeg } from "../line/holdAngle";
import { legsAllowed } from "../line/legs";
import type { ScoreLine } from "../line/scoreInput";
import { repetitionTarget, type Scheme } from "../schemes/scheme";
import { schemeByAim } from "./doseByAim";

/** The line on another exercise: its own scheme, plain sets of it, or the catalogue's gentle dose, whichever fits first. */
export function onOther<L extends ScoreLine>(
  row: Pick<RangeRow, "e" | "arc">,
  line: L,
  context: ScoreContext,
): L | null {
  const { e } = row;
  const { limits } = context.sheet;
  const hold = { atDeg: usualHoldDeg(e, row.arc), mostS: context.sheet.limits.hold_seconds?.high ?? null };
  const tries: (Scheme | null)[] = [
    onThis(line.scheme, e, hold.atDeg),
    plainSets(line.scheme, leastOf(limits, "reserve")),
    schemeByAim(e, "rehab_activation", limits, hold),
  ];
  for (const scheme of tries) {
    if (!scheme) continue;
    const allowed = legsAllowed(e, scheme.kind);
    const legs = allowed.includes(line.legs) ? line.legs : (allowed[0] ?? "together");
    // what was set by hand was set for the other exercise
    const made: L = {
      ...line,
      exerciseId: e.id,
      scheme,
      legs,
      window: null,
      aboveStart: null,
      loadKg: null,
      machineId: null,
      settings: null,
      heightCm: null,
      help: null,
      ladder: null,
    };
    const [judged] = judgeScore([{ ...made, sharesRests: false }], context);
    if (judged && fitsWell(judged)) return made;
  }
  return null;
}

/** A hold keeps its angle only where it means something and lies inside. */
function onThis(s: Scheme, e: Exercise, atDeg: number | null): Scheme | null {
  // loads in steps are a machine's
  if (s.kind === "slow" || s.kind === "power") return e.match.load_floor === "limb" ? null : s;
  if (s.kind === "climb" || s.kind === "drop" || s.kind === "ramp" || s.kind === "two_up_one_down")
    return null;
  if (s.kind === "holds") return e.isometric.possible ? { ...s, atDeg } : null;
  return s;
}

/** Two or three plain sets for as many repetitions; null for holds and stretches. */
function plainSets(s: Scheme, leastReserve: number): Scheme | null {
  const target = repetitionTarget(s);
  if (s.kind === "holds" || s.kind === "stretch" || s.kind === "carry") return null;
  return {
    kind: "straight",
    sets: "sets" in s ? Math.min(3, s.sets) : 2,
    reps: Math.min(15, Math.max(8, target?.reps ?? 12)),
    reserve: Math.min(8, Math.max(leastReserve, target?.reserve ?? 3)),
    tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
    restS: "restS" in s ? s.restS : 60,
  };
}
