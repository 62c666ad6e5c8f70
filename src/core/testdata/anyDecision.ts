import fc from "fast-check";
import type { DecisionInput } from "../progression/decisionInput";

const score = fc.integer({ min: 0, max: 10 });
const maybe = <T>(a: fc.Arbitrary<T>) => fc.option(a, { nil: null, freq: 8 });
/** Whatever a session and its morning can be. */
export const anyDecision: fc.Arbitrary<DecisionInput> = fc.record({
  school: fc.constantFrom("pain_free", "monitoring", "post_op"),
  irritability: fc.constantFrom("low", "moderate", "high"),
  writtenPainLimit: maybe(score),
  elsewhere: fc.array(
    fc.record({
      region: fc.constantFrom("back_low" as const, "hip_side" as const),
      ...{ pain: maybe(score), morning: maybe(score), usual: fc.integer({ min: 0, max: 4 }) },
      ...{ green: fc.constantFrom(1, 2), most: fc.integer({ min: 2, max: 5 }) },
    }),
    { maxLength: 2 },
  ),
  redFlag: fc.boolean(),
  techniqueStop: fc.boolean(),
  prevRegress: fc.boolean(),
  missedBefore: fc.boolean(),
  satisfiedStreak: fc.integer({ min: 0, max: 5 }),
  usualPain: fc.integer({ min: 0, max: 5 }),
  painBefore: maybe(score),
  painDuring: maybe(score),
  painAfter: maybe(score),
  painMorning: maybe(score),
  effusion: maybe(fc.integer({ min: 0, max: 4 })),
  effusionBefore: maybe(fc.integer({ min: 0, max: 4 })),
  effusionApplies: fc.boolean(),
  rangePct: maybe(fc.integer({ min: 50, max: 110 })),
  weekTrend: maybe(fc.double({ min: -3, max: 3, noNaN: true })),
  repsState: fc.constantFrom("below", "in", "top", "unknown"),
  rir: maybe(fc.integer({ min: 0, max: 8 })),
  rirTarget: fc.integer({ min: 0, max: 5 }),
});
