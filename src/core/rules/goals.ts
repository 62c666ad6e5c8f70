import { z } from "zod";
import { confidence } from "./confidence";
import data from "./data/goals.json";

const need = z.object({
  measure: z.string(),
  comparator: z.enum(["<=", ">=", "therapist_sets"]),
  value: z.number().nullable(),
  unit: z.string(),
  test: z.string(),
  source: z.string(),
  confidence,
  /** what of the record tells it; null: it is watched or asked, and no number here stands for it */
  by: z
    .object({ measure: z.string(), as: z.enum(["value", "symmetry", "per_kg"]) })
    .nullable()
    .default(null),
});
export type GoalNeed = z.infer<typeof need>;

const goal = z.object({
  id: z.string(),
  name: z.string(),
  needs: z.array(need).min(1),
  exercise_families: z.array(z.string()).min(1),
  stepping_stones: z.array(z.string()),
  notes: z.string(),
  condition_note: z.string().nullable(),
});
export type Goal = z.infer<typeof goal>;

/** What people want the leg to do again, with measurable needs; they plan and re-test, they permit nothing. */
export const GOALS: readonly Goal[] = z.object({ goals: z.array(goal).min(1) }).parse(data).goals;
