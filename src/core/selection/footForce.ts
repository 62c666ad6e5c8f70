import type { Body } from "../body/segments";
import type { SetUp } from "../equipment/families/family";
import { geometryOf } from "../equipment/machine";
import { length } from "../mechanics/vector";
import { InputError } from "../units/inputError";
import type { ChosenMachine } from "./machineFor";

/** Largest force through the foot of the looked-at leg, N; none where it hangs free or the angle is out of reach. */
export function footForceN(body: Body, chosen: ChosenMachine, setUp: SetUp, kneeFlexionDeg: number): number {
  try {
    const { forces } = chosen.family.solve(body, geometryOf(chosen.machine), setUp, kneeFlexionDeg);
    return Math.max(0, ...forces.filter((f) => f.segment === "foot").map((f) => length(f.forceN)));
  } catch (error) {
    if (error instanceof InputError) return 0;
    throw error;
  }
}
