import { type ReferenceTask, relativeLoad, tissueLoad } from "../../selection/tissue/tissues";
import type { JudgedLine } from "../judge/judgeScore";
import type { PlannedSet } from "../schemes/contract";

/**
 * Load of the kneecap joint through a session, in seconds of a chair rise: mean load over the angles that are used, as a
 * multiple of the client's own chair rise, times the seconds under tension of one leg. Compares sessions of one client
 * only; lines without a model add nothing and are counted. [own]
 */
export function kneecapDose(
  judged: readonly JudgedLine[],
  chair: ReferenceTask,
): { chairSeconds: number; notModelled: number } {
  let chairSeconds = 0;
  let notModelled = 0;
  for (const { load, row, sets, exercise } of judged) {
    const setUp = load?.setUp;
    if (!setUp || !row) {
      if (exercise?.match.class.includes("knee")) notModelled += 1;
      continue;
    }
    const inside = setUp.angles.filter((a) => a.deg >= row.arc.fromDeg && a.deg <= row.arc.toDeg);
    const times = inside.map((a) =>
      relativeLoad("kneecap", tissueLoad("kneecap", a, setUp.load, chair), chair),
    );
    const mean = times.reduce((sum, x) => sum + x, 0) / Math.max(1, times.length);
    chairSeconds += mean * sets.reduce((sum, s) => sum + s.tensionS * lighter(s), 0);
  }
  return { chairSeconds, notModelled };
}

/** Ramp and drop sets weigh less; a climb's later sets more. */
const lighter = (s: PlannedSet): number => s.loadShare;
