import { InputError } from "./inputError";

/** Whole days from one ISO date to another. */
export function daysBetween(from: string, to: string): number {
  const days = (Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000;
  if (!Number.isFinite(days)) throw new InputError("date", "This is not a date: write it as year-month-day.");
  return Math.round(days);
}

/** Full weeks gone by, never below zero: the clock of a condition's phases. */
export const fullWeeksBetween = (from: string, to: string): number =>
  Math.max(0, Math.floor(daysBetween(from, to) / 7));

/** Years of age reached in the year of a day: only the year of birth is kept. */
export const ageYearsOn = (today: string, birthYear: number): number => Number(today.slice(0, 4)) - birthYear;
