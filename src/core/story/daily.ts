/** What is done every day bounds strength from below where nobody tested it (corrections K2). */
export const RISES = { yes: "without hands", hands: "with hands", no: "not" } as const;
export const CLIMBS = { yes: "foot over foot", rail: "with the rail", no: "not" } as const;
export type Rises = keyof typeof RISES;
export type Climbs = keyof typeof CLIMBS;
