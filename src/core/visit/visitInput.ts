import { z } from "zod";
import { ACTIONS } from "../progression/safetyRules";
import { besides } from "../schedule/activity";
import { soreness } from "../schedule/soreness";
import { SWAP_REASON_IDS } from "../selection/swap/swap";
import { painScore, swellingGrade, textField, uuid } from "../units/fields";
import { painsElsewhere } from "../units/painRegion";
import { wrong } from "../units/wrong";
import { RECHECK_SIGNS } from "./signs/recheckSigns";
import { logEntry } from "./visitEvent";

const reason = textField("reason", 500).min(3, { error: wrong("input.text_few", { field: "reason" }) });

export const recheckInput = z
  .object({ id: uuid, isClear: z.boolean(), signs: z.array(z.enum(RECHECK_SIGNS)).max(RECHECK_SIGNS.length) })
  .refine((r) => r.isClear === (r.signs.length === 0), {
    path: ["signs"],
    error: "input.mark_sign",
  });

export const clearanceInput = z.object({ id: uuid, clears: uuid, reason });

/** A moment of a device's own clock, in whatever year it thinks it is; what it comes to is the clinic's to say. */
export const deviceMoment = z
  .string()
  .max(40)
  .refine((s) => !Number.isNaN(Date.parse(s)), { error: "input.no_moment" });

export const startInput = z.object({
  id: uuid,
  versionId: uuid,
  recheckId: uuid,
  startedAt: deviceMoment,
});

/** One entry of a visit's log, with its place in it. */
export const entryInput = z.object({ seq: z.number().int().min(1).max(5000), entry: logEntry });

export const swapAsked = z.object({
  lineId: uuid,
  reason: z.enum(SWAP_REASON_IDS, { error: "input.swap_why" }),
});

export const morningInput = z.object({
  id: uuid,
  visitId: uuid,
  corrects: uuid.nullable(),
  pain: painScore,
  swelling: swellingGrade.nullable(),
  stiffnessMin: z
    .number({ error: "input.stiffness" })
    .int({ error: "input.stiffness_whole" })
    .min(0, { error: "input.stiffness_range" })
    .max(600, { error: "input.stiffness_range" })
    .nullable(),
  /** what else was done on the day of the visit; empty: nothing, null: not asked. Rule Besides 2 */
  besides: besides.optional(),
  /** pain in other regions than the joint. Rule Region 4 */
  regions: painsElsewhere.optional(),
  /** of the muscles, not the joint. Rule Sore 1 */
  soreness: soreness.optional(),
});

const action = z.enum(ACTIONS);

/** Decisions for lines of a visit, together. */
export const decisionsTaken = z.object({
  visitId: uuid,
  lines: z
    .array(
      z
        .object({
          id: uuid,
          /** null: one decision for all lines */
          lineId: uuid.nullable(),
          action,
          /** what the person saw; if the facts changed meanwhile, nothing is taken */
          computedAction: action,
          overrideReason: reason.nullable(),
        })
        .refine((d) => (d.action === d.computedAction) === (d.overrideReason === null), {
          path: ["overrideReason"],
          error: "input.other_decision_why",
        }),
    )
    .min(1, { error: "input.nothing_decided" })
    .max(16, { error: "input.many_decisions" }),
});
export type DecisionsTaken = z.infer<typeof decisionsTaken>;
