import { CREDITS, type Muscle } from "../schedule/balance";
import { itemsOf } from "../sheet/effect/scoreItems";
import { leastAimed } from "../sheet/effect/setBand";
import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { workKindOf } from "../sheet/line/workKind";
import { type ScoreItem, scoreTotals } from "../sheet/order/sessionScore";
import { FULL_RESERVE } from "../sheet/schemes/effectiveSets";
import { MOST_WORK_SETS } from "../sheet/schemes/parts";
import { isPlainSets, type Scheme } from "../sheet/schemes/scheme";
import { saidWith } from "../units/said";
import type { Change } from "./edit";

/** A strength sheet is planned so often a week at most. */
const MOST_DAYS = 3;

/** What stands between a draft and the sets that its phase is for. */
export type TooFewBecause = "minutes" | "tires" | "reserve" | "light" | "lines";

/** The same with a set more; null where it has enough, or is not counted in sets. */
const withSet = (s: Scheme): Scheme | null =>
  isPlainSets(s) && s.sets < MOST_WORK_SETS ? { ...s, sets: s.sets + 1 } : null;

const creditOf = (item: ScoreItem, muscle: Muscle): number => {
  const kind = workKindOf(item.exercise);
  return kind ? ((CREDITS[kind] as Partial<Record<Muscle, number>>)[muscle] ?? 0) : 0;
};

/** What is wanted of the aimed groups in the week that is drafted; null: who is frail, or here first, learns. Rules D2, D3. */
function wantedOf(c: Change): { least: number; days: number } | null {
  const least = leastAimed(c.facts.stage);
  if (least === null || c.facts.isFrail || c.facts.isFirstVisit) return null;
  return { least, days: Math.max(1, Math.min(MOST_DAYS, c.facts.daysAWeek)) };
}

const itemsIn = (lines: readonly ScoreLine[], context: ScoreContext): ScoreItem[] =>
  itemsOf(judgeScore(lines, context), (_, i) => String(i));

const weekly = (items: readonly ScoreItem[], muscle: Muscle, days: number): number =>
  (scoreTotals(items).byMuscle[muscle] ?? 0) * days;

/** Sets more, until the muscle groups that the phase is for have enough in the week, in the minutes there are. Rule D2. */
export function enoughSets(
  drafted: readonly ScoreLine[],
  c: Change,
  context: ScoreContext,
  seconds: number,
): ScoreLine[] {
  const wanted = wantedOf(c);
  if (!wanted) return [...drafted];
  // a set more changes no load: every line is judged once
  let items = itemsIn(drafted, context);
  for (const muscle of c.facts.aimed)
    while (weekly(items, muscle, wanted.days) < wanted.least - 1e-9) {
      const more = mostUseful(items, muscle);
      if (!more || scoreTotals(more).seconds > seconds) break;
      items = more;
    }
  const schemes = new Map(items.map((i) => [i.id, i.scheme]));
  return drafted.map((l, i) => ({ ...l, scheme: schemes.get(String(i)) ?? l.scheme }));
}

/** Says of each muscle group that has too few in the end what is in the way. Rule D2. */
export function sayTooFew(
  drafted: readonly ScoreLine[],
  c: Change,
  context: ScoreContext,
  seconds: number,
): void {
  const wanted = wantedOf(c);
  if (!wanted) return;
  const { least, days } = wanted;
  const items = itemsIn(drafted, context);
  for (const muscle of c.facts.aimed) {
    const has = weekly(items, muscle, days);
    if (has >= least - 1e-9) continue;
    const more = mostUseful(items, muscle);
    const because: TooFewBecause = !more
      ? whyNone(items, muscle)
      : scoreTotals(more).seconds > seconds
        ? "minutes"
        : "tires";
    c.note(saidWith("drafts.few_sets", { muscle, has, least, days, because }));
  }
}

/** A set more where it does most for a muscle group: of those with the fewest sets the one that gives it most. */
function mostUseful(items: readonly ScoreItem[], muscle: Muscle): ScoreItem[] | null {
  const { perItem } = scoreTotals(items);
  const [best] = items
    .flatMap((item, i) => {
      const scheme = withSet(item.scheme);
      const gives = creditOf(item, muscle) * (perItem[i]?.effective ?? 0);
      return scheme && gives > 0 ? [{ item, scheme, gives }] : [];
    })
    .sort((a, b) => setsOf(a.scheme) - setsOf(b.scheme) || b.gives - a.gives);
  return best ? items.map((i) => (i === best.item ? { ...i, scheme: best.scheme } : i)) : null;
}

const setsOf = (s: Scheme): number => ("sets" in s ? s.sets : 1);

/** Sets of the muscle group count half or nothing: too many are left after them, or the load asks too little; else no line has room. */
function whyNone(items: readonly ScoreItem[], muscle: Muscle): TooFewBecause {
  const { perItem } = scoreTotals(items);
  const weak = items.flatMap(({ scheme: s, ...item }, i) =>
    creditOf({ scheme: s, ...item }, muscle) > 0 &&
    isPlainSets(s) &&
    (perItem[i]?.effective ?? 0) < s.sets - 1e-9
      ? [s.reserve]
      : [],
  );
  if (weak.some((reserve) => reserve > FULL_RESERVE)) return "reserve";
  return weak.length > 0 ? "light" : "lines";
}
