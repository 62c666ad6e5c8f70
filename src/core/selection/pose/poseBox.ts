import type { Body } from "../../body/segments";
import type { MachinePart } from "../../equipment/families/family";
import { legPoints } from "../../equipment/families/parts";
import { geometryOf } from "../../equipment/machine";
import { length, plus, times, type Vector, vector } from "../../mechanics/vector";
import type { ChosenMachine } from "../setUp/machineFor";

/** How thick each part of a machine is drawn, in metres. */
export const PART_WIDTH_M: Record<MachinePart["kind"], number> = {
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
/** Parts that are round seen from the side. */
export const DOT_PARTS: ReadonlySet<MachinePart["kind"]> = new Set(["pad", "bar", "axis"]);

/** What stays put in the side view while the knee bends. */
export type PoseAnchor = "hip" | "ankle" | "knee";

const ANCHORS: Record<string, PoseAnchor> = {
  carriage_press: "ankle",
  hack_squat: "ankle",
  pendulum_squat: "ankle",
  rail_squat: "ankle",
  squat_on_floor: "ankle",
  split_stance: "ankle",
  step: "ankle",
  standing_extension: "ankle",
  counterweight_curl: "knee",
};
export const anchorOf = (familyId: string): PoseAnchor => ANCHORS[familyId] ?? "hip";

export interface Box {
  left: number;
  bottom: number;
  width: number;
  height: number;
}

/** Length of the force arrow in the picture, m. */
export const ARROW_M = 0.34;
/** Room for head, pads and labels around the points, m. */
const ROOM_M = 0.24;

/** The picture's frame in metres from the anchor: all angles of the family at its usual settings, so that it stays still. */
export function poseBox(body: Body, chosen: ChosenMachine, settings: Record<string, number>): Box {
  const { family, machine } = chosen;
  const geometry = geometryOf(machine);
  const setUp = { settings, share: 0.5, phase: 0, load: 0 } as const;
  const points: Vector[] = [];
  const [from, to] = family.range;
  for (let deg = from; deg <= to; deg += 10) {
    try {
      const leg = family.solve(body, geometry, setUp, deg);
      const p = legPoints(body, leg);
      const anchor = p[anchorOf(family.id)];
      const view = family.sideView(body, geometry, settings, deg, leg);
      for (const q of [...Object.values(p), ...view.parts.flatMap((x) => [x.from, x.to])])
        points.push(plus(q, times(anchor, -1)));
      for (const f of leg.forces) {
        const newtons = length(f.forceN);
        if (newtons > 1)
          points.push(
            plus(plus(plus(p.knee, f.atM), times(f.forceN, -ARROW_M / newtons)), times(anchor, -1)),
          );
      }
      // the head
      points.push(plus(plus(p.shoulder, times(anchor, -1)), times(p.shoulder, 0.5)));
    } catch {
      // an angle out of reach is not drawn
    }
  }
  if (points.length === 0) points.push(vector(-1, -1), vector(1, 1));
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const left = Math.min(...xs) - ROOM_M;
  const bottom = Math.min(...ys) - ROOM_M / 2;
  return {
    left,
    bottom,
    width: Math.max(...xs) + ROOM_M - left,
    height: Math.max(...ys) + ROOM_M / 2 - bottom,
  };
}
