import type { Task } from "./tasks";

const STAIRS: readonly Task[] = [
  { kind: "stairs_up", riserM: 0.17 },
  { kind: "stairs_down", riserM: 0.17 },
];

/** What a goal of the list asks of a leg, the first the hardest of it; goals that are no single task have none. */
const OF_GOAL: Record<string, readonly Task[]> = {
  low_chair: [
    { kind: "chair", seatM: 0.4 },
    { kind: "chair", seatM: 0.46 },
  ],
  low_cupboard: [{ kind: "half_squat" }, { kind: "kneel" }],
  stairs: STAIRS,
  kneel: [{ kind: "kneel" }],
  floor: [{ kind: "kneel" }],
};

/** Usual for everybody: the chair and the stair of daily life. */
export const USUAL_CHAIR: Task = { kind: "chair", seatM: 0.46 };
export const USUAL_STAIR: Task = { kind: "stairs_up", riserM: 0.17 };
const USUAL: readonly Task[] = [USUAL_CHAIR, USUAL_STAIR];

/** Whose a task is: of a goal of the client, of everybody's day, or neither. */
export type TaskOf = "goal" | "usual" | null;

export function taskOf(goalIds: readonly (string | null)[], task: Task): TaskOf {
  const has = (all: readonly Task[]) => all.some((t) => JSON.stringify(t) === JSON.stringify(task));
  return has(wantedBy(goalIds)) ? "goal" : has(USUAL) ? "usual" : null;
}

/** Tasks of the client's own goals. */
export const wantedBy = (goalIds: readonly (string | null)[]): readonly Task[] =>
  goalIds.flatMap((id) => (id === null ? [] : (OF_GOAL[id] ?? [])));

/** Tasks of the client's own goals, then the usual ones, each once. */
export const tasksOfGoals = (goalIds: readonly (string | null)[]): Task[] => [
  ...new Map([...wantedBy(goalIds), ...USUAL].map((t) => [JSON.stringify(t), t])).values(),
];
