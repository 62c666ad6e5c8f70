import type { Body } from "../../body/segments";
import type { Station as CapacityStation } from "../../capacity/station";
import { EXERCISES } from "../../rules/exercises";
import { allowedArc } from "../fit/allowedArc";
import { exerciseUse, quietMachines } from "../fit/exerciseUse";
import { directionOf } from "./loadContext";
import { type GymMachine, machineFor } from "./machineFor";
import { quietStationIdOf } from "./quiet/quietCaps";
import { stationOf } from "./station";
import { capacityStation } from "./stationModel";
import type { CurvesKnown, Direction } from "./strengthKnown";

/** Kilograms on a machine that leaves the knee quiet. */
export const quietStation = (machineId: string, twoLegs: boolean): CapacityStation => ({
  id: quietStationIdOf(machineId, twoLegs),
  angles: [{ bareNm: 0, perKgNm: 1, shape: 1 }],
  eta: 1,
  isOwn: true,
  repetitionsFactor: 1,
});

/**
 * The station that a repetition test on a machine was taken on: the machine as it is usually set for this body, on these
 * legs; `direction` is null where the knee has no part in it. Null: nothing of the catalogue is done there like that.
 */
export function testStation(
  machine: GymMachine,
  twoLegs: boolean,
  body: Body,
  curves: CurvesKnown,
): { station: CapacityStation; direction: Direction | null } | null {
  for (const e of EXERCISES) {
    const use = exerciseUse(e);
    if (!use || use.share < 1 !== twoLegs || use.isUnloaded || e.match.static_hold) continue;
    if (!use.families.some((f) => f === machine.family)) continue;
    const allowed = allowedArc(e, {}, { shortOfStraightDeg: null, bendDeg: null });
    const chosen = machineFor(use, [machine], machine.id);
    const found = allowed && stationOf(e, use, chosen, allowed, { body, limits: {} });
    const station = found && !("code" in found) ? capacityStation(found, curves) : null;
    if (station) return { station, direction: directionOf(e) };
  }
  return EXERCISES.some((e) => quietMachines(e).includes(machine.family))
    ? { station: quietStation(machine.id, twoLegs), direction: null }
    : null;
}
