import { z } from "zod";
import { painScore, uuid } from "../units/fields";

/** Why a hold ended before its time. */
export const earlyReason = z.enum(["muscle", "joint_pain", "position", "other"]);
export type EarlyReason = z.infer<typeof earlyReason>;

export const EARLY_WORDS: Record<EarlyReason, string> = {
  muscle: "muscle gave out",
  joint_pain: "joint pain",
  position: "position lost",
  other: "something else",
};

/**
 * One hold as it was really done. Append-only: the id is made where it is logged, so sending it twice changes nothing;
 * a correction is a new record that names the old one, `voided` takes the old one back.
 */
export const holdRecord = z
  .object({
    id: uuid,
    seq: z.number().int().min(1).max(60),
    corrects: uuid.nullable(),
    voided: z.boolean(),
    startedAt: z.iso.datetime(),
    heldS: z.number().min(0).max(300),
    painBefore: painScore,
    painAfter: painScore,
    early: earlyReason.nullable(),
    /** mean force between shin and pad while it was held, N; null without a load cell */
    meanForceN: z.number().min(0).max(3000).nullable(),
  })
  .refine((r) => !r.voided || r.corrects !== null, {
    path: ["corrects"],
    error: "Taking a hold back must name the hold.",
  });
export type HoldRecord = z.infer<typeof holdRecord>;

/** The records that stand: not corrected, not taken back, in order of holds. */
export function standing<T extends Pick<HoldRecord, "id" | "corrects" | "voided" | "seq">>(
  records: readonly T[],
): T[] {
  const corrected = new Set(records.map((r) => r.corrects).filter((id) => id !== null));
  return records.filter((r) => !corrected.has(r.id) && !r.voided).sort((a, b) => a.seq - b.seq);
}
