import type { Exercise } from "../rules/exercises";
import type { AllowedArc } from "../selection/fit/allowedArc";
import type { ExerciseUse } from "../selection/fit/exerciseUse";
import type { ChosenMachine } from "../selection/setUp/machineFor";
import { loaded, type RowContext } from "../selection/setUp/row";
import { stationOf } from "../selection/setUp/station";

/** A set-up with settings and a load chosen by hand, past what bars an exercise. */
export function computeSetUp(
  e: Exercise,
  use: ExerciseUse,
  chosen: ChosenMachine,
  allowed: AllowedArc,
  ctx: RowContext,
  asked: { settings?: Readonly<Record<string, number>>; load: number },
): ReturnType<typeof loaded> {
  const station = stationOf(e, use, chosen, allowed, ctx, asked.settings);
  return "code" in station ? station : loaded(station, ctx, { load: asked.load });
}
