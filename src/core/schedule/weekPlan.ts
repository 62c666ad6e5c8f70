/** What is wanted in a week, in days of each kind. */
export interface WeekDemand {
  strength: number;
  /** one at most: 7 to 10 days apart */
  accumulated: number;
  iso: number;
  stretch: number;
}
type Kind = keyof WeekDemand;

export interface WeekQuestion {
  demand: WeekDemand;
  /** minutes that a day of each kind takes */
  minutes: Readonly<Record<Kind, number>>;
  /** minutes there are on each of the seven days; 0: none */
  available: readonly number[];
  /** 0 to 1 for each day, 1 the dearest to the client; 0 where nothing was said */
  preference?: readonly number[];
}

export interface WeekPlan {
  strength: number[];
  accumulated: number | null;
  iso: number[];
  stretch: number[];
  /** days of each kind that had to be left out */
  dropped: Partial<Record<Kind, number>>;
  cost: number;
}

const DAYS = 7;
/** Days from one hard leg day to the next, and after an accumulated set. Dosing rules G1. */
const HARD_GAP = 2;
const AFTER_ACCUMULATED = 3;
const MOST_HARD = 4;
/** What leaving out a day of a kind loses. Dosing rules G2 [own]. */
const LOSS: Readonly<Record<Kind, number>> = { strength: 3, iso: 2, accumulated: 1.5, stretch: 1 };

/**
 * Days for each kind of work by exact search: spacing, minutes and availability are hard, even spread and few days are
 * the cost. Where all of it does not fit, the least loss is left out and said. Dosing rules G1-G2.
 */
export function weekPlan(q: WeekQuestion): WeekPlan {
  for (const demand of reductions(q.demand)) {
    const found = cheapest({ ...q, demand });
    if (!found) continue;
    const dropped: WeekPlan["dropped"] = {};
    for (const kind of Object.keys(LOSS) as Kind[])
      if (q.demand[kind] > demand[kind]) dropped[kind] = q.demand[kind] - demand[kind];
    return { ...found, dropped };
  }
  return { strength: [], accumulated: null, iso: [], stretch: [], dropped: { ...q.demand }, cost: 0 };
}

/** Demands from the whole one down to nothing, by what they lose. */
function reductions(full: WeekDemand): WeekDemand[] {
  const all: { demand: WeekDemand; loss: number }[] = [];
  for (let strength = 0; strength <= full.strength; strength++)
    for (let accumulated = 0; accumulated <= full.accumulated; accumulated++)
      for (let iso = 0; iso <= full.iso; iso++)
        for (let stretch = 0; stretch <= full.stretch; stretch++) {
          const demand = { strength, accumulated, iso, stretch };
          const loss = (Object.keys(LOSS) as Kind[]).reduce(
            (sum, k) => sum + LOSS[k] * (full[k] - demand[k]),
            0,
          );
          all.push({ demand, loss });
        }
  return all.sort((a, b) => a.loss - b.loss).map((x) => x.demand);
}

/** All ways to choose so many of the seven days, in the order of the days. */
const CHOICES: readonly (readonly number[])[][] = Array.from({ length: DAYS + 1 }, (_, count) =>
  Array.from({ length: 1 << DAYS }, (_, mask) => [...Array(DAYS).keys()].filter((d) => mask & (1 << d)))
    .filter((days) => days.length === count)
    .sort((a, b) => a.join().localeCompare(b.join())),
);

const gap = (from: number, to: number): number => ((to - from + DAYS - 1) % DAYS) + 1;

/** Variance of the gaps around the circular week; nothing for fewer than two days. */
function spread(days: readonly number[]): number {
  if (days.length < 2) return 0;
  const gaps = days.map((d, i) => gap(d, days[(i + 1) % days.length] as number));
  const mean = DAYS / days.length;
  return gaps.reduce((sum, g) => sum + (g - mean) ** 2, 0) / gaps.length;
}

function isSpaced(hard: readonly number[], accumulated: number | null): boolean {
  if (hard.length > MOST_HARD) return false;
  return hard.every((d, i) => {
    const next = hard[(i + 1) % hard.length] as number;
    return gap(d, next) >= (d === accumulated ? AFTER_ACCUMULATED : HARD_GAP);
  });
}

function cheapest(q: WeekQuestion): Omit<WeekPlan, "dropped"> | null {
  const { demand, minutes, available } = q;
  let best: Omit<WeekPlan, "dropped"> | null = null;
  const left = [...available];
  const take = (days: readonly number[], each: number): boolean => {
    for (const d of days) left[d] = (left[d] as number) - each;
    return days.every((d) => (available[d] as number) > 0 && (left[d] as number) >= 0);
  };
  const giveBack = (days: readonly number[], each: number) => {
    for (const d of days) left[d] = (left[d] as number) + each;
  };
  const choices = (kind: "strength" | "iso" | "stretch") => CHOICES[Math.min(DAYS, demand[kind])] ?? [];
  const accumulatedDays = demand.accumulated > 0 ? [...Array(DAYS).keys()] : [null];
  for (const strength of choices("strength")) {
    const fits = take(strength, minutes.strength);
    for (const accumulated of fits ? accumulatedDays : []) {
      const own = accumulated === null ? [] : [accumulated];
      const hard = [...new Set([...strength, ...own])].sort((a, b) => a - b);
      const isApart = accumulated === null || !strength.includes(accumulated);
      const fitsToo = take(own, minutes.accumulated);
      if (fitsToo && isApart && isSpaced(hard, accumulated))
        for (const iso of choices("iso")) {
          if (take(iso, minutes.iso))
            for (const stretch of choices("stretch")) {
              if (take(stretch, minutes.stretch)) {
                const cost = costOf(q, { strength, hard, accumulated, iso, stretch });
                if (!best || cost < best.cost - 1e-9)
                  best = {
                    strength: [...strength],
                    accumulated,
                    iso: [...iso],
                    stretch: [...stretch],
                    cost,
                  };
              }
              giveBack(stretch, minutes.stretch);
            }
          giveBack(iso, minutes.iso);
        }
      giveBack(own, minutes.accumulated);
    }
    giveBack(strength, minutes.strength);
  }
  return best;
}

/** Weights of dosing rules G2 [own]. */
function costOf(
  q: WeekQuestion,
  w: {
    strength: readonly number[];
    hard: readonly number[];
    accumulated: number | null;
    iso: readonly number[];
    stretch: readonly number[];
  },
): number {
  const used = new Set([...w.hard, ...w.iso, ...w.stretch]);
  const days = [...used].reduce((sum, d) => sum + 0.2 + 0.3 * (1 - (q.preference?.[d] ?? 0)), 0);
  const after = w.accumulated === null ? -1 : (w.accumulated + 1) % DAYS;
  return (
    spread(w.strength) +
    0.5 * spread(w.hard) +
    0.6 * spread(w.iso) +
    0.2 * spread(w.stretch) +
    days +
    (w.iso.includes(after) ? 0.1 : 0)
  );
}
