import { z } from "zod";
import { uuid } from "@/core/units/fields";

/** A row as Choose hands it over: exercise, machine, set-up. It stands in the address, so that it can be opened again. */
export const handedOver = z.object({
  exerciseId: z.string().min(1).max(60),
  machineId: uuid.nullable(),
  settings: z.record(z.string().max(40), z.number()).nullable(),
});
export type HandedOver = z.infer<typeof handedOver>;

export const handOverQuery = (h: HandedOver): string => `add=${encodeURIComponent(JSON.stringify(h))}`;

/** What stands in the address, or null where nothing or nonsense does. */
export function readHandedOver(text: string | null): HandedOver | null {
  if (!text) return null;
  try {
    return handedOver.safeParse(JSON.parse(text)).data ?? null;
  } catch {
    return null;
  }
}
