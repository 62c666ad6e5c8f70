import type { LimitsRecord } from "../rules/limitsRecord";
import type { RangeRow } from "../selection/rangeSheet";
import type { Scheme } from "./scheme";
import { type ScoreItem, scoreTotals } from "./sessionScore";

/** Where a session is done, and what it is for. */
export interface TemplateWish {
  place: "gym" | "home";
  minutes: number;
}

const TEMPO = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 } as const;

const holds = (feltEffort: number): Scheme => ({
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 30,
  restS: 60,
  setRestS: 0,
  feltEffort,
});
const straight = (sets: number, reps: number, reserve: number): Scheme => ({
  kind: "straight",
  sets,
  reps,
  reserve,
  tempo: TEMPO,
  restS: 90,
});

/** Reserve that a phase asks for, and the most effort it allows, as a starting point. */
const reserveOf = (l: LimitsRecord): number => Math.min(8, Math.max(2, l.effort.min_reps_in_reserve));

/**
 * A session made from the rules: a light start, the best-ranked press or squat, the front and the back of the thigh, the
 * hip, the calves last. Only what fits today's limits, is at hand and needs no unlocking; holds instead of sets where
 * they come first. A draft for the therapist, not a plan.
 */
export function sessionTemplate(
  rows: readonly RangeRow[],
  limits: LimitsRecord,
  wish: TemplateWish,
): ScoreItem[] {
  const fits = rows.filter(
    (r) =>
      !r.e.match.requires_unlock &&
      r.e.match.class !== "stretch" &&
      !r.computed?.tooHeavyBecause &&
      (wish.place === "home" ? r.e.home_ready : r.isAtHand),
  );
  const items: ScoreItem[] = [];
  const used = new Set<string>();
  const take = (choose: (r: RangeRow) => boolean, schemeOf: (r: RangeRow) => Scheme) => {
    const row = fits.find((r) => !used.has(r.e.id) && choose(r));
    if (!row) return;
    used.add(row.e.id);
    items.push({
      id: row.e.id,
      exercise: row.e,
      scheme: schemeOf(row),
      sides: row.e.match.single_leg || row.e.match.static_hold ? 2 : 1,
    });
  };
  const reserve = reserveOf(limits);
  const isHold = (r: RangeRow) => r.e.match.static_hold;
  const effort = Math.min(6, limits.effort.max_rpe_0_10);
  // the hip and the calves stand behind the knee's work, so that they go first when time is short
  const work = (r: RangeRow): Scheme =>
    isHold(r) || (limits.isometric_first && r.e.isometric.possible)
      ? holds(effort)
      : straight(3, 10, reserve);
  const is =
    (...classes: RangeRow["e"]["match"]["class"][]) =>
    (r: RangeRow) =>
      classes.includes(r.e.match.class);
  // a light start: a hold where holds come first, else light sets of an extension or a quad set
  take(
    (r) => is("open_knee_extension", "static_quad")(r) && (limits.isometric_first ? isHold(r) : true),
    (r) => (isHold(r) ? holds(Math.min(4, effort)) : straight(1, 15, Math.max(5, reserve))),
  );
  take((r) => is("closed_knee")(r) && !isHold(r), work);
  if (wish.minutes >= 30) take(is("open_knee_extension"), work);
  take(is("open_knee_flexion", "closed_knee_flexion"), work);
  if (wish.minutes >= 20) take(is("hip_open", "hip_hinge"), work);
  if (wish.minutes >= 30) take(is("calf"), work);
  return inTime(items, wish.minutes * 60);
}

/** Fewer sets first, from the end; then fewer exercises, never below the light start and two more. */
function inTime(items: ScoreItem[], seconds: number): ScoreItem[] {
  let kept = items;
  const isOver = () => scoreTotals(kept).seconds > seconds;
  for (let i = kept.length - 1; i > 0 && isOver(); i--)
    kept = kept.map((item, at) =>
      at === i && item.scheme.kind === "straight" ? { ...item, scheme: { ...item.scheme, sets: 2 } } : item,
    );
  while (kept.length > LEAST_ITEMS && isOver()) kept = kept.slice(0, -1);
  return kept;
}
const LEAST_ITEMS = 3;
