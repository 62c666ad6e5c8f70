import "server-only";
import { kindOfSheet } from "@/core/schedule/block/sheetKind";
import { isHard, tooClose } from "@/core/schedule/block/weekRules";
import { effectiveSets } from "@/core/sheet/schemes/effectiveSets";
import { daysBetween } from "@/core/units/days";
import { type Ctx, today } from "../base/context";
import type { SheetVersion } from "../versions/sheets";
import { hardDays } from "./weekFacts";
import { muscleCredits } from "./weekSets";

/**
 * Whether a client who works alone rests today: a hard sheet is not run within 48 h of hard work of the same muscles, nor 72 h after an
 * accumulated set, nor a second accumulated set within a week. With staff it is the staff's judgement.
 */
export async function isRestDay(ctx: Ctx, episodeId: string, sheet: SheetVersion): Promise<boolean> {
  const lines = sheet.lines.flatMap((l) => (l.kept ? [l.kept] : []));
  const kind = kindOfSheet(lines);
  if (!isHard(kind)) return false;
  const { hard } = await muscleCredits(ctx);
  const moved = lines.filter((l) => l.kind !== "holds");
  const muscles = hard(moved.map((l) => ({ exerciseId: l.exerciseId, sets: effectiveSets(l) })));
  const done = (await hardDays(ctx, episodeId)).map((h) => ({
    day: daysBetween(today(ctx), h.on),
    isAccumulated: h.isAccumulated,
    muscles: h.muscles,
  }));
  const asked = { day: 0, isAccumulated: kind === "accumulated", muscles };
  // what was done before is as it is: only pairs with today count
  return done.some((h) => tooClose(h, asked) !== null);
}
