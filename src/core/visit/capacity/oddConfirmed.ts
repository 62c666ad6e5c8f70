import { z } from "zod";
import { uuid } from "../../units/fields";

/** Somebody who knows says that the odd sets of a visit were really so. Rule L7. */
export const oddConfirmed = z.object({ id: uuid, visitId: uuid });
