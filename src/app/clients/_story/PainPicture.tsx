"use client";
import { useRef } from "react";
import { PAIN_REGION_IDS, PAIN_REGIONS, type PainRegion } from "@/core/story/painMap";

/** Where a region lies on the picture: two outlines, the front of a leg at the left, back and leg from behind at the right. */
const SHAPES: Record<PainRegion, { cx: number; cy: number; rx: number; ry: number }> = {
  hip_groin: { cx: 66, cy: 62, rx: 12, ry: 10 },
  hip_side: { cx: 34, cy: 66, rx: 9, ry: 14 },
  thigh_front: { cx: 52, cy: 108, rx: 14, ry: 25 },
  knee_above: { cx: 52, cy: 146, rx: 13, ry: 8 },
  knee_cap: { cx: 52, cy: 164, rx: 9, ry: 9 },
  knee_inner: { cx: 68, cy: 165, rx: 6, ry: 13 },
  knee_outer: { cx: 36, cy: 165, rx: 6, ry: 13 },
  knee_tendon: { cx: 52, cy: 183, rx: 9, ry: 8 },
  shin: { cx: 52, cy: 217, rx: 10, ry: 23 },
  ankle_foot: { cx: 54, cy: 262, rx: 14, ry: 15 },
  back_low: { cx: 150, cy: 30, rx: 24, ry: 17 },
  back_buttock: { cx: 150, cy: 70, rx: 21, ry: 17 },
  thigh_back: { cx: 150, cy: 120, rx: 15, ry: 27 },
  knee_back: { cx: 150, cy: 166, rx: 12, ry: 12 },
  calf: { cx: 150, cy: 208, rx: 14, ry: 26 },
};

/**
 * The leg from the front and, with the back, from behind: click or space marks where it hurts, arrow keys go from region
 * to region. Marked regions are named in words below.
 */
export function PainPicture({
  marked,
  onChange,
  isFixed,
}: {
  marked: readonly string[];
  onChange: (marks: string[]) => void;
  isFixed: boolean;
}) {
  const group = useRef<SVGGElement>(null);
  const toggle = (id: PainRegion) => {
    if (!isFixed) onChange(marked.includes(id) ? marked.filter((m) => m !== id) : [...marked, id]);
  };
  const moveFrom = (at: number, by: number) => {
    const next = (at + by + PAIN_REGION_IDS.length) % PAIN_REGION_IDS.length;
    (group.current?.children[next] as SVGElement | undefined)?.focus();
  };
  return (
    <div>
      <svg viewBox="0 0 200 284" className="mx-auto h-[236px]">
        <title>Where it hurts</title>
        <g fill="none" strokeWidth={1.6} className="stroke-quiet">
          <path d="M 26 40 C 20 80 28 120 34 150 C 33 168 32 176 36 190 C 36 220 42 236 44 252 C 38 266 38 276 46 278 L 68 278 C 70 268 62 258 62 250 C 66 230 70 210 68 190 C 74 176 73 166 71 150 C 78 116 82 90 80 66" />
          <path d="M 26 40 C 40 34 66 36 82 52" />
          <path d="M 120 4 C 124 24 122 36 120 52 C 116 84 126 122 132 150 C 131 168 130 178 132 190 C 130 218 138 240 142 254 L 138 274 L 166 274 L 158 254 C 164 236 170 214 168 190 C 171 176 170 164 168 150 C 176 118 184 84 180 52 C 178 36 176 24 180 4" />
        </g>
        <text x={52} y={14} textAnchor="middle" fontSize={12} className="fill-quiet">
          front
        </text>
        <text
          x={193}
          y={100}
          textAnchor="middle"
          fontSize={12}
          className="fill-quiet"
          transform="rotate(90 193 100)"
        >
          behind
        </text>
        <g ref={group}>
          {PAIN_REGION_IDS.map((id, i) => {
            const isMarked = marked.includes(id);
            const { cx, cy, rx, ry } = SHAPES[id];
            return (
              // biome-ignore lint/a11y/useSemanticElements: a region of a picture cannot be an input
              <g
                key={id}
                role="checkbox"
                aria-checked={isMarked}
                aria-label={PAIN_REGIONS[id]}
                aria-disabled={isFixed}
                tabIndex={i === 0 ? 0 : -1}
                className="cursor-pointer"
                onClick={() => toggle(id)}
                onKeyDown={(e) => {
                  if (e.key === " ") {
                    e.preventDefault();
                    toggle(id);
                  } else if (e.key === "ArrowRight" || e.key === "ArrowDown") {
                    e.preventDefault();
                    moveFrom(i, 1);
                  } else if (e.key === "ArrowLeft" || e.key === "ArrowUp") {
                    e.preventDefault();
                    moveFrom(i, -1);
                  }
                }}
              >
                <ellipse
                  cx={cx}
                  cy={cy}
                  rx={rx}
                  ry={ry}
                  strokeWidth={isMarked ? 1.6 : 0.8}
                  strokeDasharray={isMarked ? undefined : "2 2"}
                  className={isMarked ? "fill-mark/30 stroke-mark" : "fill-transparent stroke-rule"}
                />
                {isMarked && (
                  <path
                    d={`M ${cx - 4} ${cy - 4} l 8 8 m 0 -8 l -8 8`}
                    strokeWidth={1.8}
                    className="stroke-mark"
                  />
                )}
              </g>
            );
          })}
        </g>
      </svg>
      <p className="small text-center" aria-live="polite">
        {marked.length === 0 ? (
          <span className="quiet">nothing marked</span>
        ) : (
          marked.map((m) => PAIN_REGIONS[m as PainRegion] ?? m).join(", ")
        )}
      </p>
    </div>
  );
}
