import { InputError } from "./inputError";

/** Whole days from one ISO date to another. */
export function daysBetween(from: string, to: string): number {
  const days = (Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000;
  if (!Number.isFinite(days)) throw new InputError("date", { code: "input.not_iso_date" });
  return Math.round(days);
}

/** Full weeks gone by, never below zero: the clock of a condition's phases. */
export const fullWeeksBetween = (from: string, to: string): number =>
  Math.max(0, Math.floor(daysBetween(from, to) / 7));

/** Years of age reached in the year of a day: only the year of birth is kept. */
export const ageYearsOn = (today: string, birthYear: number): number => Number(today.slice(0, 4)) - birthYear;

/** The ISO day so many days later. */
export function daysAfter(iso: string, days: number): string {
  const at = new Date(`${iso}T00:00:00Z`);
  if (Number.isNaN(at.getTime())) throw new InputError("date", { code: "input.not_iso_date" });
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
}

/** The later of two ISO days. */
export const laterOf = (a: string, b: string): string => [a, b].sort()[1] ?? a;

/** The earlier of two ISO days. */
export const earlierOf = (a: string, b: string): string => [a, b].sort()[0] ?? a;

/** 0 for Monday to 6 for Sunday. */
export const weekdayOf = (iso: string): number => (new Date(`${iso}T00:00:00Z`).getUTCDay() + 6) % 7;

/** The Monday of an ISO day's week. */
export const mondayOf = (iso: string): string => daysAfter(iso, -weekdayOf(iso));
