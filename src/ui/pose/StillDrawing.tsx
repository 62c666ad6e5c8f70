import type { ReactNode } from "react";
import type { Drawing, Stroke } from "@/core/selection/pose/drawing";

const TONES: Record<Stroke["tone"], { stroke: string; fill: string }> = {
  machine: { stroke: "stroke-sand", fill: "fill-sand" },
  body: { stroke: "stroke-quiet opacity-60", fill: "fill-quiet opacity-60" },
  limb: { stroke: "stroke-primary", fill: "fill-primary" },
};
const PICKED = { stroke: "stroke-mark", fill: "fill-mark" };
const UNITS = 100;

/** A machine or an exercise from the side, small and still: people look before they read. */
export function StillDrawing({
  drawing,
  label,
  className,
  thick = [],
  children,
}: {
  drawing: Drawing;
  label: string;
  className?: string;
  /** strokes that are looked at now */
  thick?: readonly number[];
  /** what is drawn over it; `at` gives the place of a point in metres */
  children?: (at: (x: number, y: number) => readonly [number, number]) => ReactNode;
}) {
  const [width, height] = [drawing.widthM * UNITS, drawing.heightM * UNITS];
  return (
    <svg
      viewBox={`0 0 ${width.toFixed(1)} ${height.toFixed(1)}`}
      role="img"
      aria-label={label}
      className={className}
    >
      {drawing.strokes.map((s, i) => {
        const tone = thick.includes(i) ? PICKED : TONES[s.tone];
        const [x, y] = [s.fromX * UNITS, height - s.fromY * UNITS];
        return s.isDot ? (
          // biome-ignore lint/suspicious/noArrayIndexKey: strokes in their order
          <circle key={i} cx={x} cy={y} r={(s.widthM * UNITS) / 2} className={tone.fill} />
        ) : (
          <line
            // biome-ignore lint/suspicious/noArrayIndexKey: strokes in their order
            key={i}
            x1={x}
            y1={y}
            x2={s.toX * UNITS}
            y2={height - s.toY * UNITS}
            strokeWidth={s.widthM * UNITS}
            strokeLinecap="round"
            className={tone.stroke}
          />
        );
      })}
      {children?.((x, y) => [x * UNITS, height - y * UNITS])}
    </svg>
  );
}
