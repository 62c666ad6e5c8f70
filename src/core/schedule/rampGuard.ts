export interface RampGuard {
  allowed: number;
  cap: number | null;
  /** planned over the mean of the last four weeks; null without history */
  ratio: number | null;
  status: "ok" | "trimmed" | "no_history";
}

const LAST_WEEKS = 4;

/**
 * The most of a week's dose against the weeks before it. A week far below the best of the last four does not count as
 * the new base. `floor`: one set or three hard repetitions, so that tiny bases may grow. Dosing rules G4.
 */
export function rampGuard(planned: number, history: readonly number[], floor = 1): RampGuard {
  const last4 = history.slice(-LAST_WEEKS);
  const last = last4.at(-1);
  if (last === undefined) return { allowed: planned, cap: null, ratio: null, status: "no_history" };
  const top = Math.max(...last4);
  const mean = last4.reduce((sum, x) => sum + x, 0) / last4.length;
  const base = last < 0.6 * top ? Math.min(0.8 * top, Math.max(last, mean)) : last;
  const cap = Math.min(Math.max(1.1 * base, base + floor), Math.max(1.3 * mean, mean + floor));
  return {
    allowed: Math.min(planned, cap),
    cap,
    ratio: mean > 0 ? planned / mean : null,
    status: planned > cap + 1e-9 ? "trimmed" : "ok",
  };
}
