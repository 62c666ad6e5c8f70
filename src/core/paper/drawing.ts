import type { Body } from "../body/segments";
import { familyById } from "../equipment/families";
import type { MachinePart } from "../equipment/families/family";
import { legPoints } from "../equipment/families/parts";
import { geometryOf } from "../equipment/machine";
import { templateOf } from "../equipment/templates";
import { minus, plus, times, type Vector } from "../mechanics/vector";
import { exerciseUse } from "../selection/fit/exerciseUse";
import { type GymMachine, machineFor } from "../selection/setUp/machineFor";
import { anchorOf, poseBox } from "../selection/setUp/poseBox";
import type { KeptLine } from "../sheet/line/keptLine";
import type { Drawing, Stroke } from "./doc";

const PART_WIDTH_M: Record<MachinePart["kind"], number> = {
  seat: 0.055,
  back: 0.06,
  plate: 0.05,
  rail: 0.02,
  lever: 0.028,
  pad: 0.1,
  bar: 0.09,
  floor: 0.018,
  axis: 0.05,
};
const DOTS: ReadonlySet<MachinePart["kind"]> = new Set(["pad", "bar", "axis"]);

/** The client on the machine as a line is set up, from the same linkage as its numbers; null where there is no model. */
export function drawingOf(
  line: Pick<KeptLine, "exerciseId" | "machineId" | "drawing" | "fromDeg" | "toDeg">,
  body: Body,
  machines: readonly GymMachine[],
  load: number,
): Drawing | null {
  const use = exerciseUse(line.exerciseId);
  if (!line.drawing || !use) return null;
  const own = machineFor(use, machines, line.machineId);
  const family = familyById(own.family.id);
  if (!family) return null;
  const machine = own.id ? own.machine : templateOf(family.id);
  const [from, to] = [line.fromDeg ?? family.range[0], line.toDeg ?? family.range[1]];
  const deg = Math.min(family.range[1], Math.max(family.range[0], Math.round((from + to) / 2)));
  const { settings, share, phase } = line.drawing;
  const geometry = geometryOf(machine);
  const solved = tryTo(() => family.solve(body, geometry, { settings, share, phase, load }, deg));
  if (!solved) return null;
  const box = poseBox(body, { machine, id: own.id, family }, settings);
  const p = legPoints(body, solved);
  const anchor = p[anchorOf(family.id)];
  const at = (v: Vector) => ({ x: v.x - anchor.x - box.left, y: v.y - anchor.y - box.bottom });
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
        .parts.map((x) => stroke(x.from, x.to, PART_WIDTH_M[x.kind], "machine", DOTS.has(x.kind))),
      stroke(p.hip, p.shoulder, 0.19, "body"),
      stroke(head, head, 0.21, "body", true),
      stroke(p.hip, p.knee, 0.15, "limb"),
      stroke(p.knee, p.ankle, 0.115, "limb"),
      stroke(p.heel, p.toe, 0.07, "limb"),
    ],
  };
}

function tryTo<T>(work: () => T): T | null {
  try {
    return work();
  } catch {
    return null;
  }
}
