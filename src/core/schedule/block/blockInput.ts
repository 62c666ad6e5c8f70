import { z } from "zod";
import { type FieldName, uuid } from "../../units/fields";
import { wrong } from "../../units/wrong";

const isoDay = z.iso.date({ error: "input.not_a_date" });
const times = (field: FieldName) =>
  z
    .number({ error: wrong("input.days_number", { field }) })
    .int({ error: wrong("input.days_whole", { field }) })
    .min(0, { error: "input.not_below_none" })
    .max(7, { error: "input.week_days" });

/** Weeks of building: none, where the goal is reached and kept from the first week (rule W5), or four to six. */
export const BUILD_WEEKS: readonly number[] = [0, 4, 5, 6];
export const MOST_KEEP_WEEKS = 8;

/** What is wished of one sheet. */
export const sheetWish = z.object({
  times: times("days_a_week"),
  keepTimes: times("keep_days"),
  /** usual hour, 24 h; null: any */
  at: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: "input.hour" })
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
    .refine((n) => BUILD_WEEKS.includes(n), { error: "input.build_weeks" }),
  keepWeeks: z.number().int().min(0).max(MOST_KEEP_WEEKS, { error: "input.keep_weeks_most" }),
  wishes: blockWishes,
  minutes: z.array(z.number().int().min(0).max(240, { error: "input.day_hours_most" })).length(7),
  gym: z.array(z.boolean()).length(7),
  away: z.array(isoDay).max(120),
  days: z
    .array(z.object({ sheetId: uuid, on: isoDay, pinned: z.boolean(), isShort: z.boolean().default(false) }))
    .max(800),
  /** why a week goes above its guard, where it does. Rule W1 */
  overReason: z
    .string()
    .trim()
    .min(5, { error: "input.over_reason" })
    .max(300, { error: "input.reason_long" })
    .nullish(),
  /** the block that the person saw; null if there was none */
  replaces: uuid.nullable(),
});
export type BlockKept = z.infer<typeof blockKept>;
