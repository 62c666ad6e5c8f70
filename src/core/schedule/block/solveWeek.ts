import type { ByMuscle, Muscle } from "../balance";
import { plus } from "./block";
import { overSets } from "./setGuard";
import { doseOf, type HardDay, isHard, tooClose, type WeekRule, type WeekSheet } from "./weekRules";

/** A day that somebody chose by hand, in its form. */
export interface PinnedDay {
  day: number;
  isShort: boolean;
}

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
  /** the client's own hard days of a week that follows itself */
  fixed?: readonly HardDay[];
  /** days that somebody chose by hand: they stay */
  pins?: Readonly<Record<string, readonly PinnedDay[]>>;
  /** days of a usual week; another day costs a little */
  usual?: Readonly<Record<string, readonly number[]>>;
  /** the most effective sets of this week by muscle group; missing: nothing says */
  most?: ByMuscle;
}

/** What stood in the way of one more day of a sheet on one day of the week; of the week's sets no day. */
export interface Stood {
  rule: WeekRule;
  day: number | null;
  /** the other day, where two would stand too close; below 0 and above 6 it is another week's */
  and?: number;
  /** that day is the client's own, in their words */
  what?: string;
  /** the muscle groups that would have too much */
  muscles?: readonly Muscle[];
}

/** What could not be had of a sheet, with what really stood in the way. */
export interface Dropped {
  sheetId: string;
  times: number;
  stood: Stood[];
}

export interface SolvedWeek {
  days: Record<string, number[]>;
  /** the days of each sheet that are short */
  short: Record<string, number[]>;
  dropped: Dropped[];
  cost: number;
  nodes: number;
}

const DAYS = 7;
/** What leaving out the first, second, third ... day of a kind loses: one day of each strength sheet, then the second, then holds, the third of anything last. Rule W3 [own]. */
const LOSS: Readonly<Record<WeekSheet["kind"], readonly number[]>> = {
  strength: [40, 20, 1, 0.8, 0.6, 0.5, 0.4],
  iso: [4, 3.5, 0.95, 0.75, 0.6, 0.5, 0.4],
  accumulated: [0.98, 0.9, 0.5, 0.4, 0.3, 0.2, 0.1],
  stretch: [1.5, 1.2, 0.5, 0.4, 0.3, 0.2, 0.1],
};
/** What a short day loses of a whole one. */
const SHORT_LOSS = { strength: 0.3, accumulated: 0.2, iso: 0.1, stretch: 0.05 } as const;
/** Weights of even spread by kind, of any used day, of holds the day after an accumulated set. Dosing rules G2 [own]. */
const SPREAD = { strength: 1, hard: 0.5, iso: 0.6, stretch: 0.2 } as const;
const USED_DAY = 0.2;
const UNLOVED_DAY = 0.3;
const ISO_AFTER_ACCUMULATED = 0.1;
const UNUSUAL_DAY = 0.05;

/** All ways to choose so many of the seven days, in the order of the days. */
const CHOICES: readonly (readonly number[])[][] = Array.from({ length: DAYS + 1 }, (_, count) =>
  Array.from({ length: 1 << DAYS }, (_, mask) => [...Array(DAYS).keys()].filter((d) => mask & (1 << d)))
    .filter((days) => days.length === count)
    .sort((a, b) => a.join().localeCompare(b.join())),
);

/** How often a sheet is taken, and how many of its days are short. */
interface Take {
  times: number;
  shorts: number;
}
const NONE: Take = { times: 0, shorts: 0 };

/** So much work one week's exact search may be; five sheets on scarce days come near it. Rule W3 */
const MOST_NODES = 100_000;
/** So much work one more day may be, where the week is laid step by step. */
const STEP_NODES = 2_000;

/**
 * Days for each sheet by exact search: free days, minutes, spacing, what somebody pinned and the week's most are hard;
 * even spread and few days are the cost. Where all of it does not fit, sheets are shortened and then the least loss is left
 * out, with what stood in the way. Dosing rules G1 and G2, rules W2 and W3.
 */
