import { z } from "zod";
import { uuid } from "../../units/fields";

const line = (what: string) =>
  z
    .string()
    .trim()
    .min(1, { error: `An empty line of ${what}: remove it.` })
    .max(300, { error: "300 letters at most." });

/** How a client's exercise is set up on a machine: saved as a card, a new version each time. */
export const cardInput = z.object({
  id: uuid,
  exerciseId: z.string().min(1, { error: "Choose an exercise." }),
  baseVersion: z.number().int().min(0),
  /** which of the clinic's machines; null: the first that can do it, or none of its own */
  machineId: uuid.nullable(),
  settings: z.record(z.string(), z.number({ error: "A setting must be a number." })),
  load: z.number({ error: "Enter the load as a number." }).min(0, { error: "A load is not below nothing." }),
  axisChecked: z.boolean(),
  feet: z.string().trim().max(120, { error: "120 letters at most." }),
  support: z.enum(["none", "sleeve", "brace", "tight_wrap"], { error: "Choose what is worn." }),
  cues: z.array(line("cues")).max(8, { error: "Eight cues at most." }),
  stopSigns: z
    .array(line("stop signs"))
    .min(1, { error: "A card needs a stop sign at least." })
    .max(8, { error: "Eight stop signs at most." }),
  note: z.string().trim().max(300, { error: "300 letters at most." }),
  /** why a therapist goes above the start cap of a machine nobody tested this leg on; kept with the card */
  aboveStart: z
    .string()
    .trim()
    .min(5, { error: "Say in a few words why more than the start is right for this leg." })
    .max(300, { error: "The reason is longer than 300 characters." })
    .nullish(),
});
export type CardInput = z.infer<typeof cardInput>;

export type Worn = CardInput["support"];
export const SUPPORT_WORDS: Readonly<Record<Worn, string>> = {
  none: "nothing worn",
  sleeve: "sleeve on",
  brace: "brace on, as ordered",
  tight_wrap: "wrap on for the set, off after it",
};
