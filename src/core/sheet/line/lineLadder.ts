import { z } from "zod";
import { wholeField } from "../../units/fields";
import { plannedDeg } from "../schemes/parts";

/** The way a line is to climb: angles of holds from the first to the goal, or repetitions from fewest to most before the load steps. */
export const lineLadder = z.discriminatedUnion("of", [
  z.object({ of: z.literal("angle"), fromDeg: plannedDeg, toDeg: plannedDeg }),
  z
    .object({
      of: z.literal("reps"),
      least: wholeField("fewest_reps", 1, 40),
      most: wholeField("most_reps", 1, 40),
    })
    .refine((l) => l.most >= l.least, {
      path: ["most"],
      error: "input.ladder_order",
    }),
]);
