/** Tone of a share of the largest load: four even steps, the same order as the ridge's height. */
export const rampTone = (share: number): string =>
  `var(--ramp-${share < 0.25 ? 1 : share < 0.5 ? 2 : share < 0.75 ? 3 : 4})`;
