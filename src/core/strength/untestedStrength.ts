import type { Body } from "../body/segments";
import { jointLoads } from "../mechanics/inverseDynamics";
import {
  LEAST_SPARED_SHARE,
  rising,
  risingSpared,
  SPARED_STEP_SHARE,
  seatOffDeg,
  stepUp,
} from "../mechanics/postures/dailyTasks";
import type { StandingConfiguration } from "../mechanics/postures/squat";
import { torqueAngleShape } from "./torqueAngleShape";

/** Peak isometric torque, N·m: what most people like this one have lies between low and high. */
export interface StrengthBand {
  low: number;
  middle: number;
  high: number;
}

/** What is known of somebody whose strength nobody measured. */
export interface UntestedPerson {
  ageYears: number;
  /** null: the norm of both is read */
  normSex: "female" | "male" | null;
  /** what makes weaker; the lowest factor that applies counts */
  has: { arthritis: boolean; kneecapOrTendonPain: boolean; back: boolean; longInactivity: boolean };
  /** null: not operated */
  weeksAfterSurgery: number | null;
  /** rises from a usual chair without hands, climbs stairs foot over foot without the rail */
  daily: { chair: boolean; stairs: boolean };
}

/** What stands in before anything was tested or done. */
export interface StrengthEstimate {
  /** peak torque and its doubt as a standard deviation of its logarithm */
  extension: { peakNm: number; sd: number };
  flexion: { peakNm: number; sd: number };
  hip: StrengthBand;
  /**
   * largest moments of what the client does every day, N·m, and the peak that it proves of either leg; null where nothing is
   * known of it
   */
  daily: { kneeNm: number; hipNm: number; peakNm: number } | null;
}

/** Corrections K2 [~]: peak knee extension per body mass by age, N·m/kg; linear between, held beyond. */
const BY_AGE: readonly (readonly [number, number])[] = [
  [40, 2.6],
  [50, 2.3],
  [60, 2.0],
  [70, 1.7],
  [80, 1.4],
  [90, 1.1],
];
const SEX_FACTOR = { male: 1.1, female: 0.9 } as const;
/** How far the hip of people differs from the middle. */
const SPREAD = 0.4;
/** How far a knee lies from the middle: wider soon after surgery and under 18. Rule L2. */
const SD = 0.3;
const SD_AFTER_SURGERY = 0.35;
const SD_UNGROWN = 0.4;
const SOON_WEEKS = 26;
const GROWN_YEARS = 18;
const FLEXION_SHARE = 0.55;
const HIP_SHARE = 1.0;
const CHAIR_M = 0.46;
const RISER_M = 0.17;

function perKg(ageYears: number): number {
  const first = BY_AGE[0] as readonly [number, number];
  const i = BY_AGE.findIndex(([age]) => age >= ageYears);
  if (i === 0 || ageYears <= first[0]) return first[1];
  const last = BY_AGE[BY_AGE.length - 1] as readonly [number, number];
  if (i < 0) return last[1];
  const [a0, v0] = BY_AGE[i - 1] as readonly [number, number];
  const [a1, v1] = BY_AGE[i] as readonly [number, number];
  return v0 + ((ageYears - a0) / (a1 - a0)) * (v1 - v0);
}

function afterSurgery(weeks: number): number {
  if (weeks <= 6) return 0.4;
  if (weeks <= 12) return 0.55;
  return weeks <= 26 ? 0.7 : 0.85;
}

/** The lowest of the factors that apply; 1 where none does. */
function factorOf(p: UntestedPerson): number {
  const found: [boolean, number][] = [
    [p.has.arthritis, 0.8],
    [p.has.kneecapOrTendonPain, 0.85],
    [p.has.back, 0.9],
    [p.has.longInactivity, 0.65],
    [p.weeksAfterSurgery !== null, p.weeksAfterSurgery === null ? 1 : afterSurgery(p.weeksAfterSurgery)],
  ];
  return Math.min(1, ...found.filter(([applies]) => applies).map(([, factor]) => factor));
}

const jointOf = (body: Body, c: StandingConfiguration) => jointLoads(body, c.posture, c.forces);

/** What a day proves of either leg: the peak that a spared leg still needs. Rule L2. */
function provedBy(body: Body, c: StandingConfiguration | null): number {
  if (!c) return 0;
  const joint = jointOf(body, c);
  return Math.max(0, joint.kneeMomentNm) / torqueAngleShape("knee_extension", joint.kneeFlexionDeg);
}

/** Largest moments of the daily tasks that the client does, and what they prove of either leg. */
function dailyOf(body: Body, daily: UntestedPerson["daily"]) {
  const seatDeg = seatOffDeg(body, CHAIR_M);
  const tasks = [
    daily.chair && seatDeg !== null
      ? { usual: rising(body, seatDeg), spared: risingSpared(body, seatDeg, LEAST_SPARED_SHARE) }
      : null,
    daily.stairs
      ? {
          usual: stepUp(body, { riserM: RISER_M }),
          spared: stepUp(body, { riserM: RISER_M, share: SPARED_STEP_SHARE }),
        }
      : null,
  ];
  const found = tasks.flatMap((task) => {
    if (!task?.usual) return [];
    const joint = jointOf(body, task.usual);
    return [
      {
        kneeNm: Math.max(0, joint.kneeMomentNm),
        hipNm: Math.max(0, joint.hipMomentNm ?? 0),
        peakNm: provedBy(body, task.spared),
      },
    ];
  });
  if (found.length === 0) return null;
  const most = (of: (t: (typeof found)[number]) => number) => Math.max(...found.map(of));
  return { kneeNm: most((t) => t.kneeNm), hipNm: most((t) => t.hipNm), peakNm: most((t) => t.peakNm) };
}

const bandOf = (middleNm: number, leastNm = 0): StrengthBand => ({
  low: Math.max(leastNm, middleNm * (1 - SPREAD)),
  middle: Math.max(leastNm, middleNm),
  high: Math.max(leastNm, middleNm * (1 + SPREAD)),
});

const doubtOf = (p: UntestedPerson): number => {
  if (p.ageYears < GROWN_YEARS) return SD_UNGROWN;
  return p.weeksAfterSurgery !== null && p.weeksAfterSurgery <= SOON_WEEKS ? SD_AFTER_SURGERY : SD;
};

/**
 * Strength of somebody of whom nothing was seen yet: by age, body and what weakens. What is done every day is no part of
 * it: it is seen as a lower bound. Corrections K2, rule L2 [~][own].
 */
export function untestedStrength(body: Body, p: UntestedPerson): StrengthEstimate {
  const sex = p.normSex === null ? 1 : SEX_FACTOR[p.normSex];
  const peakNm = perKg(p.ageYears) * body.massKg * sex * factorOf(p);
  const daily = dailyOf(body, p.daily);
  const sd = doubtOf(p);
  return {
    extension: { peakNm, sd },
    flexion: { peakNm: peakNm * FLEXION_SHARE, sd },
    hip: bandOf(peakNm * HIP_SHARE, daily?.hipNm),
    daily,
  };
}
