import type { Body } from "../../body/segments";
import type { Exercise } from "../../rules/exercises";
import { type Drawing, drawn, exerciseScene, type Scene } from "./drawing";
import { poseBox } from "./poseBox";

/** One drawing of a motion, at a knee flexion in degrees. */
export interface Frame {
  deg: number;
  drawing: Drawing;
}

/** Knee flexion between two frames, degrees: small enough for the eye. */
const STEP_DEG = 4;

/**
 * An exercise from its straightest to its most bent knee in one picture; a single frame where it is held still or its
 * arc is a point; empty where there is no model of it.
 */
export function exerciseMotion(e: Exercise, body: Body): Frame[] {
  const scene = exerciseScene(e);
  if (!scene) return [];
  const { min, max } = e.knee_angle_usable_deg;
  const [from, to] = scene.chosen.family.range;
  const arc = [Math.max(min, from), Math.min(max, to)] as const;
  return framesOf(scene, body, e.match.static_hold ? [(arc[0] + arc[1]) / 2] : anglesOf(arc));
}

const anglesOf = ([from, to]: readonly [number, number]): number[] =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / STEP_DEG)) + 1 }, (_, i) => from + i * STEP_DEG);

function framesOf({ chosen, posed }: Scene, body: Body, angles: readonly number[]): Frame[] {
  const box = poseBox(body, chosen, { ...posed.settings });
  return angles.flatMap((deg) => {
    // an angle out of this body's reach is left out
    const drawing = drawn(body, chosen, { ...posed, deg }, box);
    return drawing ? [{ deg: Math.round(deg), drawing }] : [];
  });
}
