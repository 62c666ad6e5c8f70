import { z } from "zod";
import { uuid } from "../units/fields";

/** A citation marked as checked, or taken back. */
export const sourceCheck = z.object({
  id: uuid,
  citation: z.string().max(200),
  isChecked: z.boolean(),
  note: z.string().trim().max(500, { error: "input.source_note_long" }),
});
export type SourceCheck = z.infer<typeof sourceCheck>;
