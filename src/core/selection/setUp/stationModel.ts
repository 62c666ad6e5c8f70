import type { Station as CapacityStation, StationAngle } from "../../capacity/station";
import { LIFTS_OF_HELD } from "../../strength/liftsOfHeld";
import { REPETITION_MULTIPLIER } from "../../strength/repetitionMaximum";
import { CURVE_SURE_FROM_DEG, CURVE_SURE_TO_DEG } from "../../strength/torqueAngleShape";
import type { ExerciseUse } from "../fit/exerciseUse";
import { directionOf, liftOf, signOf } from "./loadContext";
import type { ChosenMachine } from "./machineFor";
import type { Station } from "./station";
import { type CurvesKnown, shapeAt } from "./strengthKnown";
import { MOST_LOAD_KG } from "./workingLoad";

/**
 * Where a load is moved, by name: a machine of the clinic, or the thing that stands in everywhere, on these legs. What
 * was shown with one set-up of it speaks for every other, since geometry tells them apart [own, coarser than rule L1].
 */
export const stationIdOf = (
  { id, family }: Pick<ChosenMachine, "id" | "family">,
  use: Pick<ExerciseUse, "legs">,
) => `${id ?? family.id}|${use.legs}`;

/** The station that a set-up is loaded on; null: it is held, and asks the knee alone. */
export const loadedOn = ({ e, chosen, use }: Pick<Station, "e" | "chosen" | "use">): string | null =>
  e.match.static_hold ? null : stationIdOf(chosen, use);

/** Loads that are looked at for which angle is the hardest. */
const LOOKED_AT_KG = 2;

/** The angles that are the hardest at some load: the others say nothing. */
function hardest(angles: readonly StationAngle[]): StationAngle[] {
  const kept = new Set<StationAngle>();
  for (let kg = 0; kg <= MOST_LOAD_KG; kg += LOOKED_AT_KG) {
    let most: StationAngle | null = null;
    let mostNm = Number.NEGATIVE_INFINITY;
    for (const a of angles) {
      const nm = (a.bareNm + a.perKgNm * kg) / a.shape;
      if (nm > mostNm) [most, mostNm] = [a, nm];
    }
    if (most) kept.add(most);
  }
  return angles.filter((a) => kept.has(a));
}

/** A set-up as capacity sees it; null where the curve says nothing sure at any of its angles. Rule L3. */
export function capacityStation(
  station: Pick<Station, "e" | "use" | "chosen" | "inside">,
  known: CurvesKnown,
): CapacityStation | null {
  const { e, use, inside } = station;
  const sign = signOf(e);
  const angles = inside
    .filter((a) => a.deg >= CURVE_SURE_FROM_DEG && a.deg <= CURVE_SURE_TO_DEG)
    .map((a) => ({
      bareNm: sign * a.bare.kneeMomentNm,
      perKgNm: sign * a.perUnit.knee,
      shape: shapeAt(known, directionOf(e), a.deg),
    }));
  if (angles.length === 0) return null;
  return {
    id: stationIdOf(station.chosen, use),
    angles: hardest(angles),
    eta: e.match.static_hold ? 1 : LIFTS_OF_HELD,
    isOwn: use.share < 1,
    repetitionsFactor: REPETITION_MULTIPLIER[liftOf(e)],
  };
}
