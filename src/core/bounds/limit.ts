import { z } from "zod";
import { BOUND_KIND_IDS, boundKind } from "./kinds";

export const limitOrigin = z.enum(["surgeon", "therapist", "condition", "warning_sign", "clinic"]);

/** One bound with who set it, why and until when (ISO dates). What low, high, word and names mean: BOUND_KINDS. */
export const limit = z.object({
  id: z.string(),
  kind: z.enum(BOUND_KIND_IDS),
  /** in the kind's unit; null: open on that side */
  low: z.number().nullable(),
  high: z.number().nullable(),
  /** a step of the kind's scale */
  word: z.string().nullable().default(null),
  /** what is barred by name: an exercise's id, "class:…", "position:…", or a kind of stress */
  names: z.array(z.string()).default([]),
  origin: limitOrigin,
  reason: z.string(),
  /** of a phase: the phase, and what is said of this kind alone */
  ofPhase: z.object({ because: z.string(), detail: z.string() }).optional(),
  endsOn: z.iso.date().nullable(),
});
export type Limit = z.infer<typeof limit>;

export const isInForce = (l: Limit, onDate: string): boolean => l.endsOn === null || onDate <= l.endsOn;

/** Whether a limit bounds anything at all: less than all that its kind can be. */
export function bindsAnything(l: Limit): boolean {
  const spec = boundKind(l.kind);
  if (spec.shape === "names") return l.names.length > 0;
  const isLow = l.low !== null && l.low > (spec.least ?? 0);
  const isHigh = l.high !== null && l.high < (spec.most ?? 130);
  const isWord = spec.shape === "word" && l.word !== null && l.word !== spec.scale.at(-1);
  return isLow || isHigh || isWord;
}
