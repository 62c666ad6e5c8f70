import { z } from "zod";
import { besides } from "../../schedule/activity";
import { soreness } from "../../schedule/soreness";
import { painScore, uuid } from "../../units/fields";
import { painsElsewhere } from "../../units/painRegion";
import { RECHECK_SIGNS } from "../signs/recheckSigns";

/** A client changes the answer until this hour of the same day at the clinic; later it stands. */
export const ANSWER_FIXED_FROM_HOUR = 12;

export const SWELLING_SAID = ["less", "same", "more"] as const;
export type SwellingSaid = (typeof SWELLING_SAID)[number];

/** Minutes of stiffness as they are asked: a band is kept as its upper end, the longest as an hour. */
export const STIFFNESS_BANDS = [
  { id: "to_10", minutes: 10 },
  { id: "to_30", minutes: 30 },
  { id: "longer", minutes: 60 },
] as const;

/** What a client answers by the link. `swelling` null where it is not asked. */
export const clientMorning = z.object({
  id: uuid,
  pain: painScore,
  swelling: z.enum(SWELLING_SAID).nullable(),
  stiffnessMin: z.union(STIFFNESS_BANDS.map((b) => z.literal(b.minutes))).nullable(),
  besides: besides.optional(),
  regions: painsElsewhere.optional(),
  soreness: soreness.optional(),
  signs: z.array(z.enum(RECHECK_SIGNS)).max(RECHECK_SIGNS.length),
});
export type ClientMorning = z.infer<typeof clientMorning>;

const MOST_GRADE = 4;

/**
 * The grade that a client's word stands for, against the grade before: "more" counts as one grade up, so that it steps
 * the work back; nobody grades a knee over a telephone, so "less" is no lower than it was [own].
 */
export const gradeSaid = (said: SwellingSaid, before: number): number =>
  said === "more" ? Math.min(MOST_GRADE, before + 1) : before;

/**
 * Why an answer cannot be changed any more; null while it can. `now` is the clinic's day and hour, `answeredOn` the day
 * of the answer that stands, `isUsed` whether the plan has gone on from it.
 */
export function answerFixed(
  answeredOn: string | null,
  now: { day: string; hour: number },
  isUsed: boolean,
): "used" | "after_noon" | null {
  if (isUsed) return "used";
  if (answeredOn === null) return null;
  return now.day === answeredOn && now.hour < ANSWER_FIXED_FROM_HOUR ? null : "after_noon";
}
