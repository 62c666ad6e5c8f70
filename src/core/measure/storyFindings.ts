import type { Side } from "../units/fields";
import type { DatedMeasurement } from "./findings";

/** What the story took by question and hand. */
export interface StoryFindings {
  takenOn: string;
  side: Side;
  painNow: number;
  /** null: swelling does not apply */
  swellingGrade: number | null;
}

/**
 * Measurements with what the story took, so that no page says "never measured" of what was asked on the first day. What
 * was measured later is newer and counts.
 */
export const withStory = <M extends DatedMeasurement>(
  measured: readonly M[],
  story: StoryFindings,
): (M | DatedMeasurement)[] => [
  ...measured,
  { kind: "daily_pain", side: null, value: story.painNow, way: null, takenOn: story.takenOn },
  ...(story.swellingGrade === null
    ? []
    : [
        {
          kind: "swelling" as const,
          side: story.side,
          value: story.swellingGrade,
          way: null,
          takenOn: story.takenOn,
        },
      ]),
];
