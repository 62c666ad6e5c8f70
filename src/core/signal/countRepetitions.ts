/** What an angle trace says of a set so far. */
export interface CountedRepetitions {
  reps: number;
  /** the narrowest range that a whole repetition reached; null before the first */
  range: { fromDeg: number; toDeg: number } | null;
  /** the last whole repetition reached less of the planned range than counts as one */
  lostRange: boolean;
}

/** Below this share of the planned range a repetition lost its range (dosing rules E2, R6). */
const LOST_BELOW = 0.85;
/** A turn counts when the angle came back over this share of the planned range. */
const TURN = 0.5;

/**
 * Counts whole repetitions in an angle trace: out to one end and back. A turn of less than half of the planned range is
 * a wobble. Angles in degrees of knee flexion.
 */
export function countRepetitions(
  angleDeg: readonly number[],
  planned: { fromDeg: number; toDeg: number },
): CountedRepetitions {
  const wide = planned.toDeg - planned.fromDeg;
  const turn = TURN * wide;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  let isGoingOut = true;
  let reps = 0;
  let range: CountedRepetitions["range"] = null;
  let lostRange = false;
  let start = low;
  for (const a of angleDeg) {
    if (isGoingOut) {
      low = Math.min(low, a);
      high = Math.max(high, a);
      start = Math.min(start, a);
      if (high - low >= turn && high - a >= turn) {
        isGoingOut = false;
        low = a;
      }
    } else {
      low = Math.min(low, a);
      if (a - low < turn * 0.2 || high - low < turn) continue;
      // back at the start: one repetition is whole
      reps += 1;
      const reached = { fromDeg: Math.max(start, low), toDeg: high };
      lostRange = reached.toDeg - reached.fromDeg < LOST_BELOW * wide;
      range = range
        ? { fromDeg: Math.max(range.fromDeg, reached.fromDeg), toDeg: Math.min(range.toDeg, reached.toDeg) }
        : reached;
      isGoingOut = true;
      start = low;
      high = a;
      low = a;
    }
  }
  return { reps, range, lostRange };
}
