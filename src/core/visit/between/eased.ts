import type { KeptLine } from "../../sheet/line/keptLine";
import type { LiveTask } from "../run";

const isSame = (a: number, b: number): boolean => Math.abs(a - b) < 1e-6;

/** The hardest load that a line plans: everything as planned; null where nothing is set. */
export function plannedLoadKg(line: Pick<KeptLine, "sets" | "isHelp">): number | null {
  const loads = line.sets.flatMap((s) => s.loadKg ?? []);
  if (loads.length === 0) return null;
  return line.isHelp ? Math.min(...loads) : Math.max(...loads);
}

/**
 * What is left of a line with another load: one of its kept steps, each set at the easier of that and its own plan, so
 * that nothing on the floor sets more than was judged. Null where the load is none of the line's.
 */
export function withLoad(line: KeptLine, tasks: readonly LiveTask[], loadKg: number): LiveTask[] | null {
  const steps = [
    ...line.lighter,
    ...line.sets.flatMap((s) =>
      s.loadKg !== null && s.how !== null ? [{ loadKg: s.loadKg, how: s.how }] : [],
    ),
  ];
  const set = steps.find((x) => isSame(x.loadKg, loadKg));
  if (!set) return null;
  return tasks.map((t) => {
    if (t.lineId !== line.lineId || t.status !== "open" || t.plannedKg === null) return t;
    const isEasier = line.isHelp ? set.loadKg > t.plannedKg : set.loadKg < t.plannedKg;
    return isEasier
      ? { ...t, loadKg: set.loadKg, how: set.how }
      : { ...t, loadKg: t.plannedKg, how: t.plannedHow };
  });
}

/**
 * The open sets of a line after an aid was taken away: none harder than its plan, nor than what is set without the planned aid
 * (`bare`; null: the plan was made without, or nobody knows). Lighter ones stay. Rule Aid 2.
 */
export const withoutAid = (
  line: Pick<KeptLine, "lineId" | "isHelp">,
  tasks: readonly LiveTask[],
  bare: KeptLine["bare"],
): LiveTask[] =>
  tasks.map((t) => {
    if (t.lineId !== line.lineId || t.status !== "open") return t;
    const isHarder = (kg: number | null, than: number) =>
      kg !== null && (line.isHelp ? kg < than : kg > than);
    const planned =
      t.plannedKg !== null && isHarder(t.loadKg, t.plannedKg)
        ? { ...t, loadKg: t.plannedKg, how: t.plannedHow }
        : t;
    return bare && isHarder(planned.loadKg, bare.loadKg)
      ? { ...planned, loadKg: bare.loadKg, how: bare.how }
      : planned;
  });
