import { z } from "zod";

/** Ways to write days and numbers that are offered. */
export const LOCALES = ["en-GB", "en-US", "en-CA", "en-AU", "de-DE", "fr-FR", "nl-NL", "sv-SE"] as const;

/** What somebody who is signed in wants; it changes how things are shown and never what is stored. */
export const preferences = z.object({
  massUnit: z.enum(["kg", "lb"], { error: "input.choose_mass_unit" }),
  locale: z.enum(LOCALES, { error: "input.choose_regional" }),
  keysOn: z.boolean({ error: "input.choose_shortcuts" }),
  soundOn: z.boolean({ error: "input.choose_tones" }),
});
export type Preferences = z.infer<typeof preferences>;
