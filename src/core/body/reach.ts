import type { Body } from "./segments";

/** How far a body was measured to go, of one side; null: not measured, the usual stands. */
export interface Reach {
  /** hip bend lying, degrees */
  hipBendDeg: number | null;
  straightLegRaiseDeg: number | null;
  kneeToWallCm: number | null;
  /** knee bend in which the pelvis was seen to roll, by the machine's id */
  pelvisRollsDeg: Readonly<Record<string, number>>;
}

/** Lying, the pelvis gives about so much of the bend of a hip (mechanics rules 2 [assumed]). */
const PELVIS_GIVES_DEG = 15;
/** Degrees of ankle bend for each centimetre between toe and wall [M]. */
const DEG_PER_CM = 3.6;
/** What the model is good for. */
const HIP = { least: 30, most: 140 } as const;
const RAISE = { least: 30, most: 110 } as const;
const ANKLE = { least: 8, most: 50 } as const;

/** The body with what was measured of it in place of what is usual. Rule "Measured 3". */
export function withReach(body: Body, r: Reach): Body {
  const ankle = r.kneeToWallCm === null ? null : r.kneeToWallCm * DEG_PER_CM;
  const rolls = Object.keys(r.pelvisRollsDeg).length > 0;
  if (r.hipBendDeg === null && r.straightLegRaiseDeg === null && ankle === null && !rolls) return body;
  return {
    ...body,
    ...(r.hipBendDeg === null ? {} : { hipFlexionMaxDeg: within(r.hipBendDeg - PELVIS_GIVES_DEG, HIP) }),
    ...(r.straightLegRaiseDeg === null ? {} : { straightLegRaiseDeg: within(r.straightLegRaiseDeg, RAISE) }),
    ...(ankle === null ? {} : { dorsiflexionMaxDeg: within(ankle, ANKLE) }),
    measured: { hip: r.hipBendDeg !== null, raise: r.straightLegRaiseDeg !== null, ankle: ankle !== null },
    ...(rolls ? { pelvisRollsDeg: r.pelvisRollsDeg } : {}),
  };
}

const within = (x: number, { least, most }: { least: number; most: number }): number =>
  Math.min(most, Math.max(least, x));
