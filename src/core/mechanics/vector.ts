import { toRadians } from "../units/clamp";

/** 2-D, x forward for a standing person, y up, metres or newtons. */
export interface Vector {
  x: number;
  y: number;
}

export const vector = (x: number, y: number): Vector => ({ x, y });
export const NOTHING: Vector = { x: 0, y: 0 };
export const plus = (a: Vector, b: Vector): Vector => ({ x: a.x + b.x, y: a.y + b.y });
export const minus = (a: Vector, b: Vector): Vector => ({ x: a.x - b.x, y: a.y - b.y });
export const times = (a: Vector, k: number): Vector => ({ x: a.x * k, y: a.y * k });
export const dot = (a: Vector, b: Vector): number => a.x * b.x + a.y * b.y;
/** z component, counter-clockwise positive */
export const cross = (a: Vector, b: Vector): number => a.x * b.y - a.y * b.x;
export const length = (a: Vector): number => Math.hypot(a.x, a.y);
/** unit vector at an absolute angle, counter-clockwise from +x */
export const unit = (deg: number): Vector => ({ x: Math.cos(toRadians(deg)), y: Math.sin(toRadians(deg)) });
