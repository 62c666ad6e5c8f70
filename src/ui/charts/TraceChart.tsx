"use client";
import { useEffect, useRef } from "react";

export interface TraceView {
  timeS: number[];
  forceN: number[];
}

/**
 * A force trace on a canvas: drawn from a ref on every frame, so that a stream costs no React render. `plateau` is
 * shaded, `corridor` is the band to stay in.
 */
export function TraceChart({
  trace,
  seconds,
  maxN,
  plateau,
  corridor,
  height = 190,
  label,
}: {
  trace: { current: TraceView };
  seconds: number;
  maxN: number;
  plateau?: { fromS: number; toS: number } | null;
  corridor?: { lowN: number; highN: number; aimN: number };
  height?: number;
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const view = useRef({ seconds, maxN, plateau, corridor });
  view.current = { seconds, maxN, plateau, corridor };
  useEffect(() => {
    let frame = 0;
    const draw = () => {
      if (canvas.current) paint(canvas.current, trace.current, view.current);
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [trace]);
  return (
    <canvas
      ref={canvas}
      height={height}
      className="block w-full"
      role="img"
      aria-label={label}
      data-height={height}
    />
  );
}

const LEFT = 44;
const BOTTOM = 20;

function paint(
  canvas: HTMLCanvasElement,
  trace: TraceView,
  view: {
    seconds: number;
    maxN: number;
    plateau?: { fromS: number; toS: number } | null;
    corridor?: { lowN: number; highN: number; aimN: number };
  },
): void {
  const ratio = window.devicePixelRatio || 1;
  const width = canvas.clientWidth;
  const height = Number(canvas.dataset.height);
  if (canvas.width !== Math.round(width * ratio) || canvas.height !== Math.round(height * ratio)) {
    canvas.width = Math.round(width * ratio);
    canvas.height = Math.round(height * ratio);
    canvas.style.height = `${height}px`;
  }
  const c = canvas.getContext("2d");
  if (!c) return;
  const style = getComputedStyle(canvas);
  const colour = (name: string) => style.getPropertyValue(name);
  c.setTransform(ratio, 0, 0, ratio, 0, 0);
  c.clearRect(0, 0, width, height);
  const x = (s: number) => LEFT + (s / view.seconds) * (width - LEFT - 6);
  const y = (n: number) => height - BOTTOM - (n / view.maxN) * (height - BOTTOM - 8);
  c.font = `12px ${style.fontFamily}`;
  c.fillStyle = colour("--ink-quiet");
  c.strokeStyle = colour("--ink-rule");
  c.lineWidth = 1;
  for (const share of [0, 0.5, 1]) {
    const n = view.maxN * share;
    c.beginPath();
    c.moveTo(LEFT, y(n));
    c.lineTo(width - 6, y(n));
    c.stroke();
    c.fillText(share === 1 ? `${Math.round(n)} N` : String(Math.round(n)), 0, y(n) + 4);
  }
  const step = view.seconds > 20 ? 10 : 1;
  for (let s = 0; s <= view.seconds; s += step)
    if (x(s) < width - 22) c.fillText(`${s}${s === 0 ? " s" : ""}`, x(s) - 3, height - 4);
  if (view.corridor) {
    c.fillStyle = colour("--color-secondary");
    c.fillRect(
      LEFT,
      y(view.corridor.highN),
      width - LEFT - 6,
      y(view.corridor.lowN) - y(view.corridor.highN),
    );
    c.strokeStyle = colour("--color-primary");
    c.setLineDash([2, 4]);
    c.beginPath();
    c.moveTo(LEFT, y(view.corridor.aimN));
    c.lineTo(width - 6, y(view.corridor.aimN));
    c.stroke();
    c.setLineDash([]);
  }
  if (view.plateau) {
    c.fillStyle = colour("--color-secondary");
    c.fillRect(x(view.plateau.fromS), 4, x(view.plateau.toS) - x(view.plateau.fromS), height - BOTTOM - 4);
  }
  if (trace.timeS.length < 2) return;
  c.strokeStyle = colour("--ink-trace");
  c.lineWidth = 2;
  c.beginPath();
  trace.timeS.forEach((t, i) => {
    const [px, py] = [x(t), y(Math.max(0, trace.forceN[i] as number))];
    if (i === 0) c.moveTo(px, py);
    else c.lineTo(px, py);
  });
  c.stroke();
}
