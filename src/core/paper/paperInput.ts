import { z } from "zod";
import { textField, uuid } from "../units/fields";

export const PAPER_KINDS = ["sheet", "card", "letter", "summary", "record"] as const;

/** Which paper is wanted; a letter takes whom it is to and what is asked. */
export const paperInput = z.object({
  kind: z.enum(PAPER_KINDS, { error: "input.choose_paper" }),
  /** null: the clinic's own */
  size: z.enum(["A4", "LETTER"]).nullable(),
  sheetId: uuid.nullable(),
  episodeId: uuid.nullable(),
  to: textField("addressee", 200),
  questions: textField("question", 1200),
});
export type PaperInput = z.infer<typeof paperInput>;

/** What stands on a clinic's paper. */
export const letterheadInput = z.object({
  address: textField("address", 300),
  contact: textField("contact", 200),
  paper: z.enum(["A4", "LETTER"], { error: "input.choose_size" }),
});
