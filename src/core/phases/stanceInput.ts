import { z } from "zod";
import { uuid } from "../units/fields";

const reason = z
  .string({ error: "input.why" })
  .trim()
  .min(3, { error: "input.why_few" })
  .max(500, { error: "input.reason_long" });

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
  optionId: z.string({ error: "input.choose_answer" }).max(80),
  reason,
});
export type StanceViewInput = z.infer<typeof stanceViewInput>;
