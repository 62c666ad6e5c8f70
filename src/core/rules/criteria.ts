import tasks from "./data/criterionTasks.json";
import texts from "./text/en/criteria.json";

const TEXTS: Readonly<Record<string, string>> = texts;
const TASKS: Readonly<Record<string, string>> = tasks;

export const isCriterion = (id: string): boolean => Object.hasOwn(TEXTS, id);

/** What a person can do, as a therapist judges it. A tick is kept under the id: the text may be written anew. */
export const criterionText = (id: string): string => TEXTS[id] ?? id;

/** The exercise that trains the task of a criterion; null where none does. */
export const trainsCriterion = (id: string): string | null => TASKS[id] ?? null;
