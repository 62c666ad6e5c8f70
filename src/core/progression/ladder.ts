import type { Irritability, School } from "./painRule";
import { stepSizes } from "./stepSizes";

export interface LadderInput {
  fromDeg: number;
  /** the goal; may lie above or below the start */
  toDeg: number;
  irritability: Irritability;
  school: School;
  /** barred ranges of knee flexion, degrees, both ends barred */
  blockedDeg: readonly (readonly [number, number])[];
}

/** Rungs of the isometric angle ladder from the start to the goal, both kept; barred angles left out. Dosing rules E6. */
export function ladder(input: LadderInput): number[] {
  const step = stepSizes(input.school, input.irritability).angleDeg;
  const direction = input.toDeg >= input.fromDeg ? 1 : -1;
  const rungs: number[] = [];
  for (let deg = input.fromDeg; direction * (input.toDeg - deg) > 0; deg += direction * step) rungs.push(deg);
  rungs.push(input.toDeg);
  return rungs.filter((deg) => !input.blockedDeg.some(([low, high]) => deg >= low && deg <= high));
}
