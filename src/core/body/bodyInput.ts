import { z } from "zod";
import { bodyMassKg, heightM, numberField } from "../units/fields";

/** Body measures that torque and dose depend on; shank length only if it was measured. */
export const bodyInput = z.object({
  bodyMassKg,
  heightM,
  shankLengthM: numberField("Shank length", "m", 0.2, 0.6, "Knee joint line to the outer ankle.").nullable(),
});
export type BodyInput = z.infer<typeof bodyInput>;
