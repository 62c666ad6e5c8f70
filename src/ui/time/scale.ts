import { scaleUtc } from "d3";

/** The time line's drawing: every row has the same place for its days. Units of the drawing, about pixels at 1280. */
export const TIME = { width: 600, left: 44, right: 588 } as const;

export const atMidnight = (isoDay: string): Date => new Date(`${isoDay}T00:00:00Z`);
export const isoOf = (at: Date): string => at.toISOString().slice(0, 10);

/** Days to the drawing's x, over an episode. */
export const timeScale = (from: string, to: string) =>
  scaleUtc([atMidnight(from), atMidnight(to)], [TIME.left, TIME.right]);

const DAY_MS = 86_400_000;
const MOST_TICKS = 12;

/** Whole weeks (or years, where there are many) since the first day, each with its day. */
export function weekTicks(from: string, to: string): { words: string; on: Date }[] {
  const start = atMidnight(from).getTime();
  const weeks = Math.floor((atMidnight(to).getTime() - start) / (7 * DAY_MS));
  const step = [1, 2, 4, 8, 13, 26, 52, 104, 260, 520].find((s) => weeks / s <= MOST_TICKS) ?? 520;
  return Array.from({ length: Math.floor(weeks / step) + 1 }, (_, i) => ({
    words: step >= 52 ? `${(i * step) / 52} y` : String(i * step),
    on: new Date(start + i * step * 7 * DAY_MS),
  }));
}
