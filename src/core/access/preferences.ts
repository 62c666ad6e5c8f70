import { z } from "zod";

/** Ways to write days and numbers that are offered, each with an example of a day. */
export const LOCALES = {
  "en-GB": "28 Nov 2026, 1,234.5",
  "en-US": "Nov 28, 2026, 1,234.5",
  "en-CA": "Nov 28, 2026, kilograms and metres",
  "en-AU": "28 Nov 2026",
  "de-DE": "28. Nov. 2026, 1.234,5",
  "fr-FR": "28 nov. 2026, 1 234,5",
  "nl-NL": "28 nov 2026, 1.234,5",
  "sv-SE": "28 nov. 2026, 1 234,5",
} as const;

/** What somebody who is signed in wants; it changes how things are shown and never what is stored. */
export const preferences = z.object({
  massUnit: z.enum(["kg", "lb"], { error: "Choose kilograms or pounds." }),
  locale: z.enum(Object.keys(LOCALES) as [keyof typeof LOCALES, ...(keyof typeof LOCALES)[]], {
    error: "Choose how days and numbers are written.",
  }),
  keysOn: z.boolean({ error: "Say whether single letters do something." }),
  soundOn: z.boolean({ error: "Say whether tones are heard." }),
});
export type Preferences = z.infer<typeof preferences>;
