import { type Said, saidWith } from "../../units/said";
import { signOf } from "../setUp/loadContext";
import type { Basis } from "../setUp/row";
import { strengthAt } from "../setUp/strengthKnown";
import type { ReferenceTask } from "../tissue/tissues";
import { atAngle, atEqualMoment, type Compared } from "./compare";
import type { ReadyQuestion } from "./questions";
import { rowOf, type SheetInput } from "./rangeSheet";

/** One side of a comparison: a set-up with its name. */
export interface Side {
  name: Said;
  setUp: Compared["setUp"] | null;
  /** +1 straightens the knee, -1 bends it */
  sign: 1 | -1;
}

/** Where most knees are strongest: equal moments are a share of that. */
const STRONGEST_DEG = 60;
/** Kilograms of a ready question that is asked at equal load. */
const ASKED_KG: Readonly<Record<string, number>> = { "standing-extension": 8 };
const USUAL_ASKED_KG = 40;

/** The same question without anything that bounds this client: it is about machines. */
export const freeOf = (input: SheetInput, basis: Basis): SheetInput => ({
  ...input,
  limits: {},
  capTimes: null,
  weight: { mostN: null, barsPresses: null },
  basis,
  motion: { shortOfStraightDeg: null, bendDeg: null },
});

/** A ready question is about machines, not about this client's limits: it is answered inside free limits. */
export function askedSides(q: ReadyQuestion, input: SheetInput, effortShare: number): Side[] {
  const kg = ASKED_KG[q.id] ?? USUAL_ASKED_KG;
  const free = freeOf(
    input,
    q.basis === "load" ? { kind: "load", kg } : { kind: "effort", share: effortShare },
  );
  return q.sides.map((s, side) => {
    const e = input.exercises.find((x) => x.id === s.exerciseId);
    const row = e ? rowOf(e, free, { settings: s.settings, load: s.load }) : [];
    const name = saidWith("compare.side", { question: q.id, side });
    return { name, setUp: Array.isArray(row) ? null : row.computed, sign: e ? signOf(e) : 1 };
  });
}

/** Sides at an angle, where the model reaches; at equal work of the knee there if wished. */
export function comparedAt(
  sides: readonly Side[],
  input: SheetInput,
  chair: ReferenceTask,
  deg: number,
  equalMoment: { share: number } | null,
): Compared[] {
  const nm = equalMoment
    ? equalMoment.share * (strengthAt(input.strength, "extension", STRONGEST_DEG)?.low ?? 0)
    : 0;
  return sides.flatMap((s): Compared[] => {
    if (!s.setUp) return [];
    const setUp = equalMoment ? atEqualMoment(s.setUp, s.sign, nm, deg) : s.setUp;
    const here = atAngle(input.body, setUp, chair, deg);
    return here ? [{ name: s.name, setUp, here }] : [];
  });
}
