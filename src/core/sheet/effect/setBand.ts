import type { Stage } from "../../rules/conditions";
import type { Muscle } from "../../schedule/balance";

/** Effective sets a muscle group and week, from and to. Rule D1 [own]. */
const BANDS: Readonly<Record<Stage, readonly [number, number]>> = {
  protect: [0, 2],
  wake: [1, 4],
  learn: [3, 6],
  build: [5, 10],
  strong: [6, 12],
  keep: [2, 4],
};

export interface SetBand {
  from: number;
  to: number;
}

/** The band of a muscle group: what is weak or aimed at takes its upper half. */
export function bandOf(stage: Stage, muscle: Muscle, aimed: readonly Muscle[]): SetBand {
  const [from, to] = BANDS[stage];
  return aimed.includes(muscle) ? { from: (from + to) / 2, to } : { from, to };
}

/** What a draft gives the group that it is for, over the week that it plans, at the least. Rule D2 [own]. */
const LEAST: Partial<Record<Stage, number>> = { build: 6, strong: 8 };
export const leastAimed = (stage: Stage): number | null => LEAST[stage] ?? null;
