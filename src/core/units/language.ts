import { z } from "zod";

/** Languages of the client's own pages and papers; the desk is in the first. */
export const LANGUAGES = ["en", "de"] as const;
export type Language = (typeof LANGUAGES)[number];

export const languageInput = z.object({ language: z.enum(LANGUAGES, { error: "input.choose_language" }) });
