import { z } from "zod";
import { uuid } from "../../units/fields";

const isoDay = z.iso.date({ error: "This is not a date." });
const times = (what: string) =>
  z
    .number({ error: `Enter ${what} as a number of days.` })
    .int({ error: `Enter ${what} as a whole number of days.` })
    .min(0, { error: "Not fewer than none." })
    .max(7, { error: "A week has seven days." });

/** What is wished of one sheet. */
export const sheetWish = z.object({
  times: times("days a week"),
  keepTimes: times("days a week of keeping"),
  /** usual hour, 24 h; null: any */
  at: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: "Write the hour as 09:30." })
    .nullable(),
});
export type SheetWish = z.infer<typeof sheetWish>;

export const blockWishes = z.record(uuid, sheetWish);

/** A block as somebody keeps it: wishes, free days, and every planned day. */
export const blockKept = z.object({
  id: uuid,
  startsOn: isoDay,
  buildWeeks: z
    .number()
    .int()
    .min(4, { error: "Four weeks at the least." })
    .max(6, { error: "Six weeks at the most." }),
  keepWeeks: z.number().int().min(0).max(8, { error: "Eight weeks of keeping at the most." }),
  wishes: blockWishes,
  minutes: z.array(z.number().int().min(0).max(240, { error: "Four hours a day at the most." })).length(7),
  gym: z.array(z.boolean()).length(7),
  away: z.array(isoDay).max(120),
  days: z.array(z.object({ sheetId: uuid, on: isoDay, pinned: z.boolean() })).max(800),
  /** the block that the person saw; null if there was none */
  replaces: uuid.nullable(),
});
export type BlockKept = z.infer<typeof blockKept>;
