import { PAINFUL_ARC_DAYS, type PainfulArc, type PainfulMove, painfulMove } from "../strength/painfulArc";
import { daysBetween } from "../units/days";
import type { Side } from "../units/fields";
import type { DatedMeasurement } from "./findings";

/** A painful arc as it was measured: `value` is the worst pain in it, 0 that none was found. */
export interface MeasuredArc extends DatedMeasurement {
  moved: PainfulMove | null;
  fromDeg: number | null;
  toDeg: number | null;
  loadKg: number | null;
}

/** Of each way of moving the newest on a side: where it hurts now. Rule K27. */
export function painfulArcsNow(all: readonly MeasuredArc[], side: Side, today: string): PainfulArc[] {
  const of = all.filter(
    (m) => m.kind === "painful_arc" && m.side === side && daysBetween(m.takenOn, today) <= PAINFUL_ARC_DAYS,
  );
  return painfulMove.options.flatMap((moved) => {
    const newest = of.find((m) => m.moved === moved);
    if (!newest || newest.value === 0 || newest.fromDeg === null || newest.toDeg === null) return [];
    const { fromDeg, toDeg, loadKg, value: pain, takenOn: on } = newest;
    return [{ moved, fromDeg, toDeg, loadKg, pain, on }];
  });
}
