import type { FamilyModel, MachineFamily } from "./family";
import { proneCurl, seatedCurl } from "./legCurls";
import { named } from "./named";
import { ankleCuff, counterweightCurl, heldShin } from "./others";
import { carriagePress, seatedPress, sledPress } from "./presses";
import { seatedExtension } from "./seatedExtension";
import { splitStance, squatOnFloor, standingExtension, stepUpright } from "./standing";
import { hackSled, pendulum, railSquat } from "./supportedSquats";

/** Families with a model of the knee, in the order in which a machine is entered. */
const MODELS = [
  seatedExtension,
  seatedPress,
  sledPress,
  carriagePress,
  hackSled,
  pendulum,
  railSquat,
  proneCurl,
  seatedCurl,
  counterweightCurl,
  standingExtension,
  ankleCuff,
  heldShin,
  squatOnFloor,
  splitStance,
  stepUpright,
] satisfies readonly FamilyModel[];

export const FAMILIES: readonly MachineFamily[] = MODELS.map(named);

export type FamilyId =
  | "seated_knee_extension"
  | "seated_press"
  | "sled_press"
  | "carriage_press"
  | "hack_squat"
  | "pendulum_squat"
  | "rail_squat"
  | "leg_curl_prone"
  | "leg_curl_seated"
  | "counterweight_curl"
  | "standing_extension"
  | "ankle_cuff"
  | "held_shin"
  | "squat_on_floor"
  | "split_stance"
  | "step";

const BY_ID: ReadonlyMap<string, MachineFamily> = new Map<string, MachineFamily>(
  FAMILIES.map((f) => [f.id, f]),
);

export const familyById = (id: string): MachineFamily | null => BY_ID.get(id) ?? null;
