import { geometryOf } from "../../equipment/machine";
import type { Exercise } from "../../rules/exercises";
import type { AllowedArc } from "../fit/allowedArc";
import type { ExerciseUse } from "../fit/exerciseUse";
import { affineArc, anglesOf } from "./affineArc";
import type { LoadContext } from "./loadContext";
import type { ChosenMachine } from "./machineFor";
import { setUpArc } from "./setUpArc";

/** Degrees between two angles at which a set-up is solved. */
export const STEP_DEG = 5;

/** A set-up solved over its angles, and the arc that limits and stops leave. */
export function solved(
  e: Exercise,
  use: ExerciseUse,
  { family, machine }: ChosenMachine,
  allowed: AllowedArc,
  ctx: Pick<LoadContext, "body" | "limits">,
  settings: Record<string, number>,
) {
  const geometry = geometryOf(machine);
  const setUp = { settings, share: use.share, phase: use.phase ?? 0 } as const;
  const angles = affineArc(ctx.body, family, geometry, setUp, anglesOf(family, STEP_DEG)).filter(
    (a) => a.deg <= e.knee_angle_usable_deg.max,
  );
  return { angles, arc: setUpArc(allowed, family.ends(ctx.body, geometry, settings), angles, ctx.limits) };
}
