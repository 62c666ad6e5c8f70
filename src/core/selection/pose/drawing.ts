import type { Body } from "../../body/segments";
import { familyById } from "../../equipment/families";
import { middleDeg } from "../../equipment/families/family";
import { legPoints } from "../../equipment/families/parts";
import { geometryOf } from "../../equipment/machine";
import { templateOf } from "../../equipment/templates";
import { minus, plus, times, type Vector } from "../../mechanics/vector";
import { type ExerciseUse, exerciseUse } from "../fit/exerciseUse";
import { type ChosenMachine, type GymMachine, machineFor, settingsAtNotches } from "../setUp/machineFor";
import { anchorOf, type Box, DOT_PARTS, PART_WIDTH_M, poseBox } from "./poseBox";

/** A line or a disc of a drawing, in metres, y upwards from the picture's foot. */
export interface Stroke {
  fromX: number;
  fromY: number;
  toX: number;
  toY: number;
  widthM: number;
  tone: "machine" | "limb" | "body";
  /** a pad, a bar, an axis: only its place counts */
  isDot: boolean;
}

/** A drawing from the side, black and grey on white. */
export interface Drawing {
  widthM: number;
  heightM: number;
  strokes: Stroke[];
}

/** How a leg is set on a machine for a drawing. */
export interface Posed {
  settings: Readonly<Record<string, number>>;
  share: number;
  phase: -1 | 0 | 1;
  load: number;
  deg: number;
}

/** `box`: the picture's frame, where several drawings share one. */
export function drawn(
  body: Body,
  chosen: ChosenMachine,
  posed: Posed,
  box: Box = poseBox(body, chosen, { ...posed.settings }),
): Drawing | null {
  const { family, machine } = chosen;
  const deg = Math.min(family.range[1], Math.max(family.range[0], Math.round(posed.deg)));
  const { settings, share, phase, load } = posed;
  const geometry = geometryOf(machine);
  const solved = tryTo(() => family.solve(body, geometry, { settings, share, phase, load }, deg));
  if (!solved) return null;
  const p = legPoints(body, solved);
  const anchor = p[anchorOf(family.id)];
  // a millimetre is finer than any line of the picture
  const mm = (m: number): number => Math.round(m * 1000) / 1000;
  const at = (v: Vector) => ({ x: mm(v.x - anchor.x - box.left), y: mm(v.y - anchor.y - box.bottom) });
  const stroke = (a: Vector, b: Vector, widthM: number, tone: Stroke["tone"], isDot = false): Stroke => ({
    fromX: at(a).x,
    fromY: at(a).y,
    toX: at(b).x,
    toY: at(b).y,
    widthM,
    tone,
    isDot,
  });
  const head = plus(p.shoulder, times(minus(p.shoulder, p.hip), 0.34));
  return {
    widthM: box.width,
    heightM: box.height,
    strokes: [
      ...family
        .sideView(body, geometry, settings, deg, solved)
        .parts.map((x) => stroke(x.from, x.to, PART_WIDTH_M[x.kind], "machine", DOT_PARTS.has(x.kind))),
      stroke(p.hip, p.shoulder, 0.19, "body"),
      stroke(head, head, 0.21, "body", true),
      stroke(p.hip, p.knee, 0.15, "limb"),
      stroke(p.knee, p.ankle, 0.115, "limb"),
      stroke(p.heel, p.toe, 0.07, "limb"),
    ],
  };
}

/** The client on the machine as a line is set up, from the same linkage as its numbers; null where there is no model. */
export function drawingOf(
  line: {
    exerciseId: string;
    machineId: string | null;
    drawing: { settings: Record<string, number>; share: number; phase: -1 | 0 | 1; like?: string } | null;
    fromDeg: number | null;
    toDeg: number | null;
  },
  body: Body,
  machines: readonly GymMachine[],
  load: number,
): Drawing | null {
  const use = line.drawing && exerciseUse({ id: line.drawing.like ?? line.exerciseId });
  if (!line.drawing || !use) return null;
  const own = machineFor(use, machines, line.machineId);
  const family = familyById(own.family.id);
  if (!family) return null;
  const chosen = { machine: own.id ? own.machine : templateOf(family.id), id: own.id, family };
  const [from, to] = [line.fromDeg ?? family.range[0], line.toDeg ?? family.range[1]];
  return drawn(body, chosen, { ...line.drawing, load, deg: (from + to) / 2 });
}

/** An exercise on a usual machine half way through; null where there is no model. */
export function exerciseDrawing(e: Parameters<typeof exerciseUse>[0], body: Body): Drawing | null {
  const scene = exerciseScene(e);
  return scene && drawn(body, scene.chosen, scene.posed);
}

/** A machine as it stands in the gym, with a body on it at this knee flexion, else half way through. */
export function machineDrawing(machine: GymMachine, body: Body, deg?: number): Drawing | null {
  const scene = machineScene(machine, deg);
  return scene && drawn(body, scene.chosen, scene.posed);
}

/** Who stands where on what, half way through. */
export interface Scene {
  chosen: ChosenMachine;
  posed: Posed;
}

export function exerciseScene(e: Parameters<typeof exerciseUse>[0]): Scene | null {
  const use = exerciseUse(e);
  return use && sceneOf(machineFor(use, []), use);
}

export function machineScene(machine: GymMachine, deg?: number): Scene | null {
  const family = familyById(machine.family);
  if (!family) return null;
  const scene = sceneOf({ machine, id: machine.id, family }, { families: [], share: 0.5, legs: "two" });
  return deg === undefined ? scene : { ...scene, posed: { ...scene.posed, deg } };
}

const sceneOf = (chosen: ChosenMachine, use: ExerciseUse): Scene => ({
  chosen,
  posed: {
    settings: settingsAtNotches(chosen, use),
    share: use.share,
    phase: use.phase ?? 0,
    load: 0,
    deg: middleDeg(chosen.family.range),
  },
});

function tryTo<T>(work: () => T): T | null {
  try {
    return work();
  } catch {
    return null;
  }
}
