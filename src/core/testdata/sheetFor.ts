import { bodyFrom } from "../body/segments";
import { TEMPLATES, templateOf } from "../equipment/templates";
import { EXERCISES } from "../rules/exercises";
import type { SheetInput } from "../selection/rank/rangeSheet";
import { chairRise, type ReferenceTask } from "../selection/tissue/tissues";
import type { UntestedPerson } from "../strength/untestedStrength";
import { loadFacts } from "./loadFacts";

/** One machine of every kind, as templates have them. */
export const GYM = TEMPLATES.map((t) => ({ ...templateOf(t.family), id: t.family }));
export const NOT_MEASURED = { shortOfStraightDeg: null, bendDeg: null };

/** Everything the sheet of a made-up client is computed from: untested, in a whole gym, bounded by nothing. */
export const sheetFor = (
  body = bodyFrom(75, 1.75),
  over: Partial<SheetInput> = {},
  person?: UntestedPerson,
): SheetInput => ({
  ...loadFacts(body, person),
  exercises: EXERCISES,
  machines: GYM,
  motion: NOT_MEASURED,
  goalIds: [],
  later: [],
  chair: chairRise(body) as ReferenceTask,
  tissue: "kneecap",
  capTimes: null,
  basis: { kind: "effort", share: 0.5 },
  ...over,
});
