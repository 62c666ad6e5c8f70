import {
  ACCUMULATED_GAP_DAYS,
  type HardDay,
  isHard,
  tooClose,
  type WeekRule,
  type WeekSheet,
} from "./weekRules";

/** What is asked of one week. Days are 0 to 6; hard days of the weeks around it have numbers below 0 and above 6. */
export interface WeekQuestion {
  sheets: readonly WeekSheet[];
  /** minutes there are on each of the seven days; 0: not free */
  minutes: readonly number[];
  /** days on which the client comes to the clinic or another gym */
  gym: readonly boolean[];
  /** 0 to 1 for each day, 1 the dearest to the client; 0 where nothing was said */
  preference?: readonly number[];
  /** hard days before and after this week; "circular": the week follows itself */
  around: readonly HardDay[] | "circular";
  /** days that somebody chose by hand: they stay */
  pins?: Readonly<Record<string, readonly number[]>>;
  /** days of a usual week; another day costs a little */
  usual?: Readonly<Record<string, readonly number[]>>;
  /** the most of this week; null: no history says */
  most?: { hardReps: number | null; kneecapChairS: number | null };
}

/** What could not be had of a sheet, with the rules that stood in its way: each alone, or only together. */
export interface Dropped {
  sheetId: string;
  times: number;
  because: WeekRule[];
  areTogether: boolean;
}

export interface SolvedWeek {
  days: Record<string, number[]>;
  dropped: Dropped[];
  cost: number;
  nodes: number;
}

const DAYS = 7;
/** What leaving out a day of a kind loses. Dosing rules G2 [own]. */
const LOSS = { strength: 3, iso: 2, accumulated: 1.5, stretch: 1 } as const;
/** Weights of even spread by kind, of any used day, of holds the day after an accumulated set. Dosing rules G2 [own]. */
const SPREAD = { strength: 1, hard: 0.5, iso: 0.6, stretch: 0.2 } as const;
const USED_DAY = 0.2;
const UNLOVED_DAY = 0.3;
const ISO_AFTER_ACCUMULATED = 0.1;
const UNUSUAL_DAY = 0.05;
const WHOLE_DAY_MIN = 1440;

/** All ways to choose so many of the seven days, in the order of the days. */
const CHOICES: readonly (readonly number[])[][] = Array.from({ length: DAYS + 1 }, (_, count) =>
  Array.from({ length: 1 << DAYS }, (_, mask) => [...Array(DAYS).keys()].filter((d) => mask & (1 << d)))
    .filter((days) => days.length === count)
    .sort((a, b) => a.join().localeCompare(b.join())),
);

/**
 * Days for each sheet by exact search: free days, minutes, spacing, what somebody pinned and the week's most are hard;
 * even spread and few days are the cost. Where all of it does not fit, the least loss is left out, with the rules that
 * stood in the way. Dosing rules G1 and G2.
 */
export function solveWeek(q: WeekQuestion): SolvedWeek {
  const { found, times, nodes } = leastLoss(q, NONE);
  const dropped = q.sheets.flatMap((s, i) => {
    const left = s.times - (times[i] as number);
    return left > 0 ? [{ sheetId: s.id, times: left, ...blamed(q, times, i) }] : [];
  });
  return { days: found?.days ?? {}, dropped, cost: found?.cost ?? 0, nodes };
}

interface Found {
  days: Record<string, number[]>;
  cost: number;
}

/** Rules that can be set aside to see what they cost. */
type Aside = Exclude<WeekRule, "once_a_day" | "not_in_use">;
type Relaxed = ReadonlySet<Aside>;
const NONE: Relaxed = new Set();

function leastLoss(
  q: WeekQuestion,
  relaxed: Relaxed,
): { found: Found | null; times: number[]; nodes: number } {
  let nodes = 0;
  for (const times of reductions(q, relaxed)) {
    const tried = cheapest(q, times, relaxed);
    nodes += tried.nodes;
    if (tried.found) return { found: tried.found, times, nodes };
  }
  return { found: null, times: q.sheets.map(() => 0), nodes };
}

const RULES: readonly Aside[] = [
  "not_free",
  "no_gym",
  "minutes",
  "hard_48h",
  "after_accumulated_72h",
  "accumulated_7d",
  "hard_reps_week",
  "kneecap_week",
];

