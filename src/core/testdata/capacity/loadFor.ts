import { lowOf, type Shown } from "../../capacity/shows";
import { demandNm, hardestOf, type Station } from "../../capacity/station";
import { kFactorUnbounded } from "../../strength/repetitionMaximum";

/**
 * The largest real load for so many repetitions with so many left, z below the middle but never below what was proved;
 * of help the least that is enough. Null where even the easiest asks for more. Rule L6, of one station alone.
 */
export function loadFor(
  shown: Shown,
  station: Station,
  loads: readonly number[],
  { reps, reserve }: { reps: number; reserve: number },
  z: number,
  proved: number | null = null,
): number | null {
  const most = lowOf(shown, z, proved) / kFactorUnbounded((reps + reserve) / station.repetitionsFactor);
  const fits = loads.filter((l) => demandNm(station, l) <= most + 1e-9);
  return fits.length === 0 ? null : hardestOf(station, fits);
}
