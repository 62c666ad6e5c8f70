import { z } from "zod";
import { uuid } from "../../units/fields";
import { scoreLine } from "./scoreInput";

/** A line with the id that it keeps through all versions: streaks, ladders and trends hang on it. */
export const sheetLine = scoreLine.extend({ lineId: uuid });
export type SheetLine = z.infer<typeof sheetLine>;

export const sheetLines = z
  .array(sheetLine)
  .min(1, { error: "input.sheet_empty" })
  .max(16, { error: "input.sheet_long" })
  .refine((lines) => new Set(lines.map((l) => l.lineId)).size === lines.length, {
    error: "input.line_twice",
  });

export const SHEET_PLACES = ["gym", "home", "bodyweight"] as const;

/** A sheet of a client as it is saved: a new version of it, or its first. */
export const sheetInput = z.object({
  /** of the version */
  id: uuid,
  sheetId: uuid,
  name: z
    .string({ error: "input.sheet_name" })
    .trim()
    .min(2, { error: "input.sheet_name_short" })
    .max(40, { error: "input.sheet_name_long" }),
  place: z.enum(SHEET_PLACES, { error: "input.sheet_place" }),
  baseVersion: z.number().int().min(0),
  items: sheetLines,
});
export type SheetInputData = z.infer<typeof sheetInput>;
