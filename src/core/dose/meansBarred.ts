import type { InForce } from "../bounds/inForce";
import type { Exercise } from "../rules/exercises";
import { fitExercise } from "../safety/fitExercise";
import { heldForm } from "./heldForm";
import type { Means } from "./holdPlan";

/** What a held extension by each means is in the catalogue. */
const EXERCISE: Record<Means, string> = {
  machine: "kext_iso_machine",
  cuff: "kext_ankle_weight",
  strap: "kext_iso_manual",
};

/** Why a held extension is barred by each means, as the choice of exercises would bar it; null where it is not. */
export function meansBarred(bounds: InForce, exercises: readonly Exercise[]): Record<Means, string | null> {
  const of = (means: Means): string | null => {
    const e = exercises.find((x) => x.id === EXERCISE[means]);
    const fit = e && fitExercise(heldForm(e), bounds);
    return fit?.status === "blocked"
      ? `${e?.name} is barred, because of: ${fit.reasons.join("; ")}. Choose other means or other work.`
      : null;
  };
  return { machine: of("machine"), cuff: of("cuff"), strap: of("strap") };
}
