import { mostOf } from "@/core/bounds/inForce";
import { type DoseContext, effortCap } from "@/core/dose/doseHold";
import type { HoldPlan } from "@/core/dose/holdPlan";
import { clamp } from "@/core/units/clamp";
import type { ClientEpisode } from "@/server/clients";

/** Percent of maximum of a first hold where effort is meant so: about a felt effort of 6 over five holds of 30 s. */
const FIRST_PERCENT = 30;

/**
 * A careful first draft inside the limits: at 60° if that is allowed, felt effort a point below the cap (or percent of
 * maximum where that stance is chosen), shorter holds after surgery. A start for the therapist, not advice.
 */
export function firstPlan(
  client: ClientEpisode,
  context: DoseContext,
  effortMeaning: string | null,
): HoldPlan {
  const { fromDeg, toDeg } = context.window;
  const inside = (deg: number) => Math.round(clamp(deg, fromDeg, toDeg) / 5) * 5;
  const careful = client.school === "post_op" || client.irritability === "high";
  return {
    side: client.side,
    kneeFlexionDeg: inside(60),
    effort:
      effortMeaning === "percent"
        ? { kind: "percent", percent: Math.min(FIRST_PERCENT, mostOf(context.bounds, "hold_effort")) }
        : {
            kind: "felt",
            felt: Math.max(1, effortCap(client.school, client.irritability, context.bounds) - 1),
          },
    means: "machine",
    pattern: {
      holdS: Math.min(careful ? 20 : 30, mostOf(context.bounds, "hold_seconds")),
      reps: 5,
      restS: 60,
      sets: 1,
      setRestS: 0,
    },
    ladderFromDeg: inside(60),
    ladderToDeg: inside(90),
  };
}
