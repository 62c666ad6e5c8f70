/** What is done every day bounds strength from below where nobody tested it (corrections K2). */
export const RISE_IDS = ["yes", "hands", "no"] as const;
export const CLIMB_IDS = ["yes", "rail", "no"] as const;
export type Rises = (typeof RISE_IDS)[number];
export type Climbs = (typeof CLIMB_IDS)[number];
