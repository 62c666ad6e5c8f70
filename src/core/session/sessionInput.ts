import { z } from "zod";
import { painScore, swellingGrade, uuid } from "../units/fields";
import { RECHECK_SIGNS } from "./recheckSigns";

const words = (what: string) =>
  z
    .string({ error: `${what} is missing.` })
    .trim()
    .min(3, { error: `Say ${what.toLowerCase()} in a few words.` })
    .max(500, {
      error: `${what} is longer than 500 characters.`,
    });

export const recheckInput = z
  .object({ id: uuid, isClear: z.boolean(), signs: z.array(z.enum(RECHECK_SIGNS)).max(RECHECK_SIGNS.length) })
  .refine((r) => r.isClear === (r.signs.length === 0), {
    path: ["signs"],
    error: "Mark which warning sign it is, or none.",
  });

export const clearanceInput = z.object({ id: uuid, clears: uuid, reason: words("The reason") });

export const startInput = z.object({ id: uuid, planId: uuid, recheckId: uuid, startedAt: z.iso.datetime() });

export const endInput = z.object({
  endedAt: z.iso.datetime(),
  /** on arrival, also when it ended the session before the first hold */
  painAtStart: painScore.nullable(),
  painAtEnd: painScore,
  feltEffort: z.number({ error: "Choose felt effort from 0 to 10." }).min(0).max(10).nullable(),
  stopped: z.string().max(200).nullable(),
});

export const morningInput = z.object({
  id: uuid,
  sessionId: uuid,
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

export const decisionTaken = z
  .object({
    id: uuid,
    sessionId: uuid,
    action: z.enum(["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"]),
    /** what the person saw; if the facts changed meanwhile, nothing is taken */
    computedAction: z.enum(["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"]),
    overrideReason: words("The reason").nullable(),
  })
  .refine((d) => (d.action === d.computedAction) === (d.overrideReason === null), {
    path: ["overrideReason"],
    error: "Another decision than the computed one needs a reason.",
  });
export type DecisionTaken = z.infer<typeof decisionTaken>;
