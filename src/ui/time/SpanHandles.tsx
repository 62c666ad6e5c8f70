"use client";
import { type PointerEvent, useRef } from "react";
import type { Span } from "@/core/review/span";
import { daysAfter, earlierOf, laterOf } from "@/core/units/days";
import { atMidnight, isoOf, TIME, timeScale } from "./scale";

const LEAP_DAYS = 7;

/** Two lines through all rows: drag them, or move them by arrow keys, to read a span in numbers. */
export function SpanHandles({
  from,
  to,
  span,
  onChange,
  onDone,
  words,
}: {
  from: string;
  to: string;
  span: Span;
  onChange: (span: Span) => void;
  onDone: (span: Span) => void;
  words: (isoDay: string) => string;
}) {
  const box = useRef<SVGSVGElement>(null);
  const held = useRef<keyof Span | null>(null);
  const time = timeScale(from, to);
  const moved = (end: keyof Span, day: string): Span => {
    const inside = earlierOf(laterOf(day, from), to);
    return end === "from"
      ? { ...span, from: earlierOf(inside, span.to) }
      : { ...span, to: laterOf(inside, span.from) };
  };
  const dayAt = (event: PointerEvent): string | null => {
    const r = box.current?.getBoundingClientRect();
    return r ? isoOf(time.invert(((event.clientX - r.left) / r.width) * TIME.width)) : null;
  };
  const percent = (day: string): string => `${((time(atMidnight(day)) / TIME.width) * 100).toFixed(3)}%`;
  return (
    <svg
      ref={box}
      className="pointer-events-none absolute inset-0 h-full w-full overflow-visible"
      aria-label="Span"
    >
      <rect
        x={percent(span.from)}
        width={`${Math.max(0, Number.parseFloat(percent(span.to)) - Number.parseFloat(percent(span.from)))}%`}
        y={0}
        height="100%"
        className="fill-primary/8"
      />
      {(["from", "to"] as const).map((end) => (
        <g
          key={end}
          role="slider"
          tabIndex={0}
          aria-label={end === "from" ? "Span begins" : "Span ends"}
          aria-valuemin={0}
          aria-valuemax={Math.round((atMidnight(to).getTime() - atMidnight(from).getTime()) / 86_400_000)}
          aria-valuenow={Math.round(
            (atMidnight(span[end]).getTime() - atMidnight(from).getTime()) / 86_400_000,
          )}
          aria-valuetext={words(span[end])}
          className="pointer-events-auto cursor-ew-resize touch-none"
          onPointerDown={(e) => {
            held.current = end;
            e.currentTarget.setPointerCapture(e.pointerId);
          }}
          onPointerMove={(e) => {
            const day = held.current === end ? dayAt(e) : null;
            if (day !== null && day !== span[end]) onChange(moved(end, day));
          }}
          onPointerUp={() => {
            held.current = null;
            onDone(span);
          }}
          onKeyDown={(e) => {
            const days = { ArrowLeft: -1, ArrowRight: 1, PageDown: -LEAP_DAYS, PageUp: LEAP_DAYS }[e.key];
            const day = e.key === "Home" ? from : e.key === "End" ? to : days && daysAfter(span[end], days);
            if (!day) return;
            e.preventDefault();
            const next = moved(end, day);
            onChange(next);
            onDone(next);
          }}
        >
          <line
            x1={percent(span[end])}
            x2={percent(span[end])}
            y1={0}
            y2="100%"
            strokeWidth={14}
            className="stroke-transparent"
          />
          <line
            x1={percent(span[end])}
            x2={percent(span[end])}
            y1={0}
            y2="100%"
            strokeWidth={2}
            className="stroke-primary"
          />
          <circle cx={percent(span[end])} cy={19} r={6} className="fill-primary" />
        </g>
      ))}
    </svg>
  );
}