/** Rules of which each, set aside alone, would have let one more day of the sheet in; else the first two that do together. */
function blamed(
  q: WeekQuestion,
  times: readonly number[],
  i: number,
): Pick<Dropped, "because" | "areTogether"> {
  const oneMore = times.map((t, k) => (k === i ? t + 1 : t));
  const lets = (...aside: Aside[]): boolean => {
    const relaxed = new Set(aside);
    return fitsMost(q, oneMore, relaxed) && cheapest(q, oneMore, relaxed).found !== null;
  };
  const alone = RULES.filter((rule) => lets(rule));
  if (alone.length > 0) return { because: alone, areTogether: false };
  for (const [k, a] of RULES.entries())
    for (const b of RULES.slice(k + 1)) if (lets(a, b)) return { because: [a, b], areTogether: true };
  return { because: RULES.filter((rule) => rule !== "accumulated_7d"), areTogether: true };
}

const pinsOf = (q: WeekQuestion, s: WeekSheet): readonly number[] => q.pins?.[s.id] ?? [];

/** Whole wishes first, then by what is lost; never below what is pinned, never above what the week's most allows. */
function reductions(q: WeekQuestion, relaxed: Relaxed): number[][] {
  let all: { times: number[]; loss: number }[] = [{ times: [], loss: 0 }];
  for (const s of q.sheets) {
    const alone = mostAlone(q, s, relaxed);
    const low = Math.min(pinsOf(q, s).length, s.times);
    all = all.flatMap((x) =>
      Array.from({ length: Math.max(0, Math.min(s.times, alone) - low + 1) }, (_, k) => ({
        times: [...x.times, low + k],
        loss: x.loss + LOSS[s.kind] * (s.times - low - k),
      })),
    );
  }
  return all
    .filter((x) => fitsMost(q, x.times, relaxed))
    .sort((a, b) => a.loss - b.loss)
    .map((x) => x.times);
}

function fitsMost(q: WeekQuestion, times: readonly number[], relaxed: Relaxed): boolean {
  const sum = (of: "hardReps" | "kneecapChairS") =>
    q.sheets.reduce((total, s, i) => total + s[of] * (times[i] as number), 0);
  const { hardReps = null, kneecapChairS = null } = q.most ?? {};
  return (
    (relaxed.has("hard_reps_week") || hardReps === null || sum("hardReps") <= hardReps + 1e-9) &&
    (relaxed.has("kneecap_week") || kneecapChairS === null || sum("kneecapChairS") <= kneecapChairS + 1e-9)
  );
}

/** How often a sheet fits into the week by itself. */
function mostAlone(q: WeekQuestion, s: WeekSheet, relaxed: Relaxed): number {
  for (let times = Math.min(s.times, DAYS); times > 0; times--)
    if (cheapest({ ...q, sheets: [s] }, [times], relaxed).found) return times;
  return 0;
}

const mayLie = (q: WeekQuestion, s: WeekSheet, day: number, relaxed: Relaxed): boolean =>
  (relaxed.has("not_free") || (q.minutes[day] as number) > 0) &&
  (!s.needsGym || relaxed.has("no_gym") || relaxed.has("not_free") || (q.gym[day] as boolean));

/** The cheapest days for so many of each sheet; branch and bound, sheet after sheet. */
function cheapest(
  q: WeekQuestion,
  times: readonly number[],
  relaxed: Relaxed,
): { found: Found | null; nodes: number } {
  // a day that is not free would have as much time as the longest that is
  const longest = Math.max(...q.minutes) || WHOLE_DAY_MIN;
  const left = q.minutes.map((m) =>
    m > 0 ? (relaxed.has("minutes") ? WHOLE_DAY_MIN : m) : relaxed.has("not_free") ? longest : m,
  );
  const order = q.sheets.map((_, i) => i).sort((a, b) => rank(q.sheets[a]) - rank(q.sheets[b]) || a - b);
  const chosen: (readonly number[])[] = q.sheets.map(() => []);
  let best: Found | null = null;
  let nodes = 0;
  const place = (at: number): void => {
    const i = order[at];
    if (i === undefined) {
      const cost = costOf(q, chosen);
      if (!best || cost < best.cost - 1e-9)
        best = { cost, days: Object.fromEntries(q.sheets.map((s, k) => [s.id, [...(chosen[k] ?? [])]])) };
      return;
    }
    const sheet = q.sheets[i] as WeekSheet;
    const pins = pinsOf(q, sheet);
    for (const days of CHOICES[Math.min(DAYS, times[i] as number)] ?? []) {
      nodes++;
      if (!pins.every((d) => days.includes(d))) continue;
      if (!days.every((d) => mayLie(q, sheet, d, relaxed) && (left[d] as number) >= sheet.minutes)) continue;
      chosen[i] = days;
      if (isHard(sheet.kind) && !isApart(q, chosen, relaxed)) {
        chosen[i] = [];
        continue;
      }
      // what stands already costs no less once more is added to it
      if (best === null || floorOf(q, chosen, order, at) < best.cost - 1e-9) {
        for (const d of days) left[d] = (left[d] as number) - sheet.minutes;
        place(at + 1);
        for (const d of days) left[d] = (left[d] as number) + sheet.minutes;
      }
      chosen[i] = [];
    }
  };
  place(0);
  return { found: best, nodes };
}

