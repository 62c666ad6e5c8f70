import { z } from "zod";

/** How sure a rule is. Sources were cited from memory: "unverified citation" until the clinic's lead has checked one. */
export const confidence = z.enum(["high", "moderate", "low"]);
