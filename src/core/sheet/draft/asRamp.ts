import type { ScoreLine } from "../line/scoreInput";

/** Straight sets with ramp sets before them. */
export function asRamp(line: ScoreLine): ScoreLine {
  const { scheme } = line;
  if (scheme.kind !== "straight") return line;
  return { ...line, scheme: { ...scheme, kind: "ramp", reps: Math.min(15, scheme.reps) } };
}
