/** Which part of the body an episode is about. */
export type Part = "knee" | "hip" | "back" | "leg";
