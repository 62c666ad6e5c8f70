import { type DoseContext, effortCap } from "@/core/dose/doseHold";
import type { HoldPlan } from "@/core/dose/holdPlan";
import { clamp } from "@/core/units/clamp";
import type { ClientEpisode } from "@/server/clients";

/**
 * A careful first draft inside the limits: at 60° if that is allowed, felt effort a point below the cap, shorter holds
 * after surgery. A start for the therapist, not advice.
 */
export function firstPlan(client: ClientEpisode, context: DoseContext): HoldPlan {
  const { fromDeg, toDeg } = context.window;
  const inside = (deg: number) => Math.round(clamp(deg, fromDeg, toDeg) / 5) * 5;
  const careful = client.school === "post_op" || client.irritability === "high";
  return {
    side: client.side,
    kneeFlexionDeg: inside(60),
    effort: { kind: "felt", felt: effortCap(client.school, client.irritability) - 1 },
    means: "machine",
    pattern: careful
      ? { holdS: 20, reps: 5, restS: 60, sets: 1, setRestS: 0 }
      : { holdS: 30, reps: 5, restS: 60, sets: 1, setRestS: 0 },
    ladderFromDeg: inside(60),
    ladderToDeg: inside(90),
  };
}
