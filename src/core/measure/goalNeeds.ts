import { GOALS, type GoalNeed } from "../rules/goals";
import { type Movement, movement as movements } from "../strength/movements";
import { limbSymmetry } from "../strength/symmetry";
import type { Side } from "../units/fields";
import { type DatedMeasurement, type DatedStrength, newestOf, pairedStrength } from "./findings";
import {
  MEASUREMENT_KIND_IDS,
  type MeasurementGroup,
  type MeasurementKind,
  measurementKind,
  realChangeFrom,
} from "./measurementKinds";
import { sitToStandBelow } from "./sitToStand";

/** What a goal asks, beside what is on record of it. Rule "Measured 5". */
export interface NeedOfGoal {
  goalId: string;
  /** what tells it */
  measure: MeasurementKind | Movement;
  as: "value" | "symmetry" | "per_kg";
  comparator: ">=" | "<=";
  need: number;
  unit: string;
  /** null: never measured */
  have: { value: number; on: string } | null;
  /** what is missing as a share of what is asked, 0 met to 1; null: never measured */
  shortfall: number | null;
  /** where it is measured */
  part: "strength" | MeasurementGroup;
}

export interface NeedsKnown {
  measurements: readonly (DatedMeasurement & { armsUsed?: boolean | null; stepM?: number | null })[];
  strength: readonly DatedStrength[];
  side: Side;
  bodyMassKg: number;
  ageYears: number;
  normSex: "female" | "male" | null;
}

/** Step-downs for stairs are from a stair's height. */
const STAIR_M = 0.18;
/** At these angles a torque is compared with the body's mass. */
const PER_KG_DEG = { least: 60, most: 90 } as const;
const FIVE_RISES_S = [
  { from: 80, s: 14.8 },
  { from: 70, s: 12.6 },
  { from: 0, s: 11.4 },
] as const;

const isKind = (id: string): id is MeasurementKind =>
  (MEASUREMENT_KIND_IDS as readonly string[]).includes(id);

/**
 * What the goals ask that a number of the record tells, the largest gap first, then what nobody measured, then what is met.
 * A thing that several goals ask stands once, as the one that asks most of it.
 */
export function needsOfGoals(goalIds: readonly string[], known: NeedsKnown): NeedOfGoal[] {
  const all = goalIds.flatMap((goalId) =>
    (GOALS.find((g) => g.id === goalId)?.needs ?? []).flatMap((n) => needOf(goalId, n, known) ?? []),
  );
  const hardest = new Map<string, NeedOfGoal>();
  for (const n of all) {
    const key = `${n.measure} ${n.as}`;
    const other = hardest.get(key);
    const isHarder = !other || (n.comparator === ">=" ? n.need > other.need : n.need < other.need);
    if (isHarder) hardest.set(key, n);
  }
  return [...hardest.values()].sort((a, b) => rankOf(b) - rankOf(a));
}

const rankOf = (n: NeedOfGoal): number => (n.shortfall === null ? 0 : n.shortfall > 0 ? n.shortfall : -1);

/** A share of the other leg, or of the body's mass, is known to about so much of itself [own]. */
const SHARE_ERROR = 0.1;

/** What is short by most, of what was measured and by more than its own error; null where nothing is. */
export const largestGap = (needs: readonly NeedOfGoal[]): NeedOfGoal | null =>
  needs.find(isBeyondError) ?? null;

function isBeyondError({ as, have, measure, need, shortfall }: NeedOfGoal): boolean {
  if (!have || !shortfall) return false;
  if (as !== "value" || !isKind(measure)) return shortfall >= SHARE_ERROR;
  return Math.abs(need - have.value) >= (realChangeFrom(measure, have.value) ?? 0);
}

function needOf(goalId: string, n: GoalNeed, known: NeedsKnown): NeedOfGoal | null {
  if (n.by === null || n.value === null || n.comparator === "therapist_sets") return null;
  const { as } = n.by;
  const strength = movements.safeParse(n.by.measure);
  const measure = strength.success ? strength.data : n.by.measure;
  if (!strength.success && !isKind(measure)) return null;
  const need = normOf(measure, n.value, known);
  const have = strength.success
    ? strengthOf(strength.data, as, known)
    : measuredOf(measure as MeasurementKind, as, known);
  return {
    ...{ goalId, as, need, have, comparator: n.comparator },
    measure: measure as NeedOfGoal["measure"],
    unit:
      as === "symmetry" ? "%" : as === "per_kg" ? "N·m/kg" : measurementKind(measure as MeasurementKind).unit,
    shortfall: have && shortOf(have.value, need, n.comparator, measure),
    part: strength.success ? "strength" : measurementKind(measure as MeasurementKind).group,
  };
}

/** By age and sex where a table has them, else as the goal says. */
function normOf(measure: string, value: number, { ageYears, normSex }: NeedsKnown): number {
  if (measure === "five_rises") return FIVE_RISES_S.find((x) => ageYears >= x.from)?.s ?? value;
  if (measure !== "sit_to_stand_30s" || normSex === null) return value;
  return sitToStandBelow(normSex === "female" ? "F" : "M", ageYears, 0)?.cut ?? value;
}

function measuredOf(kind: MeasurementKind, as: NeedOfGoal["as"], known: NeedsKnown): NeedOfGoal["have"] {
  // with arms a rise counts as none; a step lower than a stair says nothing of stairs
  const of = known.measurements.filter(
    (m) => m.armsUsed !== true && (kind !== "step_downs_30s" || (m.stepM ?? 0) >= STAIR_M),
  );
  const own = newestOf(of, kind, known.side);
  if (!own) return null;
  if (as !== "symmetry") return { value: own.value, on: own.takenOn };
  const other = newestOf(of, kind, known.side === "left" ? "right" : "left");
  return other && other.value > 0
    ? { value: Math.round((100 * own.value) / other.value), on: own.takenOn }
    : null;
}

function strengthOf(movement: Movement, as: NeedOfGoal["as"], known: NeedsKnown): NeedOfGoal["have"] {
  if (as === "symmetry") {
    const pair = pairedStrength(known.strength, movement, known.side);
    const found = pair && limbSymmetry(pair.involvedNm, pair.otherNm);
    return pair && found ? { value: Math.round(found.lsiPct), on: pair.on } : null;
  }
  const { least, most } = PER_KG_DEG;
  const own = known.strength
    .filter((t) => t.movement === movement && t.side === known.side && t.isReliable)
    .filter((t) => t.kneeFlexionDeg >= least && t.kneeFlexionDeg <= most)
    .toSorted((a, b) => b.takenOn.localeCompare(a.takenOn) || b.torqueNm - a.torqueNm)[0];
  return own ? { value: Math.round((10 * own.torqueNm) / known.bodyMassKg) / 10, on: own.takenOn } : null;
}

/** (need − have) / need, 0 where it is met; of a need of none the share of the whole scale. */
function shortOf(have: number, need: number, comparator: ">=" | "<=", measure: string): number {
  const missing = comparator === ">=" ? need - have : have - need;
  const whole = need !== 0 ? Math.abs(need) : isKind(measure) ? measurementKind(measure).most : 1;
  return Math.min(1, Math.max(0, missing / whole));
}
