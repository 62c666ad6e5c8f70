import { BODY_WEIGHT, realLoads } from "../selection/machineFor";
import type { JudgedLine } from "./judgeScore";
import { stepFor } from "./lineLoad";

/** What one set is done with. */
export interface SetLoad {
  load: number;
  how: string;
}

/**
 * The real step of every set: at or below its share of the working load, a plate more each time in a climb. Null where
 * nothing is set, or where even the lightest step is above it: then the lightest is too heavy for that set.
 */
export function setLoads({
  load,
  sets,
  line,
}: Pick<JudgedLine, "load" | "sets" | "line">): (SetLoad | null)[] {
  const setUp = load?.setUp;
  const family = setUp?.chosen.family;
  if (setUp?.how === BODY_WEIGHT) return sets.map(() => ({ load: 0, how: BODY_WEIGHT }));
  if (!setUp || !family?.load || family.isReversed) return sets.map(() => null);
  const loads = realLoads(setUp.chosen.machine, family);
  const wanted = (i: number, share: number) =>
    line.scheme.kind === "climb" ? setUp.load + i * line.scheme.plateKg : setUp.load * share;
  return sets.map((s, i) => stepFor(loads, wanted(i, s.loadShare), "down"));
}
