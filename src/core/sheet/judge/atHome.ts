import { isAlwaysThere } from "../../selection/fit/exerciseUse";
import type { GymMachine } from "../../selection/setUp/machineFor";
import type { KeptLine } from "../line/keptLine";
import type { JudgedLine } from "./judgeScore";

/** Why a line is not for a sheet that is done at home; empty where it is. */
export function homeBars(j: JudgedLine, machines: readonly GymMachine[]): string[] {
  const machine = machines.find((m) => m.id === j.machineId);
  return machine && !isAlwaysThere(machine.family)
    ? [
        `${machine.name} stands in the clinic, and this sheet is done at home: take its home version, or make it a gym sheet`,
      ]
    : [];
}

/** A line as it is done at home: hands or a strap hold against the shin, and nobody there reads how many kilograms. */
export function keptAtHome(kept: KeptLine, j: JudgedLine): KeptLine {
  if (!j.load?.setUp?.chosen.family.isHeldByHand) return kept;
  return {
    ...kept,
    sets: kept.sets.map((s) => ({ ...s, loadKg: null, how: null })),
    lighter: [],
    aimForceN: null,
  };
}
