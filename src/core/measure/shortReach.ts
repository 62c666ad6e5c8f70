import type { Side } from "../units/fields";
import { type DatedMeasurement, newestOf } from "./findings";
import type { MeasurementKind } from "./measurementKinds";

/** Reach that is short, and the stretch that is meant for it. */
export interface ShortReach {
  kind: MeasurementKind;
  value: number;
  /** from here on it would not be short, in the measure's unit */
  enough: number;
  stretchId: string;
}

/** What counts as short, and the stretch of each [own]; nothing of it is a limit. Rule "Measured 4". */
const ENOUGH: readonly { kind: MeasurementKind; enough: number; isLess: boolean; stretchId: string }[] = [
  { kind: "straight_leg_raise", enough: 70, isLess: true, stretchId: "str_hamstring" },
  { kind: "knee_to_wall", enough: 8, isLess: true, stretchId: "str_calf_bent" },
  { kind: "heel_to_buttock", enough: 10, isLess: false, stretchId: "str_quad_standing" },
  { kind: "toe_touch", enough: 10, isLess: false, stretchId: "str_hamstring" },
];

/** What of the newest values of a side is short, each stretch once. */
export function shortReach(all: readonly DatedMeasurement[], side: Side): ShortReach[] {
  const found = ENOUGH.flatMap(({ kind, enough, isLess, stretchId }) => {
    const value = newestOf(all, kind, side)?.value;
    const isShort = value !== undefined && (isLess ? value < enough : value > enough);
    return isShort ? [{ kind, value, enough, stretchId }] : [];
  });
  return found.filter((f, i) => found.findIndex((x) => x.stretchId === f.stretchId) === i);
}