export function solveWeek(q: WeekQuestion): SolvedWeek {
  let nodes = 0;
  let best: { found: Found | null; takes: Take[] } = { found: null, takes: q.sheets.map(() => NONE) };
  for (const takes of reductions(q)) {
    const tried = cheapest(q, takes, MOST_NODES - nodes);
    nodes += tried.nodes;
    if (tried.found) best = { found: tried.found, takes };
    else if (nodes >= MOST_NODES) {
      const stepped = stepByStep(q);
      nodes += stepped.nodes;
      best = stepped;
    } else continue;
    break;
  }
  const { found, takes } = best;
  const days = found?.days ?? {};
  const short = found?.short ?? {};
  return {
    days,
    short,
    dropped: q.sheets.flatMap((s, i) => {
      const left = s.times - (takes[i]?.times ?? 0);
      return left > 0 ? [{ sheetId: s.id, times: left, stood: inTheWay(q, { days, short }, takes, i) }] : [];
    }),
    cost: found?.cost ?? 0,
    nodes,
  };
}

/** The week of more sheets than the exact search can lay: what is pinned, then always the day whose lack loses the most. */
function stepByStep(q: WeekQuestion): { found: Found | null; takes: Take[]; nodes: number } {
  let takes = q.sheets.map((s): Take => {
    const pins = pinsOf(q, s).slice(0, s.times);
    return { times: pins.length, shorts: s.short ? pins.filter((p) => p.isShort).length : 0 };
  });
  let { found, nodes } = cheapest(q, takes, STEP_NODES);
  const closed = new Set<number>();
  for (;;) {
    const [next] = q.sheets
      .map((s, i) => ({ i, loss: LOSS[s.kind][takes[i]?.times ?? 0] ?? 0 }))
      .filter(({ i }) => !closed.has(i) && (takes[i]?.times ?? 0) < Math.min(DAYS, q.sheets[i]?.times ?? 0))
      .sort((a, b) => b.loss - a.loss || a.i - b.i);
    if (!next) return { found, takes, nodes };
    const { times, shorts } = takes[next.i] as Take;
    const ways: Take[] = [{ times: times + 1, shorts }];
    if (q.sheets[next.i]?.short) ways.push({ times: times + 1, shorts: shorts + 1 });
    const isLaid = ways.some((way) => {
      const asked = takes.map((t, k) => (k === next.i ? way : t));
      if (overSets(setsOf(q, asked), q.most ?? {}).length > 0) return false;
      const tried = cheapest(q, asked, STEP_NODES);
      nodes += tried.nodes;
      if (!tried.found) return false;
      found = tried.found;
      takes = asked;
      return true;
    });
    if (!isLaid) closed.add(next.i);
  }
}

interface Laid {
  days: Record<string, number[]>;
  short: Record<string, number[]>;
}
interface Found extends Laid {
  cost: number;
}

const pinsOf = (q: WeekQuestion, s: WeekSheet): readonly PinnedDay[] => q.pins?.[s.id] ?? [];

/** What one more day of a sheet meets: the week's sets, then each day of the week by itself. */
function inTheWay(q: WeekQuestion, laid: Laid, takes: readonly Take[], i: number): Stood[] {
  const { days } = laid;
  const sheet = q.sheets[i] as WeekSheet;
  const own = days[sheet.id] ?? [];
  const shortest = doseOf(sheet, true);
  const stood: Stood[] = [];
  const over = overSets(plus(setsOf(q, takes), shortest.sets), q.most ?? {});
  if (over.length > 0) stood.push({ rule: "sets_week", day: null, muscles: over });
  const hard = hardDays(
    q,
    q.sheets.map((s) => days[s.id] ?? []),
  );
  for (let day = 0; day < DAYS; day++) {
    if (own.includes(day)) continue;
    if ((q.minutes[day] as number) <= 0) stood.push({ rule: "not_free", day });
    else if (sheet.needsGym && !q.gym[day]) stood.push({ rule: "no_gym", day });
    else {
      const close = closeTo(q, sheet, day, hard);
      if (close) stood.push({ ...close, day });
      else if (leftOn(q, laid, day) < shortest.minutes) stood.push({ rule: "minutes", day });
    }
  }
  return stood;
}

function closeTo(
  q: WeekQuestion,
  s: WeekSheet,
  day: number,
  hard: readonly HardDay[],
): Pick<Stood, "rule" | "and" | "what"> | null {
  if (!isHard(s.kind)) return null;
  const asked = hardDay(s, day);
  for (const other of [...hard, ...aroundOf(q, hard)]) {
    const rule = tooClose(other, asked);
    if (rule) return { rule, and: other.day, ...(other.what ? { what: other.what } : {}) };
  }
  return null;
}

