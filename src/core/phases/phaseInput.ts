import { z } from "zod";
import { uuid } from "../units/fields";

/** A therapist confirms another phase; `version` is the one the person started from. */
export const phaseChange = z.object({
  conditionRowId: uuid,
  version: z.number().int().min(1),
  phaseId: z.string().max(80),
  /** needed when a criterion is not met */
  reason: z.string().trim().max(500, { error: "input.reason_long" }).nullable(),
});
export type PhaseChange = z.infer<typeof phaseChange>;

/** A therapist ticks, or unticks, what the person can do, by the id of the criterion. */
export const functionalTick = z.object({
  conditionRowId: uuid,
  version: z.number().int().min(1),
  criterion: z.string().max(120),
  isMet: z.boolean(),
});
export type FunctionalTick = z.infer<typeof functionalTick>;
