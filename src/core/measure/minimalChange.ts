/** Smallest change that is more than measurement error, from the spread between people and the test's reliability. */
export const minimalDetectableChange = (sd: number, icc: number): number =>
  1.96 * Math.SQRT2 * sd * Math.sqrt(1 - icc);
