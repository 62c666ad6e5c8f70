import type { Exercise } from "../rules/exercises";
import { type Balance, balanceOf } from "../schedule/balance";
import { sessionSeconds } from "./holdSeconds";
import type { Scheme } from "./scheme";
import { type SchemeTotals, schemeTotals } from "./schemeTotals";
import { workKindOf } from "./workKind";

/** One line of a session: an exercise, how it is done, on how many sides. */
export interface ScoreItem {
  id: string;
  exercise: Exercise;
  scheme: Scheme;
  sides: 1 | 2;
}

export interface ScoreTotals {
  /** with warm-up, changeovers and logging */
  seconds: number;
  perItem: readonly SchemeTotals[];
  /** hard repetitions in all */
  hard: number;
  balance: Balance;
}

/** What a session takes and gives. Dosing rules G3, H3. */
export function scoreTotals(items: readonly ScoreItem[]): ScoreTotals {
  const perItem = items.map((i) => schemeTotals(i.scheme, i.sides));
  const work = items.flatMap((item, i) => {
    const kind = workKindOf(item.exercise);
    const hard = perItem[i]?.hard ?? null;
    return kind && hard !== null ? [{ kind, hard }] : [];
  });
  return {
    seconds: sessionSeconds(perItem.map((t) => t.seconds)),
    perItem,
    hard: work.reduce((sum, w) => sum + w.hard, 0),
    balance: balanceOf(work),
  };
}

/** Something about the order, with what to do. */
export interface OrderNote {
  itemId: string;
  sentence: string;
}

/** With so many repetitions left, a set is light: a warm-up may stand anywhere. */
const LIGHT_RESERVE = 4;
const LIGHT_EFFORT = 5;
const HEAVY_EFFORT = 7;

function isLight(s: Scheme): boolean {
  if (s.kind === "straight") return s.reserve >= LIGHT_RESERVE;
  if (s.kind === "holds") return s.feltEffort <= LIGHT_EFFORT;
  return s.kind === "stretch";
}

const isHeavyHold = (i: ScoreItem): boolean =>
  i.scheme.kind === "holds" && i.scheme.feltEffort >= HEAVY_EFFORT;
const isCompound = (i: ScoreItem): boolean => i.exercise.match.class === "closed_knee";
const isIsolation = (i: ScoreItem): boolean =>
  i.exercise.match.class === "open_knee_extension" || i.exercise.match.class === "open_knee_flexion";
const isCalf = (i: ScoreItem): boolean => i.exercise.match.class === "calf";

/**
 * The order of a session, checked: light first in either school, heavy supported work while fresh, isolation after
 * compound or light before it, no two heavy holds of one joint in a row, calves last unless they are the aim and never
 * before balance, one accumulated set. Every note says what to do. Stances choose among schools elsewhere.
 */
export function orderNotes(items: readonly ScoreItem[], aim: { calves: boolean }): OrderNote[] {
  const notes: OrderNote[] = [];
  const say = (item: ScoreItem, sentence: string) => notes.push({ itemId: item.id, sentence });
  const first = items[0];
  if (first && !isLight(first.scheme) && isCompound(first))
    say(
      first,
      "Heavy work comes first here: put one or two light sets or holds before it, as a warm-up in either school.",
    );
  for (const [i, item] of items.entries()) {
    const before = items.slice(0, i);
    const after = items.slice(i + 1);
    const previous = items[i - 1];
    const isHeavySupported = isCompound(item) && item.exercise.match.is_machine && !isLight(item.scheme);
    if (isHeavySupported && before.filter((b) => !isLight(b.scheme)).length >= 2)
      say(item, "Heavy supported work is done while fresh: move it up, before what tires the same muscles.");
    if (isIsolation(item) && !isLight(item.scheme) && after.some((a) => isCompound(a) && !isLight(a.scheme)))
      say(
        item,
        "Hard isolation stands before the press or squat: move it behind, or make it light as a warm-up.",
      );
    if (
      previous &&
      isHeavyHold(previous) &&
      isHeavyHold(item) &&
      workKindOf(previous.exercise) === workKindOf(item.exercise)
    )
      say(item, "Two heavy holds of one joint stand in a row: put other work between them, or ease one.");
    if (isCalf(item) && after.length > 0) {
      const balance = after.find((a) => a.exercise.balance_demand_0_3 >= 2);
      if (balance)
        say(item, `Tired calves before ${balance.exercise.name} cost balance: move the calves behind it.`);
      else if (!aim.calves && after.some((a) => !isCalf(a) && a.scheme.kind !== "stretch"))
        say(item, "Calves come last unless they are the aim: move them to the end.");
    }
    if (item.scheme.kind === "accumulated" && before.some((b) => b.scheme.kind === "accumulated"))
      say(item, "One accumulated set a session is enough: make this one straight sets.");
  }
  return notes;
}
