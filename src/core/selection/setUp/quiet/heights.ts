import type { Body } from "../../../body/segments";
import texts from "../../../equipment/text/en.json";
import { seatOffDeg } from "../../../mechanics/postures/dailyTasks";
import { type Exercise, likeOf } from "../../../rules/exercises";

/** What is sat on, touched or knelt on. */
export type HeightOf = "seat" | "box" | "pad";

/** How high, cm, the easiest first: an exercise without a load is made harder by going lower. Rule P3. */
export interface Heights {
  of: HeightOf;
  cm: readonly number[];
  usualCm: number;
}

const seats = (fromCm: number, toCm: number): number[] =>
  [80, 75, 70, 65, 60, 55, 50, 46, 43, 40].filter((cm) => cm <= fromCm && cm >= toCm);

/** As chairs, boxes and pads usually are, with cushions between [own]. */
const HEIGHTS: Readonly<Record<string, Heights>> = {
  chair_rise_hands: { of: "seat", cm: seats(80, 40), usualCm: 50 },
  sit_to_stand: { of: "seat", cm: seats(80, 40), usualCm: 46 },
  chair_rise_staggered: { of: "seat", cm: seats(80, 40), usualCm: 50 },
  single_squat_box: { of: "box", cm: seats(80, 40), usualCm: 55 },
  half_kneel_down_up: { of: "pad", cm: [30, 25, 20, 15, 10, 5], usualCm: 20 },
  kneel_both_pad: { of: "pad", cm: [20, 15, 10, 5], usualCm: 20 },
  kneel_high_pad: { of: "pad", cm: [50, 45, 40, 35], usualCm: 45 },
};

/** Null where nothing of it has a height. */
export const heightsOf = (e: Pick<Exercise, "id" | "like_id">): Heights | null => HEIGHTS[likeOf(e)] ?? null;

/** Beyond the model's range a higher seat is taken to bend little, a lower one too far. */
const SURELY_HIGH_CM = 55;

/** Knee flexion in which the weight comes off a seat or box; null where a height says nothing of it. */
export function bendAt(body: Body, of: HeightOf, cm: number): number | null {
  if (of === "pad") return null;
  return seatOffDeg(body, cm / 100) ?? (cm >= SURELY_HIGH_CM ? 0 : Number.POSITIVE_INFINITY);
}

/** The heights that bend the knee no further than is open. */
function openHeights(h: Heights, body: Body, mostDeg: number | null): number[] {
  return h.cm.filter((cm) => mostDeg === null || (bendAt(body, h.of, cm) ?? 0) <= mostDeg + 1e-9);
}

/** A height of a line, with those that are open. */
export interface HeightSet {
  of: HeightOf;
  cm: number;
  open: readonly number[];
}

/** As it was set, else the usual one, or the lowest that is open where that would bend too far; null where none is open. */
export function heightFor(
  h: Heights,
  body: Body,
  mostDeg: number | null,
  setCm: number | null,
): HeightSet | null {
  const open = openHeights(h, body, mostDeg);
  const cm = setCm ?? open.find((x) => x <= h.usualCm) ?? open.at(-1) ?? null;
  return cm === null ? null : { of: h.of, cm, open };
}

/** A height as a card says it. */
export const heightWords = ({ of, cm }: HeightSet): { key: string; name: string; value: string } => ({
  key: `${of}Cm`,
  name: texts.labels[of],
  value: `${cm} cm`,
});
