import { stepFor } from "../load/lineSetting";
import type { JudgedLine } from "./judgeScore";

/** What one set is done with. */
export interface SetLoad {
  load: number;
  how: string;
}

/** A last set that is to be lighter has no lighter step to be set to, and would be as many more of the same. Rule X4. */
export function isNothingLighter(judged: Pick<JudgedLine, "load" | "sets" | "line">): boolean {
  const now = judged.load?.setting?.load;
  if (now === undefined) return false;
  const loads = setLoads(judged);
  return judged.sets.some((s, i) => s.last === "lighter" && !((loads[i]?.load ?? now) < now - 1e-6));
}

/**
 * The real step of every set: at or below its share of the working load, a plate more each time in a climb, up to what bounds
 * the load. Null where
 * nothing is known to be set, or where even the lightest step is above it.
 */
export function setLoads({
  load,
  sets,
  line,
}: Pick<JudgedLine, "load" | "sets" | "line">): (SetLoad | null)[] {
  const setting = load?.setting;
  if (!setting) return sets.map(() => null);
  // the body alone and a counterweight are the same in every set
  if (setting.loads.length === 0 || setting.isHelp)
    return sets.map(() => ({ load: setting.load, how: setting.how }));
  const most = load.open?.most ?? Number.POSITIVE_INFINITY;
  const wanted = (i: number, share: number) =>
    line.scheme.kind === "climb"
      ? Math.max(setting.load, Math.min(setting.load + i * line.scheme.plateKg, most))
      : setting.load * share;
  // a warm-up that is lighter than the lightest step is done with that one, where it is lighter than the work
  const lightest = setting.loads[0];
  const warmUp = lightest && lightest.load < setting.load - 1e-6 ? lightest : null;
  return sets.map(
    (s, i) => stepFor(setting.loads, wanted(i, s.loadShare)) ?? (s.role === "ramp" ? warmUp : null),
  );
}
