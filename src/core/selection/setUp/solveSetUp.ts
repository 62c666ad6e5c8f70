import type { Body } from "../../body/segments";
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

type Usable = Pick<Exercise, "knee_angle_usable_deg">;

/**
 * A set-up solved at its angles, or at some of them. Stops only cut the arc, and a back that is turned turns the hip with
 * it and nothing else: solved with the usual ones.
 */
function solvedAngles(
  e: Usable,
  use: ExerciseUse,
  { family, machine }: ChosenMachine,
  body: Body,
  settings: Record<string, number>,
  only: (deg: number) => boolean = () => true,
): AffineAngle[] {
  const plain = Object.fromEntries(
    family.settings.map((s) => [
      s.key,
      STOPS.has(s.key) || TRUNK.has(s.key) ? s.usual : (settings[s.key] ?? s.usual),
    ]),
  );
  const back = family.settings.find((s) => TRUNK.has(s.key));
  const turnedDeg = back ? back.usual - (settings[back.key] ?? back.usual) : 0;
  const setUp = { settings: plain, share: use.share, phase: use.phase ?? 0 } as const;
  const degs = anglesOf(family, STEP_DEG).filter((deg) => deg <= e.knee_angle_usable_deg.max && only(deg));
  const all = angles.get(body, machine, JSON.stringify([family.id, setUp, degs.at(0), degs.at(-1)]), () =>
    affineArc(body, family, geometryOf(machine), setUp, degs),
  );
  return turnedDeg === 0 ? all : withTrunkTurned(all, turnedDeg);
}

/** Knee bend in which this body's pelvis was seen to roll on the machine. */
export const rollsOn = (body: Body, { id }: ChosenMachine): number | null =>
  (id === null ? undefined : body.pelvisRollsDeg?.[id]) ?? null;

/** A set-up solved over its angles, and the arc that limits and stops leave. */
export function solved(
  e: Usable,
  use: ExerciseUse,
  chosen: ChosenMachine,
  allowed: AllowedArc,
  ctx: Pick<LoadContext, "body" | "limits">,
  settings: Record<string, number>,
) {
  const usable = solvedAngles(e, use, chosen, ctx.body, settings);
  const ends = chosen.family.ends(ctx.body, geometryOf(chosen.machine), settings);
  return { angles: usable, arc: setUpArc(allowed, ends, usable, ctx.limits, rollsOn(ctx.body, chosen)) };
}

/** A set-up solved between two angles alone; where the foot is out of reach at one of them there is none of it. */
export const solvedBetween = (
  e: Usable,
  use: ExerciseUse,
  chosen: ChosenMachine,
  body: Body,
  settings: Record<string, number>,
  { fromDeg, toDeg }: { fromDeg: number; toDeg: number },
): AffineAngle[] => solvedAngles(e, use, chosen, body, settings, (deg) => deg >= fromDeg && deg <= toDeg);
