"use client";
import { type PointerEvent, useRef } from "react";
import { degOf, RAIL, xOf } from "./scale";

/**
 * The apricot line of the angle looked at now, through all rows, with a handle at its foot: drag it or use the arrow
 * keys. Steps of `stepDeg`, kept within min and max.
 */
export function AngleCursor({
  deg,
  onChange,
  min,
  max,
  stepDeg,
  top,
  bottom,
  label,
}: {
  deg: number;
  onChange: (deg: number) => void;
  min: number;
  max: number;
  stepDeg: number;
  top: number;
  bottom: number;
  label: string;
}) {
  const dragging = useRef(false);
  const set = (wanted: number) => {
    const snapped = Math.round(wanted / stepDeg) * stepDeg;
    const inside = Math.min(max, Math.max(min, snapped));
    if (inside !== deg) onChange(inside);
  };
  const toDeg = (event: PointerEvent<SVGGElement>): number | null => {
    const svg = event.currentTarget.ownerSVGElement;
    const box = svg?.getBoundingClientRect();
    return box ? degOf(((event.clientX - box.left) / box.width) * RAIL.width) : null;
  };
  const x = xOf(Number.isFinite(deg) ? deg : min);
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={deg}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={`${deg} degrees`}
      className="cursor-ew-resize touch-none"
      onPointerDown={(e) => {
        dragging.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        const at = dragging.current ? toDeg(e) : null;
        if (at !== null) set(at);
      }}
      onPointerUp={() => {
        dragging.current = false;
      }}
      onKeyDown={(e) => {
        const move: Record<string, number> = {
          ArrowLeft: -stepDeg,
          ArrowRight: stepDeg,
          PageDown: -10,
          PageUp: 10,
        };
        const by = move[e.key];
        if (e.key === "Home") set(min);
        else if (e.key === "End") set(max);
        else if (by !== undefined) set(deg + by);
        else return;
        e.preventDefault();
      }}
    >
      <line x1={x} x2={x} y1={top} y2={bottom} strokeWidth={1.6} className="stroke-mark" />
      <rect x={x - 9} y={top} width={18} height={bottom - top} fill="transparent" />
      <rect x={x - 22} y={bottom} width={44} height={20} rx={3} className="fill-accent" />
      <text
        x={x}
        y={bottom + 14}
        textAnchor="middle"
        fontSize={13}
        fontWeight={700}
        className="fill-accent-content"
      >
        {deg}°
      </text>
    </g>
  );
}
