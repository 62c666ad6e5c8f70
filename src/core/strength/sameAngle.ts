/** Tests within this distance speak for the same knee angle [own]. */
const SAME_ANGLE_DEG = 3;

export const isSameAngle = (aDeg: number, bDeg: number): boolean => Math.abs(aDeg - bDeg) <= SAME_ANGLE_DEG;
