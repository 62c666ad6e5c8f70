import { z } from "zod";
import { clamp } from "../units/clamp";

/** Cam of a lever machine: a named shape over lifting progress, or measured points [knee flexion deg, factor]. */
export const cam = z.union([
  z.enum(["flat", "ascending", "descending", "bell"]),
  z
    .array(z.tuple([z.number().min(0).max(140), z.number().positive().max(5)]))
    .min(2)
    .max(40)
    .refine((points) => points.every((p, i) => i === 0 || p[0] > (points[i - 1] as [number, number])[0]), {
      error: "input.cam_order",
    }),
]);
export type Cam = z.infer<typeof cam>;

/** Knee flexion at the start and the end of the lift, degrees: progress 0 to 1 between them. */
export interface LiftArc {
  startDeg: number;
  endDeg: number;
}

export const EXTENSION_ARC: LiftArc = { startDeg: 100, endDeg: 0 };
export const CURL_ARC: LiftArc = { startDeg: 0, endDeg: 110 };
export const CURVE_ARCS = { extension: EXTENSION_ARC, curl: CURL_ARC } as const;

/**
 * Factor on the machine's mean resistance at a knee angle. Shapes have mean 1 over the lift; measured points are
 * joined by a monotone cubic (Fritsch-Carlson) and held outside. Source: mechanics rules 5.1.
 */
export function camFactor(shape: Cam, kneeFlexionDeg: number, arc: LiftArc): number {
  if (Array.isArray(shape)) return monotoneCubic(shape, kneeFlexionDeg);
  const p = clamp((kneeFlexionDeg - arc.startDeg) / (arc.endDeg - arc.startDeg), 0, 1);
  switch (shape) {
    case "flat":
      return 1;
    case "ascending":
      return 0.8 + 0.4 * p;
    case "descending":
      return 1.2 - 0.4 * p;
    case "bell":
      return 1 - 0.25 * Math.cos(2 * Math.PI * p);
  }
}

type Point = readonly [number, number];

/** Monotone piecewise cubic Hermite through points in rising order of x; constant outside. */
export function monotoneCubic(points: readonly Point[], x: number): number {
  const first = points[0] as Point;
  const last = points[points.length - 1] as Point;
  if (x <= first[0]) return first[1];
  if (x >= last[0]) return last[1];
  const i = points.findIndex((p) => p[0] > x) - 1;
  const [x0, y0] = points[i] as Point;
  const [x1, y1] = points[i + 1] as Point;
  const h = x1 - x0;
  const t = (x - x0) / h;
  const m0 = slopeAt(points, i);
  const m1 = slopeAt(points, i + 1);
  return (
    (1 + 2 * t) * (1 - t) ** 2 * y0 +
    t * (1 - t) ** 2 * h * m0 +
    t * t * (3 - 2 * t) * y1 +
    t * t * (t - 1) * h * m1
  );
}

/** Fritsch-Butland slopes inside (weighted harmonic mean), shape-preserving three-point slopes at the ends. */
function slopeAt(points: readonly Point[], i: number): number {
  const secant = (j: number) => {
    const [xa, ya] = points[j] as Point;
    const [xb, yb] = points[j + 1] as Point;
    return { h: xb - xa, d: (yb - ya) / (xb - xa) };
  };
  const n = points.length;
  if (n === 2) return secant(0).d;
  if (i === 0) return endSlope(secant(0), secant(1));
  if (i === n - 1) return endSlope(secant(n - 2), secant(n - 3));
  const a = secant(i - 1);
  const b = secant(i);
  if (a.d * b.d <= 0) return 0;
  const wa = 2 * b.h + a.h;
  const wb = b.h + 2 * a.h;
  return (wa + wb) / (wa / a.d + wb / b.d);
}

function endSlope(near: { h: number; d: number }, far: { h: number; d: number }): number {
  const slope = ((2 * near.h + far.h) * near.d - near.h * far.d) / (near.h + far.h);
  if (slope * near.d <= 0) return 0;
  if (near.d * far.d <= 0 && Math.abs(slope) > 3 * Math.abs(near.d)) return 3 * near.d;
  return slope;
}
