export const clamp = (x: number, min: number, max: number): number => Math.min(max, Math.max(min, x));

export const toRadians = (deg: number): number => (deg * Math.PI) / 180;
export const toDegrees = (rad: number): number => (rad * 180) / Math.PI;

export function roundTo(x: number, decimals: number): number {
  const scale = 10 ** decimals;
  return Math.round(x * scale) / scale;
}
