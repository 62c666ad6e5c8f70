/** What a muscle lifts slowly, of what it holds (mechanics rules 6 [assumed]). */
export const LIFTS_OF_HELD = 0.85;
