import { z } from "zod";
import { painScore, textField } from "../units/fields";

/** Movements that may bring the pain on; "own": in the client's words. */
export const MARKER_IDS = [
  "half_squat",
  "step_down",
  "kneel",
  "rise",
  "walk_downhill",
  "long_sitting",
  "bend_forward",
  "own",
] as const;
export type MarkerId = (typeof MARKER_IDS)[number];
export const markerId = z.enum(MARKER_IDS, { error: "input.choose_marker" });

/** A movement that brings it on, with its dose in words: the same each time, so that its scores can be compared. */
const marker = z
  .object({ kind: markerId, words: textField("marker_dose", 60) })
  .refine((m) => m.kind !== "own" || m.words.length >= 3, {
    path: ["words"],
    error: "input.marker_words",
  });
export type Marker = z.infer<typeof marker>;

export const MOST_MARKERS = 3;

/** Each movement once: a score names it. */
export const markers = z
  .array(marker)
  .max(MOST_MARKERS, { error: "input.many_markers" })
  .refine((all) => new Set(all.map((m) => m.kind)).size === all.length, { error: "input.marker_once" });

/** How a movement was before the first set of a visit and after the last; null: not asked. */
export const markerScores = z.object({
  kind: markerId,
  before: painScore.nullable(),
  after: painScore.nullable(),
});
export type MarkerScores = z.infer<typeof markerScores>;

/** So many points are a change. Rule Marker 1. */
export const MARKER_CHANGE = 2;

/** What a visit did to a movement; null: one of its scores is missing. Rule Marker 1. */
export function markerMove({ before, after }: MarkerScores): "eased" | "stirred" | "same" | null {
  if (before === null || after === null) return null;
  if (before - after >= MARKER_CHANGE) return "eased";
  return after - before >= MARKER_CHANGE ? "stirred" : "same";
}

/** Visits with holds after which they are known to ease, and after which they are known not to [own]. */
const EASED_TWICE = 2;
const NEVER_IN = 4;

/**
 * Where holds belong by what they did to the movements, in visits that had some: in front once they eased one twice, behind
 * moving work where they never did in four; null: nothing says. Rule Marker 2.
 */
export function holdsBelong(visits: readonly (readonly MarkerScores[])[]): "front" | "behind" | null {
  const told = visits.map((v) => v.map(markerMove).filter((m) => m !== null)).filter((v) => v.length > 0);
  const eased = told.filter((v) => v.includes("eased")).length;
  if (eased >= EASED_TWICE) return "front";
  return eased === 0 && told.length >= NEVER_IN ? "behind" : null;
}
