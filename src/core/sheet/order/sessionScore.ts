import { type Exercise, likeOf } from "../../rules/exercises";
import { type ByMuscle, creditedTo } from "../../schedule/balance";
import { type Said, saidWith } from "../../units/said";
import type { Legs } from "../line/legs";
import { workKindOf } from "../line/workKind";
import type { PlannedSet } from "../schemes/contract";
import { effectiveSets } from "../schemes/effectiveSets";
import { isHeavyHold } from "../schemes/kinds/holds";
import { type Scheme, setsOf } from "../schemes/scheme";
import { hardOf, type SchemeTotals, tensionOf } from "../schemes/schemeTotals";
import { groupsOf, type RunLine, type RunStep, runSeconds, runThrough } from "../time/runThrough";

/** One line of a session: an exercise, how it is done, on which legs. */
export interface ScoreItem {
  id: string;
  exercise: Exercise;
  scheme: Scheme;
  legs: Legs;
  sharesRests: boolean;
  /** null: no machine, or not known */
  machine: string | null;
  /** of the one-repetition maximum, as it is set; null: nothing says */
  share: number | null;
}

export interface ScoreTotals {
  /** with warm-up, changeovers and logging */
  seconds: number;
  steps: readonly RunStep[];
  perItem: readonly SchemeTotals[];
  /** hard repetitions of one leg in all */
  hard: number;
  /** effective sets of one leg, by muscle. Rule D1 */
  byMuscle: ByMuscle;
  /** seconds under tension of the first leg, and of the other */
  legs: { first: number; second: number };
}

/** A line as the timers need it. */
export const runLineOf = (item: ScoreItem, sets: readonly PlannedSet[] = setsOf(item.scheme)): RunLine => ({
  id: item.id,
  legs: item.legs,
  sharesRests: item.sharesRests,
  machine: item.machine,
  sets,
});

const effectiveOf = ({ scheme, share }: ScoreItem, sets: readonly PlannedSet[]): number =>
  effectiveSets({ scheme, sets, share });

/** What a session takes and gives. Dosing rules G3, H3. */
export function scoreTotals(items: readonly ScoreItem[]): ScoreTotals {
  const lines = items.map((i) => runLineOf(i));
  const steps = runThrough(lines);
  const perItem = lines.map(
    (l, i): SchemeTotals => ({
      seconds: runSeconds(steps.filter((s) => s.lineId === l.id && s.kind !== "logging")),
      hard: hardOf(l.sets),
      effective: effectiveOf(items[i] as ScoreItem, l.sets),
      tensionS: tensionOf(l.sets),
    }),
  );
  const work = items.flatMap((item, i) => {
    const kind = workKindOf(item.exercise);
    const hard = perItem[i]?.hard ?? null;
    return kind && hard !== null ? [{ kind, hard }] : [];
  });
  const first = perItem.reduce((sum, t) => sum + t.tensionS, 0);
  const second = perItem.reduce((sum, t, i) => sum + (items[i]?.legs === "one" ? 0 : t.tensionS), 0);
  return {
    seconds: runSeconds(steps),
    steps,
    perItem,
    hard: work.reduce((sum, w) => sum + w.hard, 0),
    byMuscle: creditedTo(
      items.flatMap((item, i) => {
        const kind = workKindOf(item.exercise);
        return kind ? [{ kind, amount: perItem[i]?.effective ?? 0 }] : [];
      }),
    ),
    legs: { first, second },
  };
}

/** What would settle a note, for who wants it done at once. */
export type Fix =
  | { kind: "warm_up" }
  | { kind: "ramp"; itemId: string }
  /** the place among the items that it should have */
  | { kind: "move"; itemId: string; to: number };

/** Something about the order, with what to do. */
export interface OrderNote {
  itemId: string;
  said: Said;
  fix: Fix | null;
}

/** Schools of order that were chosen for the client or the clinic. */
export interface OrderSchool {
  calvesFirst: boolean;
  isolationFirst: boolean;
  /** where holds belong by what they did to this client's movements; null: nothing says. Rule Marker 2 */
  holds: "front" | "behind" | null;
}
export const USUAL_ORDER: OrderSchool = { calvesFirst: false, isolationFirst: false, holds: null };

/** With so many repetitions left, a set is light: a warm-up may stand anywhere [own]. */
const LIGHT_RESERVE = 4;
const WAKING_RESERVE = 3;
const LIGHT_EFFORT = 5;
const LIGHT_PERCENT = 30;
/** Straight sets with so few repetitions in all, done and left, are above two thirds of the maximum: ramp sets first (dosing rules D6). */
const RAMP_BELOW_REPS = 15;

function isLight(s: Scheme): boolean {
  if (s.kind === "straight") return s.reserve >= LIGHT_RESERVE;
  // one such set with some left is how a thigh is woken
  if (s.kind === "light") return s.sets === 1 && s.reserve >= WAKING_RESERVE;
  if (s.kind === "holds")
    return s.effort.kind === "felt" ? s.effort.felt <= LIGHT_EFFORT : s.effort.percent <= LIGHT_PERCENT;
  return s.kind === "stretch";
}

