import { z } from "zod";
import { numberField, uuid } from "../../units/fields";
import { plannedDeg } from "../schemes/parts";
import { scheme } from "../schemes/scheme";
import { legs } from "./legs";
import { lineLadder } from "./lineLadder";
import { standingOrder } from "./standingOrder";

/** One line of a session as it is saved. */
export const scoreLine = z.object({
  exerciseId: z.string().min(1, { error: "Choose an exercise." }).max(60, { error: "Choose an exercise." }),
  scheme,
  legs,
  /** part of the open arc that repetitions travel; null: all of it */
  window: z
    .object({ fromDeg: plannedDeg, toDeg: plannedDeg })
    .refine((w) => w.toDeg - w.fromDeg >= LEAST_WINDOW_DEG, {
      path: ["toDeg"],
      error: "A range window is at least 15 degrees wide.",
    })
    .nullable(),
  /** its sets stand in the rests of the line above */
  sharesRests: z.boolean({ error: "Say whether it shares rests with the line above." }),
  /** why a therapist goes above the start cap of a machine nobody tested this leg on; kept with the line */
  aboveStart: z
    .string()
    .trim()
    .min(5, { error: "Say in a few words why more than the start is right for this leg." })
    .max(300, { error: "The reason is longer than 300 characters." })
    .nullish(),
  /** the load that a person or a decision set, in the machine's unit; none: as the scheme asks for it */
  loadKg: numberField("Load", "kg", 0, 1000).nullish(),
  /** the clinic's machine that was chosen, and its settings; none: the first that can do it, as it is usual */
  machineId: uuid.nullish(),
  settings: z.record(z.string().max(40), z.number({ error: "A setting must be a number." })).nullish(),
  ladder: lineLadder.nullish(),
  standingOrder: standingOrder.nullish(),
  /** why it is there, from the draft it came with; kept with the line */
  why: z.string().trim().max(400, { error: "Why a line is there has 400 characters at most." }).nullish(),
});
export type ScoreLine = z.infer<typeof scoreLine>;

/** Below this it is a hold and no repetition [own]. */
export const LEAST_WINDOW_DEG = 15;

export const scoreLines = z
  .array(scoreLine)
  .min(1, { error: "A session needs an exercise at least." })
  .max(16, { error: "Sixteen exercises are the most of a session." });

/** A session kept under a name for other clients of the clinic. */
export const templateInput = z.object({
  id: uuid,
  name: z
    .string({ error: "Give the template a name." })
    .trim()
    .min(3, { error: "Give the template a name of three letters or more." })
    .max(60, { error: "A template's name has 60 letters at most." }),
  items: scoreLines,
});
export type TemplateInput = z.infer<typeof templateInput>;
