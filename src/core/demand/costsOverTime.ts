import type { Body } from "../body/segments";
import type { CurveCan } from "../capacity/capacityAt";
import type { Moved } from "../capacity/learn";
import { type Cost, costOf, type DoesDaily } from "./cost";
import { type Task, taskId } from "./tasks";

/** What a task took of the leg on a day on which something was learnt of it. */
export interface DatedCost {
  on: string;
  id: string;
  cost: Cost;
}

/** What tasks took of a leg on every day on which something was learnt of it, by the body of that day. */
export function costsOverTime(
  tasks: readonly Task[],
  leg: { can: CurveCan; moved: readonly Moved[]; does: DoesDaily; bodyOn: (day: string) => Body },
): DatedCost[] {
  const { can, moved, does, bodyOn } = leg;
  const days = new Map(moved.filter((m) => m.odd !== "waits").map((m) => [m.on, m]));
  const isTested = (on: string) => moved.some((m) => m.kind === "trial" && m.on <= on);
  return tasks.flatMap((task) =>
    [...days.values()].map((m) => {
      const then: CurveCan = {
        ...can,
        peak: { mean: Math.log(m.toNm), sd: m.sd },
        from: isTested(m.on) ? "trials" : "sets",
      };
      return { on: m.on, id: taskId(task), cost: costOf(bodyOn(m.on), task, then, does) };
    }),
  );
}