const leftOn = (q: WeekQuestion, { days, short }: Laid, day: number): number =>
  q.sheets.reduce(
    (left, s) =>
      days[s.id]?.includes(day) ? left - doseOf(s, short[s.id]?.includes(day) ?? false).minutes : left,
    q.minutes[day] as number,
  );

/** Effective sets of a week of so many days each. */
function setsOf(q: WeekQuestion, takes: readonly Take[]): ByMuscle {
  let sum: ByMuscle = {};
  for (const [i, s] of q.sheets.entries()) {
    const { times, shorts } = takes[i] as Take;
    for (let n = 0; n < times; n++) sum = plus(sum, doseOf(s, n < shorts).sets);
  }
  return sum;
}

const lossOf = (s: WeekSheet, { times, shorts }: Take): number => {
  let loss = shorts * SHORT_LOSS[s.kind];
  for (let n = times; n < s.times; n++) loss += LOSS[s.kind][n] as number;
  return loss;
};

/** Whole wishes first, then by what is lost; never above what the week's most allows. */
function reductions(q: WeekQuestion): Take[][] {
  let all: { takes: Take[]; loss: number }[] = [{ takes: [], loss: 0 }];
  const ways = bounded(q.sheets.map((s) => takesOf(q, s)));
  for (const [i, s] of q.sheets.entries()) {
    const own = ways[i] as readonly Take[];
    all = all.flatMap((x) =>
      own.map((take) => ({ takes: [...x.takes, take], loss: x.loss + lossOf(s, take) })),
    );
  }
  return all
    .filter((x) => overSets(setsOf(q, x.takes), q.most ?? {}).length === 0)
    .sort((a, b) => a.loss - b.loss)
    .map((x) => x.takes);
}

/** So many ways of a whole week are looked at: with many sheets each of them is taken whole or short, then less finely. */
const MOST_WAYS = 30_000;

function bounded(ways: readonly (readonly Take[])[]): (readonly Take[])[] {
  const product = (all: readonly (readonly Take[])[]) => all.reduce((n, w) => n * w.length, 1);
  let kept: (readonly Take[])[] = [...ways];
  const thin = (keep: (t: Take, all: readonly Take[]) => boolean) => {
    for (let i = 0; i < kept.length && product(kept) > MOST_WAYS; i++) {
      const own = kept[i] as readonly Take[];
      kept = kept.map((w, k) => (k === i ? own.filter((t) => keep(t, own)) : w));
    }
  };
  thin((t) => t.shorts === 0 || t.shorts === t.times);
  const most = (all: readonly Take[]) => Math.max(...all.map((t) => t.times));
  const least = (all: readonly Take[]) => Math.min(...all.map((t) => t.times));
  thin((t, all) => t.times >= most(all) - 1 || t.times <= 1 || t.times === least(all));
  thin((t, all) => t.times === most(all) || t.times === least(all));
  thin((t, all) => t === all.at(-1) || t === all[0]);
  return kept;
}

/** The ways to take a sheet that fit into the week by itself: never below what is pinned, in its form. */
function takesOf(q: WeekQuestion, s: WeekSheet): Take[] {
  const pins = pinsOf(q, s);
  const low = Math.min(pins.length, s.times);
  const pinnedShort = s.short ? pins.filter((p) => p.isShort).length : 0;
  const found: Take[] = [];
  for (let times = low; times <= Math.min(s.times, DAYS); times++) {
    // what is pinned whole stays whole
    const most = s.short ? times - (pins.length - pinnedShort) : 0;
    for (let shorts = pinnedShort; shorts <= most; shorts++)
      if (times === 0 || cheapest({ ...q, sheets: [s] }, [{ times, shorts }], MOST_NODES).found)
        found.push({ times, shorts });
  }
  return found.length > 0 ? found : [{ times: low, shorts: pinnedShort }];
}

