import type { Exercise } from "../../rules/exercises";
import type { WorkKind } from "../../schedule/balance";

/** What an exercise counts as in the balance of hard repetitions; null for stretches and quiet work. Dosing rules G3. */
export function workKindOf(e: Exercise): WorkKind | null {
  switch (e.match.class) {
    case "closed_knee":
      return "press_or_squat";
    case "open_knee_extension":
    case "static_quad":
      return "extension";
    case "open_knee_flexion":
    case "closed_knee_flexion":
      return "curl";
    case "hip_hinge":
      return "hinge";
    case "calf":
      return "calf";
    case "hip_open": {
      const { abductors = 0, adductors = 0, glutes = 0 } = e.muscle_emphasis_0_3;
      if (abductors >= 2 && abductors >= glutes) return "abduction";
      if (adductors >= 2) return "adduction";
      return glutes >= 2 ? "bridge" : null;
    }
    case "trunk":
      return "trunk";
    case "stretch":
      return null;
  }
}
