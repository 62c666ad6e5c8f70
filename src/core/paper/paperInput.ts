import { z } from "zod";
import { uuid } from "../units/fields";

const words = (what: string, most: number) =>
  z
    .string({ error: `${what} is missing.` })
    .trim()
    .max(most, { error: `${what} is longer than ${most} characters.` });

export const PAPER_KINDS = ["sheet", "card", "letter", "summary", "record"] as const;

/** Which paper is wanted; a letter takes whom it is to and what is asked. */
export const paperInput = z.object({
  kind: z.enum(PAPER_KINDS, { error: "Choose a paper." }),
  /** null: the clinic's own */
  size: z.enum(["A4", "LETTER"]).nullable(),
  sheetId: uuid.nullable(),
  episodeId: uuid.nullable(),
  to: words("Whom it is to", 200),
  questions: words("The question", 1200),
});
export type PaperInput = z.infer<typeof paperInput>;

/** What stands on a clinic's paper. */
export const letterheadInput = z.object({
  address: words("The address", 300),
  contact: words("How the clinic is reached", 200),
  paper: z.enum(["A4", "LETTER"], { error: "Choose A4 or Letter." }),
});
