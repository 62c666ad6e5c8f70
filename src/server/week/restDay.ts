import "server-only";
import { kindOfSheet } from "@/core/schedule/block/sheetKind";
import { isHard, tooClose } from "@/core/schedule/block/weekRules";
import { daysBetween } from "@/core/units/days";
import { type Ctx, today } from "../base/context";
import type { SheetVersion } from "../versions/sheets";
import { hardDays } from "./weekFacts";

/**
 * Whether a client who works alone rests today: a hard sheet is not run within 48 h of hard leg work, nor 72 h after an
 * accumulated set, nor a second accumulated set within a week. With staff it is the staff's judgement.
 */
export async function isRestDay(ctx: Ctx, episodeId: string, sheet: SheetVersion): Promise<boolean> {
  const kind = kindOfSheet(sheet.lines.flatMap((l) => (l.kept ? [l.kept] : [])));
  if (!isHard(kind)) return false;
  const done = (await hardDays(ctx, episodeId)).map((h) => ({
    day: daysBetween(today(ctx), h.on),
    isAccumulated: h.isAccumulated,
  }));
  const withToday = [...done, { day: 0, isAccumulated: kind === "accumulated" }].sort(
    (a, b) => a.day - b.day,
  );
  // what was done before is as it is: only pairs with today count
  return withToday.some((h, i) => i < withToday.length - 1 && tooClose([h, withToday.at(-1) ?? h]) !== null);
}
