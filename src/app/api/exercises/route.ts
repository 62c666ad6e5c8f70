import { z } from "zod";
import { changes } from "@/app/_web/route";
import { exercise } from "@/core/rules/exercises";
import { uuid } from "@/core/units/fields";
import { writeExercise } from "@/server/clinic/exercises";

const body = z.object({
  id: uuid,
  exerciseId: z.string().regex(/^[a-z0-9_]{3,60}$/, { error: "input.exercise_id" }),
  baseVersion: z.number().int().min(0),
  /** null: back to the catalogue's own */
  record: exercise.nullable(),
  reason: z
    .string({ error: "input.changed_why" })
    .trim()
    .min(3, { error: "input.changed_why_few" })
    .max(300, { error: "input.letters_most" }),
});

export const POST = changes(body, (ctx, input) => writeExercise(ctx, input));
