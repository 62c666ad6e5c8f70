"use client";
import { useEffect, useState } from "react";
import type { Frame } from "@/core/selection/pose/motion";
import { StillDrawing } from "./StillDrawing";

const FRAME_MS = 90;

/** A motion from the side: it goes once to and fro, then rests in the middle; the key lets it go again or holds it. */
export function MovingDrawing({
  frames,
  label,
  className,
}: {
  frames: readonly Frame[];
  label: string;
  className?: string;
}) {
  const middle = Math.floor(frames.length / 2);
  const [at, setAt] = useState(middle);
  /** frames still to be shown of one way to and fro */
  const [left, setLeft] = useState(0);
  const canMove = frames.length > 1;
  const once = 2 * (frames.length - 1);
  useEffect(() => {
    // whoever asked for less motion starts it by the key
    if (canMove && !matchMedia("(prefers-reduced-motion: reduce)").matches) setLeft(once);
  }, [canMove, once]);
  useEffect(() => {
    if (left === 0) return;
    const timer = setTimeout(() => {
      setAt(placeAt(once - left + 1, frames.length, middle));
      setLeft(left - 1);
    }, FRAME_MS);
    return () => clearTimeout(timer);
  }, [left, once, frames.length, middle]);
  const frame = frames[at];
  if (!frame) return null;
  return (
    <figure className="grid justify-items-start gap-1">
      <StillDrawing drawing={frame.drawing} label={label} className={className} />
      <figcaption className="flex items-center gap-3">
        {canMove && (
          <button type="button" className="btn btn-line btn-xs" onClick={() => setLeft(left > 0 ? 0 : once)}>
            {left > 0 ? "Hold still" : "Move it"}
          </button>
        )}
        <span className="small quiet">
          knee bent <b className="inline-block w-[4ch] text-right">{frame.deg}°</b>
        </span>
      </figcaption>
    </figure>
  );
}

/** From the middle to the most bent, to the straightest, and back to the middle. */
function placeAt(step: number, count: number, middle: number): number {
  const last = count - 1;
  const way = (middle + step) % (2 * last);
  return way <= last ? way : 2 * last - way;
}
