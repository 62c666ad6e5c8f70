/** What is done every day bounds strength from below where nobody tested it (corrections K2). */
export const RISE_IDS = ["yes", "hands", "no"] as const;
export const CLIMB_IDS = ["yes", "rail", "no"] as const;
/** Strength training in life: under half a year of it; more, but the last time over a year ago; more, and within the year. */
export const BACKGROUND_IDS = ["new", "away", "trained"] as const;
export type Background = (typeof BACKGROUND_IDS)[number];

/** With fewer visits behind them people count as novices [own]. */
export const NOVICE_VISITS = 8;

/** Whether special sets wait: until eight visits, for everybody but who has trained within the year. Rule Background. */
export const isNovice = (background: Background | null, visits: number): boolean =>
  background !== "trained" && visits < NOVICE_VISITS;

/** How many of the first visits are those of somebody who judges what is left less well: only where it is known. Rule Background. */
export const noviceVisits = (background: Background | null): number =>
  background === "new" || background === "away" ? NOVICE_VISITS : 0;

export type Rises = (typeof RISE_IDS)[number];
export type Climbs = (typeof CLIMB_IDS)[number];
