import { type Said, saidWith } from "../units/said";

/** The morning after begins at this hour at the clinic's place (corrections K8). */
export const MORNING_FROM_HOUR = 4;
export const OPENS_AT = `${String(MORNING_FROM_HOUR).padStart(2, "0")}:00`;

/**
 * A next-morning answer belongs to the next calendar day, from 04:00 at the clinic. Null when it can be given; otherwise
 * said, with the time from which it can. Days are ISO dates at the clinic, `hour` 0 to 23.
 */
export function morningNotYet(sessionDay: string, now: { day: string; hour: number }): Said | null {
  const [y, m, d] = sessionDay.split("-").map(Number) as [number, number, number];
  const next = new Date(Date.UTC(y, m - 1, d + 1)).toISOString().slice(0, 10);
  if (now.day > next || (now.day === next && now.hour >= MORNING_FROM_HOUR)) return null;
  return saidWith("floor.morning_from", { on: next });
}
