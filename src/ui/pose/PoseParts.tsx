import type { MachinePart } from "@/core/equipment/families/family";
import { plus, times, type Vector } from "@/core/mechanics/vector";
import { ARROW_M, DOT_PARTS, PART_WIDTH_M } from "@/core/selection/pose/poseBox";

/** Width of the drawing, in its own units. */
export const POSE_WIDTH = 332;

/** Machine parts in sand; pads, bars and axes are dots. */
export function Part({
  part,
  at,
  scale,
}: {
  part: MachinePart;
  at: (v: Vector) => { x: number; y: number };
  scale: number;
}) {
  const [a, b] = [at(part.from), at(part.to)];
  const isDot = DOT_PARTS.has(part.kind);
  const width = PART_WIDTH_M[part.kind] * scale;
  return isDot ? (
    <circle
      cx={a.x}
      cy={a.y}
      r={width / 2}
      className={part.kind === "axis" ? "fill-none stroke-sand" : "fill-sand"}
      strokeWidth={2.5}
    />
  ) : (
    <line
      x1={a.x}
      y1={a.y}
      x2={b.x}
      y2={b.y}
      strokeWidth={width}
      strokeLinecap="round"
      className="stroke-sand"
    />
  );
}

/** The force on the leg, its arrow ending where it acts. */
export function ForceArrow({
  from,
  direction,
  newtons,
  at,
}: {
  from: Vector;
  direction: Vector;
  newtons: number;
  at: (v: Vector) => { x: number; y: number };
}) {
  const a = at(plus(from, times(direction, -ARROW_M)));
  const b = at(from);
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  const label = { x: Math.min(POSE_WIDTH - 26, Math.max(26, a.x)), y: Math.max(14, a.y - 8) };
  return (
    <g aria-hidden>
      <line x1={a.x} y1={a.y} x2={b.x - ux * 6} y2={b.y - uy * 6} strokeWidth={2.6} className="stroke-mark" />
      <path
        d={`M ${b.x} ${b.y} L ${b.x - ux * 9 - uy * 4.5} ${b.y - uy * 9 + ux * 4.5} L ${b.x - ux * 9 + uy * 4.5} ${b.y - uy * 9 - ux * 4.5} Z`}
        className="fill-mark"
      />
      <text
        x={label.x}
        y={label.y}
        textAnchor="middle"
        fontSize={12.5}
        fontWeight={700}
        paintOrder="stroke"
        strokeWidth={4}
        className="fill-accent stroke-base-100"
      >
        {roundForce(newtons)} N
      </text>
    </g>
  );
}

/** Two figures of a force are all that is known. */
const roundForce = (n: number): number => (n >= 100 ? Math.round(n / 10) * 10 : Math.round(n / 5) * 5);
