import type { Irritability, School } from "./painRule";

/** How far one decision may move a dose. All numbers are rules of our own [own], editable clinic defaults later. */
export interface StepSizes {
  /** satisfied sessions before a step */
  sessionsPerStep: number;
  upPct: number;
  bigUpPct: number;
  backPct: number;
  angleDeg: number;
  /** sets taken off on a step back, % (0 or −33) */
  setsBackPct: number;
}

const SIZES: Record<Irritability, StepSizes> = {
  low: { sessionsPerStep: 1, upPct: 5, bigUpPct: 10, backPct: 10, angleDeg: 15, setsBackPct: 0 },
  moderate: { sessionsPerStep: 2, upPct: 5, bigUpPct: 5, backPct: 15, angleDeg: 10, setsBackPct: 0 },
  high: { sessionsPerStep: 3, upPct: 2.5, bigUpPct: 2.5, backPct: 25, angleDeg: 10, setsBackPct: -33 },
};

/** Dosing rules E4, rule P2. After surgery: three sessions, at most +5 %, at least −15 %, 10° steps. */
export function stepSizes(school: School, irritability: Irritability): StepSizes {
  const s = SIZES[irritability];
  if (school !== "post_op") return s;
  return {
    ...s,
    sessionsPerStep: 3,
    upPct: Math.min(5, s.upPct),
    bigUpPct: Math.min(5, s.upPct),
    backPct: Math.max(15, s.backPct),
    angleDeg: Math.min(10, s.angleDeg),
  };
}
