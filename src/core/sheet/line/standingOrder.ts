import { z } from "zod";

/** What a therapist lets a line do by itself when the morning is known: stay and step back, or also step up. */
export const standingOrder = z.object({
  allows: z.enum(["back", "up"], { error: "input.order_steps_up" }),
  /** the last day on which it works, ISO */
  untilOn: z.iso.date({ error: "input.order_ends" }),
  /** it steps up to here and no further; null: the limits alone */
  mostDeg: z.number().min(0).max(130).nullable(),
  mostKg: z.number().min(0).max(1000).nullable(),
  /** who gave it; set by the clinic when it is saved */
  by: z.string().max(120).nullish(),
});
