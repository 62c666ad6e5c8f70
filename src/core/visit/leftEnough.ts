/** At most one repetition less was left than was aimed at, or nobody asked or said. Rule L9. */
export const leftEnough = (left: number | null, aim: number | null): boolean =>
  left === null || aim === null || left >= aim - 1;
