import "server-only";
import { bodyFrom } from "@/core/body/segments";
import { type Cost, costOf } from "@/core/demand/cost";
import { type TaskOf, taskOf, tasksOfGoals } from "@/core/demand/goalTasks";
import { TASKS, type Task, taskId } from "@/core/demand/tasks";
import type { DatedCost } from "@/core/review/facts";
import type { Side } from "@/core/units/fields";
import { taskName } from "@/words/en/numbers/work";
import { type Ctx, today } from "../base/context";
import { extensionTests, type StoredTest, testsOf } from "../measure/measurements";
import type { PastEpisode } from "./episode";

const bodyOn = (e: PastEpisode, tests: readonly StoredTest[], on: string) =>
  bodyFrom(
    tests.find((t) => t.takenOn === on)?.bodyMassKg ?? e.bodyMassKg,
    e.heightM,
    e.shankLengthM ?? undefined,
  );

/** What tasks took of a leg on every day on which it was tested, by the body of that day. */
export function costsOverTime(
  e: PastEpisode,
  all: readonly StoredTest[],
  side: Side,
  tasks: readonly Task[] = tasksOfGoals(e.goals.map((g) => g.goalId)),
): DatedCost[] {
  const tests = extensionTests(all, side);
  const days = [...new Set(tests.map((t) => t.takenOn))].sort();
  return tasks.flatMap((task) =>
    days.map((on) => ({
      on,
      side,
      id: taskId(task),
      name: taskName(task),
      cost: costOf(
        bodyOn(e, tests, on),
        task,
        tests.filter((t) => t.takenOn <= on),
      ),
    })),
  );
}

/** One thing of daily life: what it takes of each leg today, and how that came to be. */
export interface DailyCost {
  id: string;
  name: string;
  whose: TaskOf;
  own: Cost;
  other: Cost;
  course: DatedCost[];
}

/** Everything of daily life that is worked out, the client's own goals first. */
export async function dailyCosts(ctx: Ctx, e: PastEpisode): Promise<{ side: Side; costs: DailyCost[] }> {
  const tests = await testsOf(ctx, e.episodeId);
  const otherSide: Side = e.side === "left" ? "right" : "left";
  const goalIds = e.goals.map((g) => g.goalId);
  const now = (side: Side, task: Task): Cost => {
    const own = extensionTests(tests, side);
    return costOf(bodyOn(e, own, today(ctx)), task, own);
  };
  const course = costsOverTime(e, tests, e.side, TASKS);
  const costs = TASKS.map((task) => ({
    id: taskId(task),
    name: taskName(task),
    whose: taskOf(goalIds, task),
    own: now(e.side, task),
    other: now(otherSide, task),
    course: course.filter((c) => c.id === taskId(task)),
  }));
  const of = (whose: TaskOf) => costs.filter((c) => c.whose === whose);
  return { side: e.side, costs: [...of("goal"), ...of("usual"), ...of(null)] };
}
