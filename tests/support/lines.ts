import { randomUUID } from "node:crypto";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import type { Scheme } from "@/core/sheet/schemes/scheme";

/** A mild arthritis in its building phase: most work is open to it. */
export const KNEE = { conditionId: "knee_oa", variantId: "mild", phaseId: "build", beganOn: "2026-01-05" };

export const STRAIGHT = {
  kind: "straight",
  sets: 3,
  reps: 10,
  reserve: 3,
  tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
  restS: 90,
} as const satisfies Scheme;

/** A line of a sheet with an identifier of its own. */
export const sheetLineOf = (
  exerciseId: string,
  scheme: Scheme,
  legs: SheetLine["legs"] = "together",
  over: Partial<SheetLine> = {},
): SheetLine => ({
  lineId: randomUUID(),
  exerciseId,
  scheme,
  legs,
  window: null,
  sharesRests: false,
  ...over,
});
