import { type CapacityEvent, learn, type StationLearnt } from "../../capacity/learn";
import type { Care } from "../../capacity/shows";
import { EXERCISES } from "../../rules/exercises";
import { quietMachines } from "../../selection/fit/exerciseUse";
import { quietStationIdOf } from "../../selection/setUp/quiet/quietCaps";
import type { KnownStrength, MovementKnown } from "../../selection/setUp/strengthKnown";
import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import { torqueAngleShape } from "../../strength/torqueAngleShape";
import type { StrengthEstimate } from "../../strength/untestedStrength";

export const DAY = "2026-01-05";

/** A movement of which only this torque at 60° is known, and that surely. */
export function surely(direction: "extension" | "flexion", torqueNm: number): MovementKnown {
  const peakNm =
    torqueNm / torqueAngleShape(direction === "extension" ? "knee_extension" : "knee_flexion", 60);
  return {
    peak: { mean: Math.log(peakNm), sd: 0 },
    from: "trials",
    stations: {},
    moved: [],
    peakDeg: null,
    testedDeg: [60],
  };
}

/** What is known of somebody of whom nothing was seen but what is done every day. */
export function knownOf(estimate: StrengthEstimate, care: Care = "low"): KnownStrength {
  const daily: CapacityEvent[] = estimate.daily
    ? [{ kind: "daily", on: DAY, id: "daily", demandNm: estimate.daily.peakNm, shape: 1 }]
    : [];
  const of = (prior: StrengthEstimate["extension"], events: CapacityEvent[]): MovementKnown => ({
    ...learn(prior, events, DAY),
    peakDeg: null,
    testedDeg: [],
  });
  return {
    extension: of(estimate.extension, daily),
    flexion: of(estimate.flexion, []),
    hip: { ...estimate.hip, isTested: false },
    daily: estimate.daily,
    quiet: {},
    care,
  };
}

export interface ShownSet {
  machineName: string;
  twoLegs: boolean;
  loadKg: number;
  reps: number;
  reserve: number;
}

/** The same with a station on which a set was shown: what it says is what its repetitions say. */
export function withShown(
  known: KnownStrength,
  set: ShownSet & { machineId: string },
  demandNm: (loadKg: number) => number,
  direction: "extension" | "flexion" = "extension",
  m = 1,
): KnownStrength {
  const shown = (of: number): StationLearnt => ({
    shown: { mean: Math.log(of * kFactorUnbounded((set.reps + set.reserve) / m)), sd: 0 },
    course: [],
    proved: null,
    visits: 1,
    doneKg: set.loadKg,
    lastOn: DAY,
  });
  const isQuiet = EXERCISES.some((e) => quietMachines(e).includes(set.machineId));
  const quietId = quietStationIdOf(set.machineId, set.twoLegs);
  const id = `${set.machineId}|${set.twoLegs ? "two" : "one"}`;
  const movement = known[direction];
  return {
    ...known,
    [direction]: { ...movement, stations: { ...movement.stations, [id]: shown(demandNm(set.loadKg)) } },
    quiet: isQuiet ? { ...known.quiet, [quietId]: shown(set.loadKg) } : known.quiet,
  };
}
