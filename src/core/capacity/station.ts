/** One angle of a station: what it asks of the joint, and what share of its peak the muscle has there. */
export interface StationAngle {
  /** with nothing added, N·m; below zero where the limb's weight helps */
  bareNm: number;
  /** more of it per kilogram; below zero where what is set helps */
  perKgNm: number;
  shape: number;
}

/**
 * Where a load is moved, as capacity sees it: all in demand on the muscle, not in kilograms, since the weight of limb,
 * sled and body counts too. Rules L1, L3.
 */
export interface Station {
  id: string;
  angles: readonly StationAngle[];
  /** what a muscle moves of what it holds */
  eta: number;
  /** on two legs, or without a model of the joint: a scalar of its own that never speaks for one leg */
  isOwn: boolean;
  /** repetitions that an equal share of the maximum allows on this lift, against the usual */
  repetitionsFactor: number;
}

/** What of a station a load is worked out by: its name does not matter. */
export type Lift = Omit<Station, "id">;

/** Peak torque that one lift of a load asks for, N·m: the hardest of the open angles. */
export const demandNm = ({ angles, eta }: Pick<Station, "angles" | "eta">, loadKg: number): number => {
  let most = Number.NEGATIVE_INFINITY;
  for (const a of angles) most = Math.max(most, (a.bareNm + a.perKgNm * loadKg) / (a.shape * eta));
  return most;
};

/** What is set makes it easier at every angle: near straight a press may do so too. */
export const isHelp = ({ angles }: Pick<Station, "angles">): boolean => angles.every((a) => a.perKgNm < 0);

/** The hardest of some loads, and the easiest. */
export const hardestOf = (s: Pick<Station, "angles">, loads: readonly number[]): number =>
  isHelp(s) ? Math.min(...loads) : Math.max(...loads);

/** What can be lifted once, kg, by a peak torque: the least of the angles. Null for help, and where nothing bounds it. */
export function onceKg(s: Pick<Station, "angles" | "eta">, peakNm: number): number | null {
  if (isHelp(s)) return null;
  const bound = s.angles.filter((a) => a.perKgNm > 1e-6);
  const kg = Math.min(...bound.map((a) => (peakNm * a.shape * s.eta - a.bareNm) / a.perKgNm));
  return kg > 0 && Number.isFinite(kg) ? kg : null;
}
