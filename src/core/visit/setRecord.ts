import { z } from "zod";
import { aid } from "../selection/setUp/aid";
import { painScore, uuid } from "../units/fields";
import { painsElsewhere } from "../units/painRegion";
import { seenFaults } from "./watched/seen";

/** Why a set or a hold ended before its time. */
export const earlyReason = z.enum(["muscle", "joint_pain", "position", "range", "other"]);
export type EarlyReason = z.infer<typeof earlyReason>;

export const doneLeg = z.enum(["both", "left", "right"], { error: "input.which_leg" });
export type DoneLeg = z.infer<typeof doneLeg>;

const scale = z.number().min(0).max(10).nullable();
const angle = z.number().min(-10).max(160).nullable();

/**
 * One set of one leg as it was really done, or one bout of it (a hold, a piece of a stretch). Append-only: the id is made
 * where it is logged, so sending it twice changes nothing; a correction is a new record that names the old one, `voided`
 * takes the old one back.
 */
export const setRecord = z
  .object({
    id: uuid,
    lineId: uuid,
    /** what was really done: another one than planned where the line was swapped for today */
    exerciseId: z.string().min(1).max(60),
    setNo: z.number().int().min(1).max(40),
    leg: doneLeg,
    boutNo: z.number().int().min(1).max(40),
    corrects: uuid.nullable(),
    voided: z.boolean(),
    startedAt: z.iso.datetime(),
    workedS: z.number().min(0).max(1800),
    /** null for holds and stretches */
    reps: z.number().int().min(0).max(200).nullable(),
    /** what was set, in the machine's unit; null where nothing is set */
    loadKg: z.number().min(0).max(1000).nullable(),
    how: z.string().max(80).nullable(),
    rangeFromDeg: angle,
    rangeToDeg: angle,
    /** null where it was not asked before this set */
    painBefore: painScore.nullable(),
    /** joint pain in the set */
    pain: painScore,
    /** repetitions left, as the client said; null where not asked */
    reserve: scale,
    /** felt effort, 0 to 10; null where not asked */
    felt: scale,
    early: earlyReason.nullable(),
    /** mean force between shin and pad, N; null without a load cell */
    meanForceN: z.number().min(0).max(3000).nullable(),
    countedBy: z.enum(["tap", "sensor", "cell", "clock"]),
    /** what was seen of it; empty: clean, or nobody looked */
    faults: seenFaults.default([]),
    /** pain in it in other regions than the joint; empty: none, or not asked */
    elsewhere: painsElsewhere.default([]),
    worn: aid.shape.worn.default("none"),
    help: aid.shape.help.default("none"),
  })
  .refine((r) => !r.voided || r.corrects !== null, {
    path: ["corrects"],
    error: "input.taken_back_set",
  });
export type SetRecord = z.infer<typeof setRecord>;

/** The records that stand: not corrected, not taken back, in the order in which they were done. */
export function standing<T extends Pick<SetRecord, "id" | "corrects" | "voided" | "startedAt">>(
  records: readonly T[],
): T[] {
  const corrected = new Set(records.map((r) => r.corrects).filter((id) => id !== null));
  return records
    .filter((r) => !corrected.has(r.id) && !r.voided)
    .map((r) => ({ r, at: Date.parse(r.startedAt) }))
    .sort((a, b) => a.at - b.at)
    .map(({ r }) => r);
}
