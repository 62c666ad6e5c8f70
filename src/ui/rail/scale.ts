/** The angle rail's place: the same on every screen, in units of the drawing (about pixels at 1280). */
export const RAIL = { width: 722, left: 146, right: 652, maxDeg: 130 } as const;

export const xOf = (deg: number): number => RAIL.left + (deg / RAIL.maxDeg) * (RAIL.right - RAIL.left);

export const degOf = (x: number): number => ((x - RAIL.left) / (RAIL.right - RAIL.left)) * RAIL.maxDeg;
