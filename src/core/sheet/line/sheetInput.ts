import { z } from "zod";
import { uuid } from "../../units/fields";
import { scoreLine } from "./scoreInput";

/** A line with the id that it keeps through all versions: streaks, ladders and trends hang on it. */
export const sheetLine = scoreLine.extend({ lineId: uuid });
export type SheetLine = z.infer<typeof sheetLine>;

export const sheetLines = z
  .array(sheetLine)
  .min(1, { error: "A sheet needs an exercise at least." })
  .max(16, { error: "Sixteen exercises are the most of a sheet." })
  .refine((lines) => new Set(lines.map((l) => l.lineId)).size === lines.length, {
    error: "Two lines have the same identifier; reload the page and try again.",
  });

export const SHEET_PLACES = ["gym", "home", "bodyweight"] as const;

/** A sheet of a client as it is saved: a new version of it, or its first. */
export const sheetInput = z.object({
  /** of the version */
  id: uuid,
  sheetId: uuid,
  name: z
    .string({ error: "Give the sheet a name." })
    .trim()
    .min(2, { error: "Give the sheet a name of two letters or more." })
    .max(40, { error: "A sheet's name has 40 letters at most." }),
  place: z.enum(SHEET_PLACES, { error: "Say where it is done." }),
  baseVersion: z.number().int().min(0),
  items: sheetLines,
});
export type SheetInputData = z.infer<typeof sheetInput>;
