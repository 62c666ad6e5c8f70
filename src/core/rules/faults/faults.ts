import { z } from "zod";
import data from "../data/faults.json";
import type { Exercise } from "../exercises";

/** What is seen of a set that is not as it should be. Rule Seen 1. */
export const FAULT_IDS = [
  "knee_in",
  "knee_out",
  "heel_lifts",
  "foot_rolls",
  "hips_shift",
  "hips_lift",
  "back_rounds",
  "back_arches",
  "trunk_twists",
  "jerk",
  "shakes",
  "cut_short",
  "locks_hard",
  "breath_held",
] as const;
export const faultId = z.enum(FAULT_IDS);
export type FaultId = z.infer<typeof faultId>;

/** What is done about a fault: said, done slower, through less of the arc, lighter, or set up in another way. */
export const remedy = z.enum(["cue", "slower", "less_arc", "lighter", "set_up"]);
export type Remedy = z.infer<typeof remedy>;

const file = z
  .object({
    faults: z.array(
      z.object({
        id: faultId,
        /** in the order in which they are tried, the cue first */
        remedies: z.array(remedy).min(2),
        /** beginnings of the ids of the conditions that it endangers */
        ends_set_for: z.array(z.string()),
      }),
    ),
    of_family: z.record(z.string(), z.array(faultId).min(3).max(5)),
  })
  .parse(data);

const BY_ID = new Map(file.faults.map((f) => [f.id, f]));

/** Every family of exercises whose faults are known. */
export const FAULT_FAMILIES: readonly string[] = Object.keys(file.of_family);

/** Where the foot presses, by the school that is followed. Rule K22. */
export type FootSchool = "usual" | "heels" | "whole";

/** Families that press or stand on the foot, and what each school looks for there first. Rules Seen 1, K22. */
const ON_FOOT: readonly string[] = ["leg_press", "supported_squat", "lunge", "step"];
const OF_FOOT: Readonly<Record<Exclude<FootSchool, "usual">, FaultId>> = {
  heels: "heel_lifts",
  whole: "foot_rolls",
};
const MOST_FAULTS = 5;

/** The faults that matter to an exercise: three to five. Rule Seen 1. */
export function faultsOf(e: Pick<Exercise, "family">, foot: FootSchool): readonly FaultId[] {
  const own = file.of_family[e.family] ?? [];
  if (foot === "usual" || !ON_FOOT.includes(e.family)) return own;
  const first = OF_FOOT[foot];
  return [first, ...own.filter((f) => f !== first)].slice(0, MOST_FAULTS);
}

/** One that is a danger to a condition ends the set as a lost position does. Rule Seen 3. */
export const endsSet = (fault: FaultId, conditionIds: readonly string[]): boolean =>
  BY_ID.get(fault)?.ends_set_for.some((begins) => conditionIds.some((id) => id.startsWith(begins))) ?? false;

/** What is tried when it was seen in so many visits running: the cue first, then the next, the last for good. Rule Seen 3. */
export function remedyOf(fault: FaultId, visits: number): Remedy {
  const remedies = BY_ID.get(fault)?.remedies ?? ["cue"];
  return remedies[Math.min(visits, remedies.length) - 1] ?? "cue";
}

/** A clean share in whole percent, never rounded up. */
export const cleanPercent = (share: number): number => Math.floor(100 * share + 1e-9);
