import type { ClientFindings } from "../phases/phaseCriteria";
import type { Movement } from "../strength/movements";
import { isSameAngle } from "../strength/sameAngle";
import { limbSymmetry, type Symmetry } from "../strength/symmetry";
import { daysBetween } from "../units/days";
import type { Side } from "../units/fields";
import type { MeasurementKind } from "./measurementKinds";

/** What a phase is judged by must not be older than this [own]. */
export const FINDING_VALID_DAYS = 28;

export interface DatedMeasurement {
  kind: MeasurementKind;
  side: Side | null;
  value: number;
  way: "active" | "passive" | null;
  /** ISO day */
  takenOn: string;
}

export interface DatedStrength {
  movement: Movement;
  side: Side;
  kneeFlexionDeg: number;
  torqueNm: number;
  isReliable: boolean;
  takenOn: string;
}

/** The newest of a kind on a side (or without a side), null when there is none. */
export function newestOf<M extends DatedMeasurement>(
  all: readonly M[],
  kind: MeasurementKind,
  side: Side,
): M | null {
  const of = all.filter((m) => m.kind === kind && (m.side === null || m.side === side));
  return of.reduce<M | null>((newest, m) => (newest && newest.takenOn >= m.takenOn ? newest : m), null);
}

export interface PairedStrength {
  kneeFlexionDeg: number;
  involvedNm: number;
  /** the highest the other leg ever gave at this angle: it weakens too */
  otherNm: number;
  on: string;
  isReliable: boolean;
}

/** Both sides of a movement at one and the same angle: the newest reliable test of the involved side that has a partner. */
export function pairedStrength(
  tests: readonly DatedStrength[],
  movement: Movement,
  involved: Side,
): PairedStrength | null {
  const own = tests
    .filter((t) => t.movement === movement && t.side === involved)
    .sort(
      (a, b) =>
        b.takenOn.localeCompare(a.takenOn) ||
        Math.abs(a.kneeFlexionDeg - 60) - Math.abs(b.kneeFlexionDeg - 60),
    );
  for (const t of own) {
    const others = tests.filter(
      (o) =>
        o.movement === movement && o.side !== involved && isSameAngle(o.kneeFlexionDeg, t.kneeFlexionDeg),
    );
    if (others.length === 0) continue;
    return {
      kneeFlexionDeg: t.kneeFlexionDeg,
      involvedNm: t.torqueNm,
      otherNm: Math.max(...others.map((o) => o.torqueNm)),
      on: t.takenOn,
      isReliable: t.isReliable && others.every((o) => o.isReliable),
    };
  }
  return null;
}

/**
 * What the measurements say about a phase's exit criteria. What is older than four weeks counts as not measured.
 * Straightening: passive where it was taken so, otherwise active.
 */
export function findingsFrom(input: {
  measurements: readonly DatedMeasurement[];
  strength: readonly DatedStrength[];
  side: Side;
  today: string;
  weeks: number;
  weeksInPhase: number;
  functionalMet: readonly string[];
}): ClientFindings {
  const { side, today } = input;
  const isFresh = (on: string): boolean => daysBetween(on, today) <= FINDING_VALID_DAYS;
  const fresh = input.measurements.filter((m) => isFresh(m.takenOn));
  const value = (kind: MeasurementKind): number | null => newestOf(fresh, kind, side)?.value ?? null;
  const passive = fresh.filter((m) => m.way === "passive");
  const straightening =
    newestOf(passive, "knee_straightening", side) ?? newestOf(fresh, "knee_straightening", side);
  const symmetry = (movement: Movement): Symmetry | null => {
    const pair = pairedStrength(input.strength, movement, side);
    return pair && isFresh(pair.on) ? limbSymmetry(pair.involvedNm, pair.otherNm) : null;
  };
  return {
    weeks: input.weeks,
    weeksInPhase: input.weeksInPhase,
    extensionDeficitDeg: straightening ? Math.max(0, straightening.value) : null,
    flexionDeg: value("knee_bend"),
    swellingGrade: value("swelling"),
    quadricepsLagDeg: value("quadriceps_lag"),
    quadricepsSymmetry: symmetry("knee_extension"),
    hamstringSymmetry: symmetry("knee_flexion"),
    restingPain: value("daily_pain"),
    functionalMet: input.functionalMet,
  };
}
