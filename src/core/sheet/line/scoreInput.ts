import { z } from "zod";
import { HELP_IDS } from "../../selection/setUp/aid";
import { numberField, uuid, wholeField } from "../../units/fields";
import { wrong } from "../../units/wrong";
import { plannedDeg } from "../schemes/parts";
import { scheme } from "../schemes/scheme";
import { legs } from "./legs";
import { lineLadder } from "./lineLadder";
import { standingOrder } from "./standingOrder";

/** Below this it is a hold and no repetition [own]. */
export const LEAST_WINDOW_DEG = 15;

/** One line of a session as it is saved. */
export const scoreLine = z.object({
  exerciseId: z
    .string()
    .min(1, { error: "input.choose_exercise" })
    .max(60, { error: "input.choose_exercise" }),
  scheme,
  legs,
  /** part of the open arc that repetitions travel; null: all of it */
  window: z
    .object({ fromDeg: plannedDeg, toDeg: plannedDeg })
    .refine((w) => w.toDeg - w.fromDeg >= LEAST_WINDOW_DEG, {
      path: ["toDeg"],
      error: wrong("input.window_wide", { least: LEAST_WINDOW_DEG }),
    })
    .nullable(),
  /** its sets stand in the rests of the line above */
  sharesRests: z.boolean({ error: "input.shares_rests" }),
  /** why a therapist goes above the start cap of a machine nobody tested this leg on; kept with the line */
  aboveStart: z
    .string()
    .trim()
    .min(5, { error: "input.why_above_start" })
    .max(300, { error: "input.reason_long" })
    .nullish(),
  /** the load that a person or a decision set, in the machine's unit; none: as the scheme asks for it */
  loadKg: numberField("load", "kg", 0, 1000).nullish(),
  /** of the seat, box or pad, where the exercise has one, cm; none: as it is usual */
  heightCm: wholeField("seat_height", 5, 80).nullish(),
  /** the clinic's machine that was chosen, and its settings; none: the first that can do it, as it is usual */
  machineId: uuid.nullish(),
  /** what is held on to; none: as the last time. Rule P3 */
  help: z.enum(HELP_IDS, { error: "input.choose_help" }).nullish(),
  settings: z.record(z.string().max(40), z.number({ error: "input.setting_number" })).nullish(),
  ladder: lineLadder.nullish(),
  standingOrder: standingOrder.nullish(),
  /** why it is there, from the draft it came with; kept with the line */
  why: z.string().trim().max(1000, { error: "input.line_because_long" }).nullish(),
});
export type ScoreLine = z.infer<typeof scoreLine>;

export const scoreLines = z
  .array(scoreLine)
  .min(1, { error: "input.session_empty" })
  .max(16, { error: "input.session_long" });

/** A session kept under a name for other clients of the clinic. */
export const templateInput = z.object({
  id: uuid,
  name: z
    .string({ error: "input.template_name" })
    .trim()
    .min(3, { error: "input.template_name_short" })
    .max(60, { error: "input.template_name_long" }),
  items: scoreLines,
});
export type TemplateInput = z.infer<typeof templateInput>;
