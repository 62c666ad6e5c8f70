"use client";
import { useRef } from "react";
import type { Side } from "@/core/units/fields";
import { PAIN_REGION_IDS, type PainRegion } from "@/core/units/painRegion";
import { PAIN_REGIONS } from "@/words/en/story";
import { MIDDLES, OUTLINES, REGION_SHAPES, type RegionShape, VIEWS } from "./painShapes";

const SHAPE_OF = new Map(REGION_SHAPES.map((s) => [s.id, s] as const).reverse());
const AGAIN = REGION_SHAPES.filter((s) => SHAPE_OF.get(s.id) !== s);

/**
 * The leg from the front, from the inside and, with the back, from behind: click or space marks where it hurts, arrow keys
 * go from region to region. Drawn is the side that it is about. Marked regions are named in words below.
 */
export function PainPicture({
  side,
  marked,
  onChange,
  isFixed = false,
}: {
  side: Side | null;
  marked: readonly string[];
  /** missing: to read */
  onChange?: (marks: string[]) => void;
  isFixed?: boolean;
}) {
  const group = useRef<SVGGElement>(null);
  const toggle = (id: PainRegion) => {
    if (!isFixed) onChange?.(marked.includes(id) ? marked.filter((m) => m !== id) : [...marked, id]);
  };
  const moveFrom = (at: number, by: number) => {
    const next = (at + by + PAIN_REGION_IDS.length) % PAIN_REGION_IDS.length;
    (group.current?.children[next] as SVGElement | undefined)?.focus();
  };
  // outlines are those of a right leg; a left one is its mirror, each view in its own place
  const place = (view: RegionShape["view"]) =>
    side === "left" ? `translate(${2 * MIDDLES[view]} 0) scale(-1 1)` : undefined;
  return (
    <div>
      <svg viewBox="16 0 212 302" className="mx-auto h-[322px] w-full max-w-[250px]">
        <title>Where it hurts</title>
        {VIEWS.map((view) => (
          <g key={view} transform={place(view)} fill="none" strokeWidth={1.6} className="stroke-quiet">
            {OUTLINES[view].map((d) => (
              <path key={d} d={d} />
            ))}
          </g>
        ))}
        {VIEWS.map((view) => (
          <text
            key={view}
            x={MIDDLES[view]}
            y={297}
            textAnchor="middle"
            fontSize={12}
            className="fill-base-content"
          >
            {view}
          </text>
        ))}
        {AGAIN.map((shape) => (
          <g
            key={`${shape.view} ${shape.id}`}
            aria-hidden
            transform={place(shape.view)}
            className="cursor-pointer"
            onClick={() => toggle(shape.id)}
          >
            <Region shape={shape} isMarked={marked.includes(shape.id)} />
          </g>
        ))}
        <g ref={group}>
          {PAIN_REGION_IDS.map((id, i) => {
            const shape = SHAPE_OF.get(id) as RegionShape;
            const isMarked = marked.includes(id);
            return (
              // biome-ignore lint/a11y/useSemanticElements: a region of a picture cannot be an input
              <g
                key={id}
                role="checkbox"
                aria-checked={isMarked}
                aria-label={PAIN_REGIONS[id]}
                aria-disabled={isFixed}
                tabIndex={i === 0 ? 0 : -1}
                transform={place(shape.view)}
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
                <Region shape={shape} isMarked={isMarked} />
              </g>
            );
          })}
        </g>
      </svg>
      <p className="small text-center" aria-live="polite">
        {marked.length === 0 ? (
          <span className="quiet">nothing marked: click where it hurts</span>
        ) : (
          marked.map((m) => PAIN_REGIONS[m as PainRegion] ?? m).join(", ")
        )}
      </p>
    </div>
  );
}

function Region({ shape: { cx, cy, rx, ry, id }, isMarked }: { shape: RegionShape; isMarked: boolean }) {
  return (
    <>
      <title>{PAIN_REGIONS[id]}</title>
      <ellipse
        cx={cx}
        cy={cy}
        rx={rx}
        ry={ry}
        strokeWidth={isMarked ? 1.6 : 1}
        strokeDasharray={isMarked ? undefined : "2 2"}
        className={
          isMarked ? "fill-mark/30 stroke-mark" : "fill-transparent stroke-quiet/60 hover:fill-secondary/40"
        }
      />
      {isMarked && (
        <path d={`M ${cx - 4} ${cy - 4} l 8 8 m 0 -8 l -8 8`} strokeWidth={1.8} className="stroke-mark" />
      )}
    </>
  );
}