/** Which of so many days are short: as they were pinned, then those without the time for the whole sheet, then the last. Null: it does not fit. */
function shortOf(
  s: WeekSheet,
  days: readonly number[],
  shorts: number,
  pins: readonly PinnedDay[],
  left: readonly number[],
): number[] | null {
  const short = days.filter((d) => {
    const pin = pins.find((p) => p.day === d);
    return pin ? pin.isShort : (left[d] as number) < s.minutes;
  });
  if (short.length > shorts) return null;
  const free = days.filter((d) => !short.includes(d) && !pins.some((p) => p.day === d));
  const more = shorts - short.length;
  if (more > free.length) return null;
  const all = [...short, ...(more > 0 ? free.slice(-more) : [])];
  return days.every((d) => (left[d] as number) >= doseOf(s, all.includes(d)).minutes) ? all : null;
}

const mayLie = (q: WeekQuestion, s: WeekSheet, day: number): boolean =>
  (q.minutes[day] as number) > 0 && (!s.needsGym || (q.gym[day] as boolean));

/** The cheapest days for so many of each sheet; branch and bound, sheet after sheet, the best of what so many nodes find. */
function cheapest(
  q: WeekQuestion,
  takes: readonly Take[],
  mostNodes: number,
): { found: Found | null; nodes: number } {
  const left = [...q.minutes];
  const order = q.sheets.map((_, i) => i).sort((a, b) => rank(q.sheets[a]) - rank(q.sheets[b]) || a - b);
  const chosen: (readonly number[])[] = q.sheets.map(() => []);
  const shortened: (readonly number[])[] = q.sheets.map(() => []);
  let best: Found | null = null;
  let nodes = 0;
  const place = (at: number): void => {
    const i = order[at];
    if (i === undefined) {
      const cost = costOf(q, chosen);
      if (!best || cost < best.cost - 1e-9)
        best = {
          cost,
          days: Object.fromEntries(q.sheets.map((s, k) => [s.id, [...(chosen[k] ?? [])]])),
          short: Object.fromEntries(q.sheets.map((s, k) => [s.id, [...(shortened[k] ?? [])].sort()])),
        };
      return;
    }
    const sheet = q.sheets[i] as WeekSheet;
    const take = takes[i] as Take;
    const pins = pinsOf(q, sheet);
    for (const days of CHOICES[Math.min(DAYS, take.times)] ?? []) {
      if (nodes >= mostNodes) return;
      nodes++;
      if (!pins.every((p) => days.includes(p.day))) continue;
      if (!days.every((d) => mayLie(q, sheet, d))) continue;
      const short = shortOf(sheet, days, take.shorts, pins, left);
      if (short === null) continue;
      chosen[i] = days;
      shortened[i] = short;
      if (isHard(sheet.kind) && !isApart(q, chosen)) {
        chosen[i] = [];
        continue;
      }
      // what stands already costs no less once more is added to it
      if (best === null || floorOf(q, chosen, order, at) < best.cost - 1e-9) {
        const minutes = days.map((d) => doseOf(sheet, short.includes(d)).minutes);
        for (const [n, d] of days.entries()) left[d] = (left[d] as number) - (minutes[n] as number);
        place(at + 1);
        for (const [n, d] of days.entries()) left[d] = (left[d] as number) + (minutes[n] as number);
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

/** Hard days of the weeks around it. */
const aroundOf = (q: WeekQuestion, own: readonly HardDay[]): readonly HardDay[] =>
  q.around === "circular"
    ? [
        ...own.flatMap((h) => [
          { ...h, day: h.day - DAYS },
          { ...h, day: h.day + DAYS },
        ]),
        ...(q.fixed ?? []),
      ]
    : q.around;

/** Every pair of which one day at least is this week's: days around it are facts, however close they stand. */
function isApart(q: WeekQuestion, chosen: readonly (readonly number[])[]): boolean {
  const own = hardDays(q, chosen);
  const around = aroundOf(q, own);
  return own.every(
    (h, i) =>
      own.slice(i + 1).every((other) => tooClose(h, other) === null) &&
      around.every((other) => tooClose(h, other) === null),
  );
}

const hardDay = (s: WeekSheet, day: number): HardDay => ({
  day,
  isAccumulated: s.kind === "accumulated",
  muscles: s.hardFor,
});

const hardDays = (q: WeekQuestion, chosen: readonly (readonly number[])[]): HardDay[] =>
  q.sheets
    .flatMap((s, i) => (isHard(s.kind) ? (chosen[i] ?? []).map((day) => hardDay(s, day)) : []))
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
