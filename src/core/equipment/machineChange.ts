import { z } from "zod";
import { uuid } from "../units/fields";

/** Somebody changed a machine itself, on a day: a cable, a pulley, a lever. */
export const machineChange = z.object({
  id: uuid,
  changedOn: z.iso.date({ error: "input.machine_change_day" }),
  what: z
    .string({ error: "input.machine_change" })
    .trim()
    .min(3, { error: "input.machine_change" })
    .max(200, { error: "input.machine_change" }),
});
export type MachineChange = z.infer<typeof machineChange>;
