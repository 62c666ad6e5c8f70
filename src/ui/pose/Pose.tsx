"use client";
import { type PointerEvent, useMemo, useRef } from "react";
import type { Body } from "@/core/body/segments";
import type { MachinePart, PoseHandle } from "@/core/equipment/families/family";
import { legPoints } from "@/core/equipment/families/parts";
import { geometryOf, nearestNotch, notchesOf, settingWords } from "@/core/equipment/machine";
import { length, minus, plus, times, type Vector, vector } from "@/core/mechanics/vector";
import type { ChosenMachine } from "@/core/selection/machineFor";
import { ARROW_M, anchorOf, poseBox } from "@/core/selection/poseBox";

const WIDTH = 332;
const MOST_HEIGHT = 262;

export interface PoseProps {
  body: Body;
  chosen: ChosenMachine;
  settings: Record<string, number>;
  share: number;
  phase: -1 | 0 | 1;
  load: number;
  angle: number;
  /** angles that are allowed, for the small arc at the knee */
  arc: { fromDeg: number; toDeg: number };
  pelvicTuckDeg: number;
  onSetting: (key: string, value: number) => void;
  onAngle: (deg: number) => void;
  /** the picture alone, for print and cards */
  isStill?: boolean;
}

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
  const scale = Math.min(WIDTH / box.width, MOST_HEIGHT / box.height);
  const height = box.height * scale;
  if (!solved)
    return (
      <p className="py-10 text-center text-accent">At {deg}° the foot is out of reach with these settings.</p>
    );
  const p = legPoints(body, solved);
  const anchor = p[anchorOf(family.id)];
  const side = (WIDTH - box.width * scale) / 2;
  const at = (v: Vector): { x: number; y: number } => ({
    x: side + (v.x - anchor.x - box.left) * scale,
    y: height - (v.y - anchor.y - box.bottom) * scale,
  });
  const view = family.sideView(body, geometry, settings, deg, solved);
  const toWorld = (e: PointerEvent<SVGElement>): Vector => {
    const rect = svg.current?.getBoundingClientRect();
    if (!rect) return vector(0, 0);
    const x = ((e.clientX - rect.left) / rect.width) * WIDTH;
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
    <svg ref={svg} viewBox={`0 0 ${WIDTH} ${height}`} className="w-full select-none">
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

const PART_WIDTH: Record<MachinePart["kind"], number> = {
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

/** Machine parts in sand; pads, bars and axes are dots. */
function Part({
  part,
  at,
  scale,
}: {
  part: MachinePart;
  at: (v: Vector) => { x: number; y: number };
  scale: number;
}) {
  const [a, b] = [at(part.from), at(part.to)];
  const isDot = part.kind === "pad" || part.kind === "bar" || part.kind === "axis";
  const width = PART_WIDTH[part.kind] * scale;
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

function ForceArrow({
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
  const label = { x: Math.min(WIDTH - 26, Math.max(26, a.x)), y: Math.max(14, a.y - 8) };
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

function KneeHandle({
  deg,
  at,
  knee,
  anchor,
  toWorld,
  isAllowed,
  body,
  chosen,
  settings,
  share,
  phase,
  onAngle,
  isStill,
}: PoseProps & {
  deg: number;
  at: (v: Vector) => { x: number; y: number };
  knee: Vector;
  anchor: Vector;
  toWorld: (e: PointerEvent<SVGElement>) => Vector;
  isAllowed: boolean;
}) {
  const dragging = useRef(false);
  const { family, machine } = chosen;
  const [least, most] = family.range;
  const set = (wanted: number) => {
    const next = Math.min(most, Math.max(least, Math.round(wanted / 5) * 5));
    if (next !== deg) onAngle(next);
  };
  /** the angle whose knee lies nearest to the pointer */
  const nearestDeg = (pointer: Vector): number => {
    const target = minus(pointer, anchor);
    let best = { deg, distance: Number.POSITIVE_INFINITY };
    for (let d = least; d <= most; d += 5) {
      try {
        const leg = family.solve(body, geometryOf(machine), { settings, share, phase, load: 0 }, d);
        const points = legPoints(body, leg);
        const own = points[anchorOf(family.id)];
        // where the knee stays, the foot or the hip shows the angle
        const shows = [points.knee, points.ankle, points.hip].map((x) => minus(x, own));
        const distance = Math.min(...shows.map((x) => length(minus(x, target))));
        if (distance < best.distance) best = { deg: d, distance };
      } catch {
        // out of reach: not a place to drag to
      }
    }
    return best.deg;
  };
  const c = at(knee);
  const words = (
    <text
      x={c.x}
      y={c.y - 16}
      textAnchor="middle"
      fontSize={14}
      fontWeight={700}
      paintOrder="stroke"
      strokeWidth={4}
      className={`stroke-base-100 ${isAllowed ? "fill-primary" : "fill-accent"}`}
    >
      {deg}°{isAllowed ? "" : " barred"}
    </text>
  );
  if (isStill) return words;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label="Knee flexion in the side view"
      aria-valuenow={deg}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuetext={`${deg} degrees${isAllowed ? "" : ", barred"}`}
      className="cursor-grab touch-none"
      onPointerDown={(e) => {
        dragging.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => dragging.current && set(nearestDeg(toWorld(e)))}
      onPointerUp={() => {
        dragging.current = false;
      }}
      onKeyDown={(e) => {
        const by: Record<string, number> = { ArrowLeft: -5, ArrowDown: -5, ArrowRight: 5, ArrowUp: 5 };
        const step = by[e.key];
        if (step === undefined) return;
        e.preventDefault();
        set(deg + step);
      }}
    >
      <circle cx={c.x} cy={c.y} r={12} fill="transparent" />
      <circle cx={c.x} cy={c.y} r={7} strokeWidth={3} className="fill-base-100 stroke-primary" />
      {words}
    </g>
  );
}

function SettingHandle({
  handle,
  chosen,
  value,
  at,
  toWorld,
  onSetting,
}: {
  handle: PoseHandle;
  chosen: ChosenMachine;
  value: number;
  at: (v: Vector) => { x: number; y: number };
  toWorld: (e: PointerEvent<SVGElement>) => Vector;
  onSetting: (key: string, value: number) => void;
}) {
  const start = useRef<{ pointer: Vector; value: number; along: Vector } | null>(null);
  const spec = chosen.family.settings.find((s) => s.key === handle.setting);
  if (!spec) return null;
  const notches = notchesOf(chosen.machine, spec);
  const i = notches.findIndex((n) => Math.abs(n.value - value) < 1e-6);
  const set = (wanted: number) => {
    const next = nearestNotch(notches, wanted).value;
    if (next !== value) onSetting(spec.key, next);
  };
  const c = at(handle.at);
  const isUpright = Math.abs(handle.along.y) > Math.abs(handle.along.x);
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${spec.name} in the side view`}
      aria-valuenow={i}
      aria-valuemin={0}
      aria-valuemax={notches.length - 1}
      aria-valuetext={settingWords(spec, value)}
      className="cursor-grab touch-none"
      onPointerDown={(e) => {
        start.current = { pointer: toWorld(e), value, along: handle.along };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        const from = start.current;
        if (!from) return;
        const moved = minus(toWorld(e), from.pointer);
        const per = from.along.x ** 2 + from.along.y ** 2;
        set(from.value + (moved.x * from.along.x + moved.y * from.along.y) / per);
      }}
      onPointerUp={() => {
        start.current = null;
      }}
      onKeyDown={(e) => {
        const by: Record<string, number> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 };
        const step = by[e.key];
        const next = step === undefined ? undefined : notches[i + step];
        if (step === undefined) return;
        e.preventDefault();
        if (next) onSetting(spec.key, next.value);
      }}
    >
      <circle cx={c.x} cy={c.y} r={13} fill="transparent" />
      <circle cx={c.x} cy={c.y} r={9} strokeWidth={1.6} className="fill-base-100 stroke-primary" />
      <path
        d={
          isUpright
            ? `M ${c.x} ${c.y - 5} v 10 m -3 -7 l 3 -3 l 3 3 m -6 4 l 3 3 l 3 -3`
            : `M ${c.x - 5} ${c.y} h 10 m -7 -3 l -3 3 l 3 3 m 4 -6 l 3 3 l -3 3`
        }
        fill="none"
        strokeWidth={1.4}
        className="stroke-primary"
      />
      <title>{`${spec.name}: ${settingWords(spec, value)}`}</title>
    </g>
  );
}
