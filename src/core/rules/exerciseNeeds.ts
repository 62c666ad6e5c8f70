import data from "./data/exerciseNeeds.json";
import { type Exercise, likeOf } from "./exercises";

/** What may be needed beside the floor, a mat or a wall. */
export type Need = "machine" | "step" | "strap" | "weight" | "furniture";
export type Position = "sitting" | "standing" | "lying" | "kneeling";

/** What people have at home. Floor, wall, a rail to hold and a bed are taken to be there. */
export const HOME_THING_IDS = ["chair", "band", "backpack", "cuff", "towel", "step"] as const;
export type HomeThing = (typeof HOME_THING_IDS)[number];

interface ExerciseNeeds {
  /** one of each must be there; null: not for home at all */
  home: HomeThing[][] | null;
  needs: Need[];
  positions: Position[];
}

const NEEDS = data as Readonly<Record<string, ExerciseNeeds>>;
const NONE: ExerciseNeeds = { home: null, needs: [], positions: [] };

/** What an exercise is done with and how one is placed; one of the clinic's own as the one it is like. */
export const needsOf = (e: Exercise): ExerciseNeeds => NEEDS[likeOf(e)] ?? NONE;

/** Whether an exercise can be done at home with what is there. */
export const canBeDoneWith = (e: Exercise, have: ReadonlySet<HomeThing>): boolean =>
  e.home_ready && (needsOf(e).home?.every((any) => any.some((thing) => have.has(thing))) ?? false);
