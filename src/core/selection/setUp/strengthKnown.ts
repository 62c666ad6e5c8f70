import type { CurveCan } from "../../capacity/capacityAt";
import { type Learnt, type StationLearnt, shownOn } from "../../capacity/learn";
import { type Care, LOW_END_Z, lowOf, zOf } from "../../capacity/shows";
import { CURVE_SURE_FROM_DEG, CURVE_SURE_TO_DEG, torqueAngleShape } from "../../strength/torqueAngleShape";
import type { StrengthBand } from "../../strength/untestedStrength";
import { toRadians } from "../../units/clamp";

export type Direction = "extension" | "flexion";

/** What a movement of the knee can do: learnt from everything that was done, with the peak of its own curve. */
export interface MovementKnown extends Learnt {
  /** knee flexion at the peak; null: the usual */
  peakDeg: number | null;
  /** angles that were lately tested with a cell */
  testedDeg: readonly number[];
}

/** What the leg can give. The one answer that everything asks. Rule L6. */
export interface KnownStrength extends Readonly<Record<Direction, MovementKnown>> {
  /** straightening of the hip, the same at all angles for want of a curve */
  hip: StrengthBand & { isTested: boolean };
  /** largest moments of what the client does every day, N·m; null where nothing is known of it */
  daily: { kneeNm: number; hipNm: number } | null;
  /** machines that leave the knee quiet, in kilograms, by `quietStationIdOf` */
  quiet: Readonly<Record<string, StationLearnt>>;
  /** how carefully loads are set */
  care: Care;
}

/** Strength at a place, N·m. */
export interface Strength extends StrengthBand {
  /** what limits and percentages count from: nine in ten can do more */
  sure: number;
  /** something was tested or shown in sets that speaks for it */
  isTested: boolean;
}

export const movementOf = (d: Direction) => (d === "extension" ? "knee_extension" : "knee_flexion");

/** What is known of a movement on a station. */
export const stationKnown = (known: KnownStrength, d: Direction, stationId: string | null) =>
  (stationId !== null && known[d].stations[stationId]) || null;

/** Where the curves of the knee have their peaks. */
export type CurvesKnown = Readonly<Record<Direction, Pick<MovementKnown, "peakDeg">>>;

/** What a movement can do over its angles. */
export const curveCan = (known: Pick<KnownStrength, Direction>, d: Direction): CurveCan => ({
  movement: movementOf(d),
  ...known[d],
});

/** The shape of a movement's own curve at an angle. */
export const shapeAt = (known: CurvesKnown, d: Direction, kneeFlexionDeg: number): number => {
  const { peakDeg } = known[d];
  return torqueAngleShape(movementOf(d), kneeFlexionDeg, peakDeg === null ? undefined : toRadians(peakDeg));
};

/**
 * Torque the knee can give at an angle, N·m, on a station or (null) held; null where the curve is doubtful (below 20°,
 * above 100°): no load is set by it. `low` sets loads, as far below the middle as the doubt and the care ask.
 */
export function strengthAt(
  known: KnownStrength,
  direction: Direction,
  kneeFlexionDeg: number,
  stationId: string | null = null,
): Strength | null {
  if (kneeFlexionDeg < CURVE_SURE_FROM_DEG || kneeFlexionDeg > CURVE_SURE_TO_DEG) return null;
  const shown = shownOn(known[direction], stationId);
  const { mean, sd } = shown;
  const shape = shapeAt(known, direction, kneeFlexionDeg);
  const at = (z: number) => Math.exp(mean + z * sd) * shape;
  const proved = stationKnown(known, direction, stationId)?.proved;
  return {
    low: lowOf(shown, zOf(sd, known.care), proved) * shape,
    sure: lowOf(shown, LOW_END_Z, proved) * shape,
    middle: at(0),
    high: at(LOW_END_Z),
    isTested: known[direction].from !== "prior" || stationKnown(known, direction, stationId) !== null,
  };
}
