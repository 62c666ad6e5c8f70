"use client";
import { type PointerEvent, useRef } from "react";
import type { PoseHandle } from "@/core/equipment/families/family";
import { legPoints } from "@/core/equipment/families/parts";
import { geometryOf, nearestNotch, notchesOf, settingWords } from "@/core/equipment/machine";
import { length, minus, type Vector } from "@/core/mechanics/vector";
import { anchorOf } from "@/core/selection/pose/poseBox";
import type { ChosenMachine } from "@/core/selection/setUp/machineFor";
import type { PoseProps } from "./poseProps";

/** The knee itself: dragged or moved by keys through its angles. */
export function KneeHandle({
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

/** A setting: dragged or moved by keys from notch to notch. */
export function SettingHandle({
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
