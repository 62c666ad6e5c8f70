import type { KeptLine } from "./keptLine";

/** A line whose machine the clinic does not have any more: it is not run on another one (docs/rules.md, K16). */
export interface GoneLine {
  sheetId: string;
  sheetName: string;
  lineId: string;
  exerciseId: string;
  exerciseName: string;
  /** as it was called; null: a kind that this clinic never had */
  machineName: string | null;
  /** what could stand in, best first */
  instead: readonly string[];
}

/** What a kept line asks of the gym. */
export interface Gym {
  /** ids of machines in use */
  inUse: ReadonlySet<string>;
  /** the exercise has what it needs in this clinic */
  isAtHand: (exerciseId: string) => boolean;
}

/** Whether the machine of a line as it was saved is gone. */
export const isGone = (kept: Pick<KeptLine, "machineId" | "exerciseId">, gym: Gym): boolean =>
  kept.machineId === null ? !gym.isAtHand(kept.exerciseId) : !gym.inUse.has(kept.machineId);
