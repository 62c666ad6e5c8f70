import { z } from "zod";
import { ACTIONS } from "../progression/safetyRules";
import { SWAP_REASON_IDS } from "../selection/swap/swap";
import { painScore, swellingGrade, uuid } from "../units/fields";
import { RECHECK_SIGNS } from "./signs/recheckSigns";
import { logEntry } from "./visitEvent";

const words = (what: string) =>
  z
    .string({ error: `${what} is missing.` })
    .trim()
    .min(3, { error: `Say ${what.toLowerCase()} in a few words.` })
    .max(500, { error: `${what} is longer than 500 characters.` });

export const recheckInput = z
  .object({ id: uuid, isClear: z.boolean(), signs: z.array(z.enum(RECHECK_SIGNS)).max(RECHECK_SIGNS.length) })
  .refine((r) => r.isClear === (r.signs.length === 0), {
    path: ["signs"],
    error: "Mark which warning sign it is, or none.",
  });

export const clearanceInput = z.object({ id: uuid, clears: uuid, reason: words("The reason") });

/** A moment of a device's own clock, in whatever year it thinks it is; what it comes to is the clinic's to say. */
export const deviceMoment = z
  .string()
  .max(40)
  .refine((s) => !Number.isNaN(Date.parse(s)), { error: "This is no moment." });

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
  reason: z.enum(SWAP_REASON_IDS, { error: "Choose why it is swapped." }),
});

export const morningInput = z.object({
  id: uuid,
  visitId: uuid,
  corrects: uuid.nullable(),
  pain: painScore,
  swelling: swellingGrade.nullable(),
  stiffnessMin: z
    .number({ error: "Enter stiffness as minutes." })
    .int({ error: "Enter stiffness as whole minutes." })
    .min(0, { error: "Stiffness must be between 0 and 600 minutes." })
    .max(600, { error: "Stiffness must be between 0 and 600 minutes." })
    .nullable(),
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
          overrideReason: words("The reason").nullable(),
        })
        .refine((d) => (d.action === d.computedAction) === (d.overrideReason === null), {
          path: ["overrideReason"],
          error: "Another decision than the computed one needs a reason.",
        }),
    )
    .min(1, { error: "Nothing was decided." })
    .max(16, { error: "More decisions than a sheet has lines." }),
});
export type DecisionsTaken = z.infer<typeof decisionsTaken>;
