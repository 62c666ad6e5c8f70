import { z } from "zod";
import { uuid } from "../../units/fields";
import { RECHECK_SIGNS } from "../signs/recheckSigns";
import { deviceMoment } from "../visitInput";

/** How a client begins at home: the warning signs first, and the visit only where there is none. Sent together, as a
 * phone may be without a network. */
export const homeStart = z
  .object({
    recheckId: uuid,
    signs: z.array(z.enum(RECHECK_SIGNS)).max(RECHECK_SIGNS.length),
    visit: z.object({ id: uuid, versionId: uuid }).nullable(),
    at: deviceMoment,
    /** an earlier link could not bring it, and this one takes it over */
    isHandedOver: z.boolean().optional(),
  })
  .refine((h) => (h.signs.length === 0) === (h.visit !== null), {
    path: ["visit"],
    error: "input.sign_no_start",
  });
