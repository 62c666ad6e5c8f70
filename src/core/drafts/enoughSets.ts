import type { Muscle } from "../schedule/balance";
import { CREDITS } from "../schedule/balance";
import { itemsOf } from "../sheet/effect/scoreItems";
import { leastAimed } from "../sheet/effect/setBand";
import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { workKindOf } from "../sheet/line/workKind";
import { type ScoreItem, scoreTotals } from "../sheet/order/sessionScore";
import { FULL_RESERVE } from "../sheet/schemes/effectiveSets";
import type { Scheme } from "../sheet/schemes/scheme";
import { saidWith } from "../units/said";
import type { Change } from "./edit";

/** A line gets no more sets than this: then another line is wanted, not a longer one [own]. */
const MOST_SETS = 4;
/** A strength sheet is planned so often a week at most. */
const MOST_DAYS = 3;

/** What stands between a draft and the sets that its phase is for. */
export type TooFewBecause = "minutes" | "reserve" | "light" | "lines";

/** The same with a set more; null where it has enough, or is not counted in sets. */
const withSet = (s: Scheme): Scheme | null =>
  (s.kind === "straight" || s.kind === "ramp" || s.kind === "light") && s.sets < MOST_SETS
    ? { ...s, sets: s.sets + 1 }
    : null;

const creditOf = (item: ScoreItem, muscle: Muscle): number => {
  const kind = workKindOf(item.exercise);
  return kind ? ((CREDITS[kind] as Partial<Record<Muscle, number>>)[muscle] ?? 0) : 0;
};

/**
 * Enough sets in the week for the muscle groups that the phase is for, in the minutes there are; else it says what is in the
 * way. Who is frail, or here for the first time, learns first: nothing is added. Rules D2, D3.
 */
export function enoughSets(
  drafted: readonly ScoreLine[],
  c: Change,
  context: ScoreContext,
  seconds: number,
): ScoreLine[] {
  const { stage, aimed, isFrail, isFirstVisit } = c.facts;
  const least = leastAimed(stage);
  if (least === null || isFrail || isFirstVisit) return [...drafted];
  const days = Math.max(1, Math.min(MOST_DAYS, c.facts.daysAWeek));
  // a set more changes no load: every line is judged once
  let items = itemsOf(judgeScore(drafted, context), (_, i) => String(i));
  for (const muscle of aimed) {
    const weekly = (x: readonly ScoreItem[]) => (scoreTotals(x).byMuscle[muscle] ?? 0) * days;
    let because: TooFewBecause = "lines";
    while (weekly(items) < least - 1e-9) {
      const more = mostUseful(items, muscle);
      if (!more) {
        because = whyNone(items, muscle);
        break;
      }
      if (scoreTotals(more).seconds > seconds) {
        because = "minutes";
        break;
      }
      items = more;
    }
    const has = weekly(items);
    if (has < least - 1e-9) c.note(saidWith("drafts.few_sets", { muscle, has, least, days, because }));
  }
  const schemes = new Map(items.map((i) => [i.id, i.scheme]));
  return drafted.map((l, i) => ({ ...l, scheme: schemes.get(String(i)) ?? l.scheme }));
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
    (s.kind === "straight" || s.kind === "ramp" || s.kind === "light") &&
    (perItem[i]?.effective ?? 0) < s.sets - 1e-9
      ? [s.reserve]
      : [],
  );
  if (weak.some((reserve) => reserve > FULL_RESERVE)) return "reserve";
  return weak.length > 0 ? "light" : "lines";
}
