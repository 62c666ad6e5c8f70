"use client";
import { type PointerEvent, useMemo, useRef } from "react";
import { legPoints } from "@/core/equipment/families/parts";
import { geometryOf } from "@/core/equipment/machine";
import { length, minus, plus, times, type Vector, vector } from "@/core/mechanics/vector";
import { anchorOf, poseBox } from "@/core/selection/pose/poseBox";
import { KneeHandle, SettingHandle } from "./PoseHandles";
import { ForceArrow, Part, POSE_WIDTH } from "./PoseParts";
import type { PoseProps } from "./poseProps";

const MOST_HEIGHT = 262;

/**
 * The person on the machine from the side, from the same linkage as the numbers. Handles are dragged or moved by arrow
 * keys, from notch to notch; the knee itself can be dragged through its angles.
 */
export function Pose(props: PoseProps) {
  const { body, chosen, settings, share, phase, load, angle, arc } = props;
  const svg = useRef<SVGSVGElement>(null);
  const { family, machine } = chosen;
  const geometry = useMemo(() => geometryOf(machine), [machine]);
  // the frame hangs on machine and body only, so that the picture stays still while it is dragged
  // biome-ignore lint/correctness/useExhaustiveDependencies: settings change while dragging
  const box = useMemo(() => poseBox(body, chosen, settings), [body, chosen.machine, chosen.family]);
  const deg = Math.min(Math.max(angle, family.range[0]), family.range[1]);
  const solved = useMemo(() => {
    try {
      return family.solve(body, geometry, { settings, share, phase, load }, deg);
    } catch {
      return null;
    }
  }, [body, family, geometry, settings, share, phase, load, deg]);
  const scale = Math.min(POSE_WIDTH / box.width, MOST_HEIGHT / box.height);
  const height = box.height * scale;
  if (!solved)
    return (
      <p className="py-10 text-center text-accent">At {deg}° the foot is out of reach with these settings.</p>
    );
  const p = legPoints(body, solved);
  const anchor = p[anchorOf(family.id)];
  const side = (POSE_WIDTH - box.width * scale) / 2;
  const at = (v: Vector): { x: number; y: number } => ({
    x: side + (v.x - anchor.x - box.left) * scale,
    y: height - (v.y - anchor.y - box.bottom) * scale,
  });
  const view = family.sideView(body, geometry, settings, deg, solved);
  const toWorld = (e: PointerEvent<SVGElement>): Vector => {
    const rect = svg.current?.getBoundingClientRect();
    if (!rect) return vector(0, 0);
    const x = ((e.clientX - rect.left) / rect.width) * POSE_WIDTH;
    const y = ((e.clientY - rect.top) / rect.height) * height;
    return vector((x - side) / scale + box.left + anchor.x, (height - y) / scale + box.bottom + anchor.y);
  };
  const limb = (from: Vector, to: Vector, width: number, className: string) => {
    const [a, b] = [at(from), at(to)];
    return (
      <line
        x1={a.x}
        y1={a.y}
        x2={b.x}
        y2={b.y}
        strokeWidth={width * scale}
        strokeLinecap="round"
        className={className}
      />
    );
  };
  const trunk = minus(p.shoulder, p.hip);
  const head = at(plus(p.shoulder, times(trunk, 0.34)));
  const force = solved.forces.reduce<(typeof solved.forces)[number] | null>(
    (most, f) => (most && length(most.forceN) >= length(f.forceN) ? most : f),
    null,
  );
  const newtons = force ? length(force.forceN) : 0;
  return (
    <svg ref={svg} viewBox={`0 0 ${POSE_WIDTH} ${height}`} className="w-full select-none">
      <title>{`${family.name} from the side at ${deg} degrees of knee flexion`}</title>
      {view.parts.map((part, i) => (
        // parts have no names of their own; their order is fixed by the family
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        <Part key={i} part={part} at={at} scale={scale} />
      ))}
      {limb(p.hip, p.shoulder, 0.19, "stroke-quiet opacity-60")}
      <circle cx={head.x} cy={head.y} r={0.105 * scale} className="fill-quiet opacity-60" />
      {limb(p.hip, p.knee, 0.15, "stroke-primary")}
      {limb(p.knee, p.ankle, 0.115, "stroke-primary")}
      {limb(p.heel, p.toe, 0.07, "stroke-primary")}
      <circle cx={at(p.hip).x} cy={at(p.hip).y} r={0.035 * scale} className="fill-base-100" />
      {props.pelvicTuckDeg >= 2.5 && (
        <text
          x={at(p.hip).x - 8}
          y={at(p.hip).y + 30}
          textAnchor="end"
          fontSize={12}
          fontWeight={700}
          className="fill-accent"
        >
          back rounds ~{Math.round(props.pelvicTuckDeg / 5) * 5}°
        </text>
      )}
      {force && newtons > 1 && (
        <ForceArrow
          from={plus(p.knee, force.atM)}
          direction={times(force.forceN, 1 / newtons)}
          newtons={newtons}
          at={at}
        />
      )}
      <KneeHandle
        {...props}
        deg={deg}
        at={at}
        knee={p.knee}
        anchor={anchor}
        toWorld={toWorld}
        isAllowed={deg >= arc.fromDeg && deg <= arc.toDeg}
      />
      {!props.isStill &&
        view.handles.map((h) => (
          <SettingHandle
            key={h.setting}
            handle={h}
            chosen={chosen}
            value={settings[h.setting] ?? 0}
            at={at}
            toWorld={toWorld}
            onSetting={props.onSetting}
          />
        ))}
    </svg>
  );
}
