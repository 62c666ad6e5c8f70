import { geometryOf } from "../../equipment/machine";
import type { Exercise } from "../../rules/exercises";
import { KeptFor } from "../../units/keptFor";
import type { AllowedArc } from "../fit/allowedArc";
import type { ExerciseUse } from "../fit/exerciseUse";
import { type AffineAngle, affineArc, anglesOf, withTrunkTurned } from "./affineArc";
import type { LoadContext } from "./loadContext";
import type { ChosenMachine } from "./machineFor";
import { setUpArc } from "./setUpArc";
import { STOPS, TRUNK } from "./stops";

/** Degrees between two angles at which a set-up is solved. */
export const STEP_DEG = 5;

// forces per unit of load hang on body, machine and settings alone: solved once, whoever asks
const angles = new KeptFor<AffineAngle[]>();

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
  // stops only cut the arc, and a back that is turned turns the hip with it and nothing else: solved with the usual ones
  const plain = Object.fromEntries(
    family.settings.map((s) => [
      s.key,
      STOPS.has(s.key) || TRUNK.has(s.key) ? s.usual : (settings[s.key] ?? s.usual),
    ]),
  );
  const back = family.settings.find((s) => TRUNK.has(s.key));
  const turnedDeg = back ? back.usual - (settings[back.key] ?? back.usual) : 0;
  const setUp = { settings: plain, share: use.share, phase: use.phase ?? 0 } as const;
  const all = angles.get(ctx.body, machine, JSON.stringify([family.id, setUp]), () =>
    affineArc(ctx.body, family, geometry, setUp, anglesOf(family, STEP_DEG)),
  );
  const turned = turnedDeg === 0 ? all : withTrunkTurned(all, turnedDeg);
  const usable = turned.filter((a) => a.deg <= e.knee_angle_usable_deg.max);
  return {
    angles: usable,
    arc: setUpArc(allowed, family.ends(ctx.body, geometry, settings), usable, ctx.limits),
  };
}
