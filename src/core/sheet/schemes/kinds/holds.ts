import { z } from "zod";
import { shareForFeltEffort } from "../../../isometrics/effortConversion";
import { numberField, scoreField, wholeField } from "../../../units/fields";
import type { ProgressStep, SchemeSpec, Stepped } from "../contract";
import { noStretch } from "../gates";
import { held, plannedDeg, repeat, restS, sets } from "../parts";

/** Felt effort (0-10 at the end of the hardest hold) and percent of maximum at this angle are different things. */
const effort = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("felt"), felt: scoreField("felt_effort", 2, 9) }),
  z.object({ kind: z.literal("percent"), percent: numberField("percent_of_maximum", "pct", 10, 90) }),
]);
export const holdsSchema = z.object({
  kind: z.literal("holds"),
  sets,
  reps: wholeField("holds", 1, 12),
  holdS: numberField("hold", "s", 3, 60),
  restS,
  setRestS: restS,
  effort,
  /** knee flexion of the hold; null where the knee has no angle of its own to choose */
  atDeg: plannedDeg.nullable(),
});
export type HoldsScheme = z.infer<typeof holdsSchema>;

/** From so much felt effort, or percent of the maximum, a hold is heavy. */
const HEAVY = { felt: 7, percent: 50 } as const;
export const isHeavyHold = (p: HoldsScheme): boolean =>
  p.effort.kind === "felt" ? p.effort.felt >= HEAVY.felt : p.effort.percent >= HEAVY.percent;
/** Effective sets that a heavy hold counts as. Rule D1 [own]. */
const COUNTS_AS = 0.5;

const LONGER_BY_S = 5;
const LONGEST_S = 45;
const EFFORT = {
  felt: { least: 2, most: 8, up: 0.5, down: -1 },
  percent: { least: 20, most: 80, up: 5, down: -10 },
} as const;

/** The same holds a step harder or easier; null at the end of the scale or of what is allowed. Dosing rules E6. */
function withEffort(p: HoldsScheme, to: "up" | "down", most: ProgressStep["most"]): HoldsScheme | null {
  const { kind } = p.effort;
  const scale = EFFORT[kind];
  const now = p.effort.kind === "felt" ? p.effort.felt : p.effort.percent;
  const next = Math.max(scale.least, Math.min(scale.most, most[kind], now + scale[to]));
  if (to === "up" ? next <= now : next >= now) return null;
  return { ...p, effort: kind === "felt" ? { kind, felt: next } : { kind, percent: next } };
}

/** The next rung, then longer up to 45 s, then harder; back: a rung, then easier. Dosing rules E4, E6. */
function progress(p: HoldsScheme, step: ProgressStep): Stepped<HoldsScheme> {
  // all of the planned seconds come first: nothing else changes
  if (step.to === "more") return p;
  if (step.nextDeg !== null) return { ...p, atDeg: step.nextDeg };
  const holdS = Math.min(LONGEST_S, step.mostS, p.holdS + LONGER_BY_S);
  return step.to === "up" && holdS > p.holdS ? { ...p, holdS } : withEffort(p, step.to, step.most);
}

export const holds: SchemeSpec<HoldsScheme> = {
  schema: holdsSchema,
  gates: [(f) => (f.canBeHeld ? null : { code: "gate.not_held" }), noStretch],
  tempo: () => null,
  sets: (p) => repeat(p.sets, { ...held(p.reps, p.holdS, p.restS), restS: p.setRestS }),
  target: () => null,
  liftedShare: () => null,
  // what was entered, or what ends the last hold at the felt effort
  heldShare: (p, joint, k) =>
    p.effort.kind === "percent" ? p.effort.percent / 100 : shareForFeltEffort(joint, p, p.effort.felt, k),
  effective: (p) => (isHeavyHold(p) ? COUNTS_AS * p.sets * p.reps : 0),
  progress,
};
