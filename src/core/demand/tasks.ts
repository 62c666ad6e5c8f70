import type { Body } from "../body/segments";
import { jointLoads } from "../mechanics/inverseDynamics";
import type { LegConfiguration } from "../mechanics/legState";
import { onStep, rising, risingSpared, seatOffDeg, stepDeg } from "../mechanics/postures/dailyTasks";
import { freeSquat, splitSquat } from "../mechanics/postures/squat";

/** What daily life asks of a leg. Heights in metres. */
export type Task =
  | { kind: "chair"; seatM: number }
  | { kind: "stairs_up" | "stairs_down"; riserM: number }
  | { kind: "kneel" }
  | { kind: "half_squat" };

/** A usual stair. */
const RISER_M = 0.17;
const UP_SHARE = 0.9;
/** Down a stair the leg above carries all until the lower foot touches [own]. */
const DOWN_SHARE = 1;
/** The front leg of somebody who gets down on one knee [assumed, mechanics rules 5.11]. */
const KNEEL_SHARE = 0.75;
const KNEEL_DEG = 90;
const KNEEL_LEAN_DEG = 15;
const HALF_SQUAT_DEG = 60;
/** The knee is as good as straight below. */
const STRAIGHT_DEG = 10;
const STEP_DEG = 5;

/** Seats that people meet: a low sofa to a high stool, m. */
export const SEATS_M = [0.35, 0.4, 0.43, 0.46, 0.5, 0.55, 0.6] as const;

export const TASKS: readonly Task[] = [
  ...SEATS_M.map((seatM) => ({ kind: "chair" as const, seatM })),
  { kind: "stairs_up", riserM: RISER_M },
  { kind: "stairs_down", riserM: RISER_M },
  { kind: "kneel" },
  { kind: "half_squat" },
];

const cm = (m: number): string => (m * 100).toFixed(0);

/** A name by which a task is kept and found again. */
export const taskId = (t: Task): string => (t.kind === "chair" ? `chair_${cm(t.seatM)}` : t.kind);

/** What a leg does at one angle of a task. */
export interface Moment {
  kneeFlexionDeg: number;
  /** internal extensor moment of one leg, N·m */
  kneeNm: number;
  /** share of the body's weight on this leg */
  share: number;
}

interface Path {
  fromDeg: number | null;
  share: number;
  at: (deg: number) => LegConfiguration;
}

/** The front leg on the way up from one knee: its shank comes upright with it. */
const kneeling = (body: Body, deg: number): LegConfiguration =>
  splitSquat(body, deg, { shankLeanDeg: (KNEEL_LEAN_DEG * deg) / KNEEL_DEG, share: KNEEL_SHARE });

const BOTH_SHARE = 0.5;

function pathOf(body: Body, t: Task, sparedShare: number | null): Path {
  switch (t.kind) {
    case "chair":
      return {
        fromDeg: seatOffDeg(body, t.seatM),
        share: sparedShare ?? BOTH_SHARE,
        at: (deg) => (sparedShare === null ? rising(body, deg) : risingSpared(body, deg, sparedShare)),
      };
    case "stairs_up":
    case "stairs_down": {
      const share = sparedShare ?? (t.kind === "stairs_up" ? UP_SHARE : DOWN_SHARE);
      return { fromDeg: stepDeg(body, t.riserM), share, at: (deg) => onStep(body, deg, share) };
    }
    case "kneel":
      return { fromDeg: KNEEL_DEG, share: KNEEL_SHARE, at: (deg) => kneeling(body, deg) };
    case "half_squat":
      return { fromDeg: HALF_SQUAT_DEG, share: BOTH_SHARE, at: (deg) => freeSquat(body, deg) };
  }
}

/**
 * The knee's moments from the deepest angle of a task up to almost straight, every 5°; null where the body cannot be
 * brought there within the model's range. Mechanics rules 5.10, 5.11. `sparedShare`: of a chair or a stair,
 * what this leg takes where the other takes more than usual; null: as usual.
 */
export function momentsOf(body: Body, task: Task, sparedShare: number | null = null): Moment[] | null {
  const { fromDeg, share, at } = pathOf(body, task, sparedShare);
  if (fromDeg === null) return null;
  const angles = [fromDeg];
  for (let deg = Math.ceil(fromDeg / STEP_DEG) * STEP_DEG - STEP_DEG; deg >= STRAIGHT_DEG; deg -= STEP_DEG)
    if (deg < fromDeg) angles.push(deg);
  return angles.map((kneeFlexionDeg) => {
    const c = at(kneeFlexionDeg);
    return { kneeFlexionDeg, kneeNm: Math.max(0, jointLoads(body, c.posture, c.forces).kneeMomentNm), share };
  });
}