const isHeavyItem = ({ scheme: s }: ScoreItem): boolean => s.kind === "holds" && isHeavyHold(s);
const isCompound = (i: ScoreItem): boolean => i.exercise.match.class === "closed_knee";
const isIsolation = (i: ScoreItem): boolean =>
  i.exercise.match.class === "open_knee_extension" || i.exercise.match.class === "open_knee_flexion";
const isCalf = (i: ScoreItem): boolean => i.exercise.match.class === "calf";
const isHold = (i: ScoreItem): boolean => i.scheme.kind === "holds" && !isLight(i.scheme);
const isMoving = (i: ScoreItem): boolean =>
  i.scheme.kind !== "holds" && i.scheme.kind !== "stretch" && !isLight(i.scheme);
const isOnPlate = (i: ScoreItem): boolean => likeOf(i.exercise) === "calf_press";
const wantsRamp = (i: ScoreItem): boolean =>
  i.scheme.kind === "straight" &&
  i.scheme.reps + i.scheme.reserve < RAMP_BELOW_REPS &&
  i.exercise.match.load_floor !== "limb";

/**
 * The order of a session, checked: light first in either school, ramp sets to heavy loads, heavy supported work while
 * fresh, isolation after compound or light before it, no two heavy holds of one joint in a row, calves last unless they
 * are the aim and never before balance, safety pins before calves on the press. Every note says what to do. What bars a
 * scheme stands in its gates.
 */
export function orderNotes(items: readonly ScoreItem[], school: OrderSchool): OrderNote[] {
  const notes: OrderNote[] = [];
  const say = (item: ScoreItem, said: Said, fix: Fix | null = null) =>
    notes.push({ itemId: item.id, said, fix });
  const first = items[0];
  // ramp sets are a light start of their own
  if (first && !isLight(first.scheme) && isCompound(first) && first.scheme.kind !== "ramp")
    say(first, { code: "order.heavy_first" }, { kind: "warm_up" });
  const heavyCompound = items.find((i) => isCompound(i) && !isLight(i.scheme));
  if (heavyCompound && wantsRamp(heavyCompound))
    say(heavyCompound, saidWith("order.ramp", { name: heavyCompound.exercise.name }), {
      kind: "ramp",
      itemId: heavyCompound.id,
    });
  for (const [i, item] of items.entries()) {
    const before = items.slice(0, i);
    const after = items.slice(i + 1);
    const previous = items[i - 1];
    const isHeavySupported = isCompound(item) && item.exercise.match.is_machine && !isLight(item.scheme);
    const heavyBefore = before.findIndex((b) => !isLight(b.scheme));
    const tires = (b: ScoreItem) => !isLight(b.scheme) && !(school.holds === "front" && isHold(b));
    if (isHeavySupported && before.filter(tires).length >= 2)
      say(
        item,
        { code: "order.while_fresh" },
        {
          kind: "move",
          itemId: item.id,
          to: heavyBefore,
        },
      );
    const press = after.find((a) => isCompound(a) && !isLight(a.scheme));
    const staysFront = school.holds === "front" && isHold(item);
    if (!school.isolationFirst && !staysFront && isIsolation(item) && !isLight(item.scheme) && press)
      say(item, { code: "order.isolation" }, { kind: "move", itemId: item.id, to: items.indexOf(press) });
    if (
      previous &&
      isHeavyItem(previous) &&
      isHeavyItem(item) &&
      workKindOf(previous.exercise) === workKindOf(item.exercise)
    )
      say(
        item,
        { code: "order.two_holds" },
        after.length > 0 ? { kind: "move", itemId: item.id, to: i + 1 } : null,
      );
    if (isCalf(item) && after.length > 0) {
      const balance = after.find((a) => a.exercise.balance_demand_0_3 >= 2);
      const toEnd: Fix = { kind: "move", itemId: item.id, to: items.length - 1 };
      if (balance) say(item, saidWith("order.tired_calves", { name: balance.exercise.name }), toEnd);
      else if (!school.calvesFirst && after.some((a) => !isCalf(a) && a.scheme.kind !== "stretch"))
        say(item, { code: "order.calves_last" }, toEnd);
    }
    if (isHold(item) && school.holds === "front" && before.some(isMoving))
      say(
        item,
        { code: "order.holds_ease" },
        { kind: "move", itemId: item.id, to: items.findIndex(isMoving) },
      );
    if (isHold(item) && school.holds === "behind" && after.some(isMoving))
      say(
        item,
        { code: "order.holds_do_not_ease" },
        { kind: "move", itemId: item.id, to: items.findLastIndex(isMoving) },
      );
    if (isOnPlate(item)) say(item, { code: "order.pins_in" });
  }
  return notes;
}

/** Below this share of the other leg's work the legs are said to be out of balance [own]. */
const LEAST_OF_OTHER = 0.5;

/** What there is to say about left and right; null where both get about the same. */
export const legsNote = ({ first, second }: ScoreTotals["legs"]): Said | null =>
  second < LEAST_OF_OTHER * first ? { code: "order.other_leg" } : null;

/** Which lines share a plate or their rests, by the id of the first of them. */
export const tiesOf = (items: readonly ScoreItem[]): ReadonlyMap<string, string> =>
  new Map(
    groupsOf(items)
      .filter((g) => g.length > 1)
      .flatMap((g) => g.map((i): [string, string] => [i.id, (g[0] as ScoreItem).id])),
  );