/** Hard days are placed first: they are the fewest and prune the most. */
const rank = (s: WeekSheet | undefined): number =>
  s ? ["strength", "accumulated", "iso", "stretch"].indexOf(s.kind) : 9;

/** Every pair of which one day at least is this week's: days around it are facts, however close they stand. */
function isApart(q: WeekQuestion, chosen: readonly (readonly number[])[], relaxed: Relaxed): boolean {
  const own = hardDays(q, chosen);
  const around =
    q.around === "circular"
      ? own.flatMap((h) => [
          { ...h, day: h.day - DAYS },
          { ...h, day: h.day + DAYS },
        ])
      : q.around;
  return own.every(
    (h, i) =>
      own.slice(i + 1).every((other) => mayStand(h, other, relaxed)) &&
      around.every((other) =>
        other.day < h.day ? mayStand(other, h, relaxed) : mayStand(h, other, relaxed),
      ),
  );
}

/** Two hard days, the earlier first. */
function mayStand(a: HardDay, b: HardDay, relaxed: Relaxed): boolean {
  const rule = a.day === b.day ? null : tooClose([a, b])?.rule;
  if (rule === null) return false;
  if (rule && !relaxed.has(rule)) return false;
  // a pair of accumulated sets breaks this one too where it stands closer still
  const areNear = a.isAccumulated && b.isAccumulated && b.day - a.day < ACCUMULATED_GAP_DAYS;
  return !areNear || relaxed.has("accumulated_7d");
}

const hardDays = (q: WeekQuestion, chosen: readonly (readonly number[])[]): HardDay[] =>
  q.sheets
    .flatMap((s, i) =>
      isHard(s.kind)
        ? (chosen[i] ?? []).map((day) => ({ day, isAccumulated: s.kind === "accumulated" }))
        : [],
    )
    .sort((a, b) => a.day - b.day);

/** Variance of the gaps around the circular week; nothing for fewer than two days. */
function spread(days: readonly number[]): number {
  if (days.length < 2) return 0;
  const mean = DAYS / days.length;
  return (
    days.reduce((sum, d, i) => {
      const next = days[(i + 1) % days.length] as number;
      return sum + (((next - d + DAYS - 1) % DAYS) + 1 - mean) ** 2;
    }, 0) / days.length
  );
}

const union = (q: WeekQuestion, chosen: readonly (readonly number[])[], kind: WeekSheet["kind"]): number[] =>
  [...new Set(q.sheets.flatMap((s, i) => (s.kind === kind ? (chosen[i] ?? []) : [])))].sort((a, b) => a - b);

function usedCost(q: WeekQuestion, chosen: readonly (readonly number[])[]): number {
  let cost = 0;
  for (const d of new Set(chosen.flat())) cost += USED_DAY + UNLOVED_DAY * (1 - (q.preference?.[d] ?? 0));
  if (q.usual)
    for (const [i, s] of q.sheets.entries())
      for (const d of chosen[i] ?? []) if (!q.usual[s.id]?.includes(d)) cost += UNUSUAL_DAY;
  return cost;
}

function costOf(q: WeekQuestion, chosen: readonly (readonly number[])[]): number {
  const iso = union(q, chosen, "iso");
  const accumulated = union(q, chosen, "accumulated");
  const hard = hardDays(q, chosen).map((h) => h.day);
  return (
    SPREAD.strength * spread(union(q, chosen, "strength")) +
    SPREAD.hard * spread(hard) +
    SPREAD.iso * spread(iso) +
    SPREAD.stretch * spread(union(q, chosen, "stretch")) +
    usedCost(q, chosen) +
    ISO_AFTER_ACCUMULATED * accumulated.filter((d) => iso.includes((d + 1) % DAYS)).length
  );
}

/** What the days chosen so far cost at the least: the spread of kinds that are complete, and the days they use. */
function floorOf(
  q: WeekQuestion,
  chosen: readonly (readonly number[])[],
  order: readonly number[],
  at: number,
): number {
  const open = new Set(order.slice(at + 1).map((i) => q.sheets[i]?.kind));
  const strength = open.has("strength") ? 0 : SPREAD.strength * spread(union(q, chosen, "strength"));
  const isHardOpen = open.has("strength") || open.has("accumulated");
  const hard = isHardOpen ? 0 : SPREAD.hard * spread(hardDays(q, chosen).map((h) => h.day));
  const iso = open.has("iso") ? 0 : SPREAD.iso * spread(union(q, chosen, "iso"));
  return strength + hard + iso + usedCost(q, chosen);
}
