import { z } from "zod";
import { type FieldName, uuid } from "../../units/fields";
import { wrong } from "../../units/wrong";
import { WORN_IDS } from "./aid";

const line = (field: FieldName) =>
  z
    .string()
    .trim()
    .min(1, { error: wrong("input.line_empty", { field }) })
    .max(300, { error: "input.letters_most" });

/** How a client's exercise is set up on a machine: saved as a card, a new version each time. */
export const cardInput = z.object({
  id: uuid,
  exerciseId: z.string().min(1, { error: "input.choose_exercise" }),
  baseVersion: z.number().int().min(0),
  /** which of the clinic's machines; null: the first that can do it, or none of its own */
  machineId: uuid.nullable(),
  settings: z.record(z.string(), z.number({ error: "input.setting_number" })),
  load: z.number({ error: "input.enter_load" }).min(0, { error: "input.load_below_nothing" }),
  axisChecked: z.boolean(),
  feet: z.string().trim().max(120, { error: "input.letters_most" }),
  support: z.enum(WORN_IDS, { error: "input.choose_worn" }),
  cues: z.array(line("cues")).max(8, { error: "input.many_cues" }),
  stopSigns: z
    .array(line("stop_signs"))
    .min(1, { error: "input.card_stop_sign" })
    .max(8, { error: "input.many_stop_signs" }),
  note: z.string().trim().max(300, { error: "input.letters_most" }),
  /** why a therapist goes above the start cap of a machine nobody tested this leg on; kept with the card */
  aboveStart: z
    .string()
    .trim()
    .min(5, { error: "input.why_above_start" })
    .max(300, { error: "input.reason_long" })
    .nullish(),
});
export type CardInput = z.infer<typeof cardInput>;
