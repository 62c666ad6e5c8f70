import fc from "fast-check";
import { type WeekDemand, weekPlan } from "./weekPlan";

const MINUTES = { strength: 40, accumulated: 20, iso: 12, stretch: 10 };
const apart = (days: readonly number[], least: number) =>
  days.every(
    (d, i) => days.length < 2 || (((days[(i + 1) % days.length] as number) - d + 6) % 7) + 1 >= least,
  );

test("whatever is asked and free: days lie where there is time, hard days 48 h apart, all that is dropped is said", () => {
  fc.assert(
    fc.property(
      fc.record({ strength: fc.nat(4), accumulated: fc.nat(1), iso: fc.nat(3), stretch: fc.nat(3) }),
      fc.array(fc.constantFrom(0, 30, 60), { minLength: 7, maxLength: 7 }),
      (demand: WeekDemand, available) => {
        const plan = weekPlan({ demand, minutes: MINUTES, available });
        const load = available.map(
          (_, d) =>
            (plan.strength.includes(d) ? 40 : 0) +
            (plan.accumulated === d ? 20 : 0) +
            (plan.iso.includes(d) ? 12 : 0) +
            (plan.stretch.includes(d) ? 10 : 0),
        );
        for (const [d, minutes] of load.entries())
          expect(minutes).toBeLessThanOrEqual(available[d] as number);
        const hard = [...plan.strength, ...(plan.accumulated === null ? [] : [plan.accumulated])].sort();
        expect(new Set(hard).size).toBe(hard.length);
        expect(apart(hard, 2)).toBe(true);
        if (plan.accumulated !== null && hard.length > 1) {
          const next = hard[(hard.indexOf(plan.accumulated) + 1) % hard.length] as number;
          expect(((next - plan.accumulated + 6) % 7) + 1).toBeGreaterThanOrEqual(3);
        }
        expect(plan.strength.length + (plan.dropped.strength ?? 0)).toBe(demand.strength);
        expect(plan.iso.length + (plan.dropped.iso ?? 0)).toBe(demand.iso);
        expect(plan.stretch.length + (plan.dropped.stretch ?? 0)).toBe(demand.stretch);
      },
    ),
    { numRuns: 60 },
  );
});
