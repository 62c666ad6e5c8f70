import { z } from "zod";
import { uuid } from "../units/fields";

const reason = z
  .string({ error: "Say why." })
  .trim()
  .min(3, { error: "Say why, in a few words." })
  .max(500, { error: "The reason is longer than 500 characters." });

/** A stance chosen, or (optionId null) taken back to the default. */
export const stanceChange = z.object({
  id: uuid,
  stanceId: z.string().max(80),
  optionId: z.string().max(80).nullable(),
  reason,
  /** the choice the person saw, null if there was none */
  replaces: uuid.nullable(),
  /** the surgeon's written agreement is on file */
  surgeonAgrees: z.boolean(),
});
export type StanceChange = z.infer<typeof stanceChange>;

/** A colleague's different view. */
export const stanceViewInput = z.object({
  id: uuid,
  stanceId: z.string().max(80),
  optionId: z.string({ error: "Choose one of the answers." }).max(80),
  reason,
});
export type StanceViewInput = z.infer<typeof stanceViewInput>;
