import type { Course, PolicyName } from "./live";
import { percentile } from "./percentile";

/** What a way of dosing came to for some people. Shares of the start, and numbers a client. */
export interface Result {
  people: number;
  median8: number;
  median16: number;
  /** the tenth percentile */
  low16: number;
  flares: number;
  swellings: number;
  crossings: number;
  quits: number;
  /** people who are dosed strictly */
  strict: number;
  /** of all sets */
  failed: number;
  /** a week, of the muscles that the phase is for */
  effectiveSets: number;
  /** of the people: weaker than at the start */
  losers: number;
  worstShare: number;
  outsideLimits: number;
  deadEnds: number;
}

const mean = (all: readonly number[]): number => all.reduce((sum, x) => sum + x, 0) / Math.max(1, all.length);
const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0);

export function resultOf(courses: readonly Course[]): Result {
  const of = (get: (c: Course) => number) => courses.map(get);
  return {
    people: courses.length,
    median8: percentile(
      of((c) => c.gain8),
      0.5,
    ),
    median16: percentile(
      of((c) => c.gain16),
      0.5,
    ),
    low16: percentile(
      of((c) => c.gain16),
      0.1,
    ),
    flares: mean(of((c) => c.flares)),
    swellings: mean(of((c) => c.swellings)),
    crossings: sum(of((c) => c.crossings)),
    strict: courses.filter((c) => c.isStrict).length,
    quits: courses.filter((c) => c.hasQuit).length,
    failed: sum(of((c) => c.failed)) / Math.max(1, sum(of((c) => c.sets))),
    effectiveSets: mean(of((c) => c.effectiveSets)),
    losers: mean(of((c) => (c.gain16 < 0 ? 1 : 0))),
    worstShare: Math.max(0, ...of((c) => c.worstShare)),
    outsideLimits: sum(of((c) => c.outsideLimits)),
    deadEnds: sum(of((c) => c.deadEnds)),
  };
}

/** Everything that the trial came to, as it is written to a file. */
export interface TrialResult {
  policies: (Result & {
    name: PolicyName;
    byKind: Record<string, Result>;
    decisions: Record<string, number>;
  })[];
  people: Course[];
}

export function trialResult(people: readonly Course[]): TrialResult {
  const names = [...new Set(people.map((c) => c.policy))];
  return {
    policies: names.map((name) => {
      const own = people.filter((c) => c.policy === name);
      const kinds = [...new Set(own.map((c) => c.kind))].sort();
      const decisions: Record<string, number> = {};
      for (const c of own)
        for (const [rule, n] of Object.entries(c.decisions)) decisions[rule] = (decisions[rule] ?? 0) + n;
      return {
        name,
        ...resultOf(own),
        byKind: Object.fromEntries(kinds.map((k) => [k, resultOf(own.filter((c) => c.kind === k))])),
        decisions,
      };
    }),
    people: [...people],
  };
}

/** What the rules are held to, against who knows the truth. Rule T. */
const OF_BEST = 0.8;
const OF_BEST_BY_KIND = 0.65;
const FLARES = { times: 1.5, and: 0.5 };
const MOST_SWELLINGS = 0.3;
const MOST_FAILED = { usual: 0.08, strict: 0.02 } as const;
/** Where a joint is dosed strictly no set is harder than this, of what could be lifted once that day. */
const HARDEST_STRICT = 0.9;

/** An aim with what was asked and what was reached. */
export interface Aim {
  of: string;
  what:
    | "gain"
    | "flares"
    | "swellings"
    | "crossings"
    | "failed"
    | "hardest"
    | "outside"
    | "dead_ends"
    | "above";
  reached: number;
  asked: number;
  isMet: boolean;
}

/** Every aim of Bexlo's own rules; none where the truth was not asked. */
export function aimsOf({ policies }: TrialResult): Aim[] {
  const own = policies.find((p) => p.name === "bexlo");
  const best = policies.find((p) => p.name === "clairvoyant");
  if (!own || !best) return [];
  const aims: Aim[] = [];
  const least = (of: string, what: Aim["what"], reached: number, asked: number) =>
    aims.push({ of, what, reached, asked, isMet: reached >= asked - 1e-9 });
  const most = (of: string, what: Aim["what"], reached: number, asked: number) =>
    aims.push({ of, what, reached, asked, isMet: reached <= asked + 1e-9 });
  least("all", "gain", own.median16, OF_BEST * best.median16);
  for (const other of policies.filter((p) => p.name === "card" || p.name === "textbook"))
    least(other.name, "above", own.median16, other.median16);
  for (const [kind, r] of Object.entries(own.byKind)) {
    const b = best.byKind[kind];
    if (!b) continue;
    least(kind, "gain", r.median16, OF_BEST_BY_KIND * b.median16);
    most(kind, "flares", r.flares, FLARES.times * b.flares + FLARES.and);
    most(kind, "swellings", r.swellings, MOST_SWELLINGS);
    const isStrict = r.strict === r.people;
    most(kind, "failed", r.failed, MOST_FAILED[isStrict ? "strict" : "usual"]);
    if (isStrict) most(kind, "hardest", r.worstShare, HARDEST_STRICT);
  }
  most("all", "crossings", own.crossings, 0);
  most("all", "outside", own.outsideLimits, 0);
  most("all", "dead_ends", own.deadEnds, 0);
  return aims;
}
