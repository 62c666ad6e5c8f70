import type { Exercise } from "../rules/exercises";
import type { Scheme } from "../sheet/schemes/scheme";
import type { DraftLine } from "./draftLine";

/** What a line that no draft wrote begins with, moved and held [own]. */
export const ADDED_SETS: Extract<Scheme, { kind: "straight" }> = {
  kind: "straight",
  sets: 2,
  reps: 12,
  reserve: 4,
  tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
  restS: 60,
};
const ADDED_HOLDS: Scheme = {
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 10,
  restS: 20,
  setRestS: 60,
  effort: { kind: "felt", felt: 4 },
  atDeg: null,
};

export const addedScheme = (e: Exercise): Scheme => (e.match.static_hold ? ADDED_HOLDS : ADDED_SETS);

/** How another exercise is done in the place of a line: a held one is held, a moved one moves; else as the line was. */
export function schemeInPlaceOf(l: DraftLine, e: Exercise): Pick<DraftLine, "scheme" | "window"> {
  const wasHeld = l.scheme.kind === "holds";
  // extension with the foot free is held as well as moved
  const mayStay = e.match.static_hold ? wasHeld : !wasHeld || e.match.class === "open_knee_extension";
  return mayStay ? { scheme: l.scheme, window: l.window } : { scheme: addedScheme(e), window: null };
}
