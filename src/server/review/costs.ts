import "server-only";
import { bodyFrom } from "@/core/body/segments";
import { type Cost, costOf } from "@/core/demand/cost";
import { costsOverTime } from "@/core/demand/costsOverTime";
import { type TaskOf, taskOf, tasksOfGoals } from "@/core/demand/goalTasks";
import { TASKS, type Task, taskId } from "@/core/demand/tasks";
import type { NamedCost } from "@/core/review/facts";
import { curveCan } from "@/core/selection/setUp/strengthKnown";
import type { Side } from "@/core/units/fields";
import { taskName } from "@/words/en/numbers/work";
import type { Ctx } from "../base/context";
import { type ClientEpisode, clientEpisodes } from "../client/clients";
import { type LegKnown, legKnown } from "../facts/legs";
import { testsOf } from "../measure/measurements";
import { measurementsOf } from "../measure/otherMeasurements";
import type { PastEpisode } from "./episode";

/** What the treated leg of an episode, open or closed, could do by its last day. */
export async function legOf(ctx: Ctx, e: PastEpisode, side: Side = e.side): Promise<LegKnown> {
  const found = await clientEpisodes(ctx, { episodeIds: [e.episodeId], closedToo: true });
  return legKnown(ctx, found[0] as ClientEpisode, { side, until: e.endsOn });
}

/** The body of a day: its mass as it was last written down or measured by then. */
async function bodiesOf(ctx: Ctx, e: PastEpisode) {
  const masses = [
    ...(await testsOf(ctx, e.episodeId)).map((t) => ({ on: t.takenOn, kg: t.bodyMassKg })),
    ...(await measurementsOf(ctx, e.episodeId)).flatMap((m) =>
      m.kind === "body_mass" ? [{ on: m.takenOn, kg: m.value }] : [],
    ),
  ].sort((a, b) => a.on.localeCompare(b.on));
  return (on: string) =>
    bodyFrom(masses.findLast((t) => t.on <= on)?.kg ?? e.bodyMassKg, e.heightM, e.shankLengthM ?? undefined);
}

/** What tasks took of the treated leg on every day on which something was learnt of it, by the body of that day. */
export async function costsOf(
  ctx: Ctx,
  e: PastEpisode,
  leg: LegKnown,
  tasks: readonly Task[] = tasksOfGoals(e.goals.map((g) => g.goalId)),
): Promise<NamedCost[]> {
  const names = new Map(tasks.map((t) => [taskId(t), taskName(t)]));
  return costsOverTime(tasks, {
    ...{ can: curveCan(leg.strength, "extension"), moved: leg.strength.extension.moved },
    ...{ does: leg.does, bodyOn: await bodiesOf(ctx, e) },
  }).map((c) => ({ ...c, name: names.get(c.id) ?? "" }));
}

/** One thing of daily life: what it takes of each leg today, and how that came to be. */
export interface DailyCost {
  id: string;
  name: string;
  whose: TaskOf;
  own: Cost;
  other: Cost;
  course: NamedCost[];
}

export interface DailyCosts {
  side: Side;
  /** nobody tested the leg, and it has shown nothing yet */
  isGuess: boolean;
  costs: DailyCost[];
}

/** Everything of daily life that is worked out, the client's own goals first, then the hardest. Rule C. */
export async function dailyCosts(ctx: Ctx, e: PastEpisode): Promise<DailyCosts> {
  const own = await legOf(ctx, e);
  const other = await legOf(ctx, e, e.side === "left" ? "right" : "left");
  const body = (await bodiesOf(ctx, e))(e.endsOn);
  const goalIds = e.goals.map((g) => g.goalId);
  const now = (leg: LegKnown, task: Task): Cost =>
    costOf(body, task, curveCan(leg.strength, "extension"), leg.does);
  const course = await costsOf(ctx, e, own, TASKS);
  const costs = TASKS.map((task) => ({
    id: taskId(task),
    name: taskName(task),
    whose: taskOf(goalIds, task),
    own: now(own, task),
    other: now(other, task),
    course: course.filter((c) => c.id === taskId(task)),
  }));
  const of = (whose: TaskOf) =>
    costs.filter((c) => c.whose === whose).sort((a, b) => hardness(b.own) - hardness(a.own));
  return {
    side: e.side,
    isGuess: own.strength.extension.from === "prior",
    costs: [...of("goal"), ...of("usual"), ...of(null)],
  };
}

/** What nobody can say stands last. */
const hardness = (c: Cost): number => c.percent?.value ?? -1;
