/** What to do after days without work: go on, take one step back, or begin again from a test. */
export type Return = "same" | "step_back" | "start_again";

/** From so many days off one step back, and from so many a new beginning [own: 3, 10 and 30 days were the examples]. */
const STEP_BACK_FROM_DAYS = 10;
const START_AGAIN_FROM_DAYS = 28;

/** After `daysOff` whole days without any visit. */
export const returnAfter = (daysOff: number): Return =>
  daysOff >= START_AGAIN_FROM_DAYS ? "start_again" : daysOff >= STEP_BACK_FROM_DAYS ? "step_back" : "same";

/** Why somebody was away. */
export const AWAY = ["busy", "travel", "ill", "bed", "brace", "sore", "other"] as const;
export type Away = (typeof AWAY)[number];

/** Away for one of these, days are lost faster: it is asked how many. Rule L5. */
export const losesFaster = (a: Away): boolean => a === "ill" || a === "bed" || a === "brace";
