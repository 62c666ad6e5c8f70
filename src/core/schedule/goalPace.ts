/** Weeks to a goal, as a range; null ends: more than a year. */
export interface WeeksToGoal {
  soonest: number;
  latest: number | null;
}

/** Eight of ten: the standard score of each end. */
const Z = 1.2816;
const LONGEST_WEEKS = 52;
const LEAST_STEPS = 2;
const LEAST_WEEKS = 2;

/**
 * How long the steps that are left take at the client's own pace: `stepsDone` within `weeks`. The pace is a rate of rare
 * events, so its 80 % range is that of a Poisson count (Wilson and Hilferty's approximation). Null where too little was
 * done to say: fewer than two steps, or less than two weeks.
 */
export function weeksToGoal(stepsLeft: number, stepsDone: number, weeks: number): WeeksToGoal | null {
  if (stepsLeft <= 0) return { soonest: 0, latest: 0 };
  if (stepsDone < LEAST_STEPS || weeks < LEAST_WEEKS) return null;
  const k = stepsDone;
  const low = k * (1 - 1 / (9 * k) - Z / (3 * Math.sqrt(k))) ** 3;
  const high = (k + 1) * (1 - 1 / (9 * (k + 1)) + Z / (3 * Math.sqrt(k + 1))) ** 3;
  const latest = low <= 0 ? Number.POSITIVE_INFINITY : Math.ceil((stepsLeft * weeks) / low);
  return {
    soonest: Math.max(1, Math.floor((stepsLeft * weeks) / high)),
    latest: latest > LONGEST_WEEKS ? null : latest,
  };
}
