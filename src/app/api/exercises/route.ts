import { z } from "zod";
import { changes } from "@/app/_web/route";
import { exercise } from "@/core/rules/exercises";
import { uuid } from "@/core/units/fields";
import { writeExercise } from "@/server/clinic/exercises";

const body = z.object({
  id: uuid,
  exerciseId: z
    .string()
    .regex(/^[a-z0-9_]{3,60}$/, { error: "An identifier has small letters, digits and _ only." }),
  baseVersion: z.number().int().min(0),
  /** null: back to the catalogue's own */
  record: exercise.nullable(),
  reason: z
    .string({ error: "Say why it is changed." })
    .trim()
    .min(3, { error: "Say why it is changed, in a few words." })
    .max(300, { error: "300 letters at most." }),
});

export const POST = changes(body, (ctx, input) => writeExercise(ctx, input));
