import { z } from "zod";
import type { Exercise } from "../../rules/exercises";
import { endsSet, type FaultId, type FootSchool, faultId, faultsOf } from "../../rules/faults/faults";
import type { KeptLine } from "../../sheet/line/keptLine";
import type { SetRecord } from "../setRecord";

/** A fault of a set, with the repetition in which it began; null: holds, and what has no repetitions. Rule Seen 2. */
export const seenFault = z.object({
  id: faultId,
  fromRep: z.number().int().min(1).max(200).nullable(),
});
export type SeenFault = z.infer<typeof seenFault>;

/** Each once. */
export const seenFaults = z
  .array(seenFault)
  .max(5)
  .refine((all) => new Set(all.map((f) => f.id)).size === all.length, { error: "input.fault_twice" });

/** A fault that is looked for in a line: it may end the set for this client, and may have been seen last time. */
export type WatchedFault = NonNullable<KeptLine["faults"]>[number];

/** What is looked for in an exercise, for somebody with these conditions, and what was seen last time. Rules Seen 1, Seen 3. */
export const watchedFaults = (
  e: Exercise,
  conditionIds: readonly string[],
  lastTime: readonly FaultId[],
  foot: FootSchool,
): WatchedFault[] =>
  faultsOf(e, foot).map((id) => ({
    ...{ id, endsSet: endsSet(id, conditionIds) },
    ...(lastTime.includes(id) ? { wasSeen: true } : {}),
  }));

/** Where nobody says more, it began in the last third. Rule Seen 2. */
export const lastThirdFrom = (reps: number): number => Math.floor((2 * Math.max(1, reps)) / 3) + 1;

/** Of what was done of a line the share that was clean; null: nothing was. A hold is clean or not. Rule Seen 2. */
export function cleanShare(records: readonly Pick<SetRecord, "reps" | "faults">[]): number | null {
  let [clean, all] = [0, 0];
  for (const { reps, faults } of records) {
    const done = reps ?? 1;
    const from = Math.min(done + 1, ...faults.map((f) => f.fromRep ?? 1));
    clean += from - 1;
    all += done;
  }
  return all === 0 ? null : clean / all;
}

/** Every fault that was seen, each once. */
export const faultsIn = (records: readonly Pick<SetRecord, "faults">[]): FaultId[] => [
  ...new Set(records.flatMap((r) => r.faults.map((f) => f.id))),
];
