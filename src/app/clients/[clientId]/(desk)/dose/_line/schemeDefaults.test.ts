import fc from "fast-check";
import { leastOf, mostOf } from "@/core/bounds/inForce";
import { insideLimits } from "@/core/sheet/schemes/insideLimits";
import { SCHEME_KINDS, scheme } from "@/core/sheet/schemes/scheme";
import { bounded } from "@/core/testdata/bounded";
import { HOLD_EFFORT_STARTS, SCHEME_STARTS, schemeWords } from "./schemeDefaults";

test.each(SCHEME_KINDS.map((k) => [k]))("%s starts as a whole scheme and says itself in a line", (kind) => {
  expect(scheme.parse(SCHEME_STARTS[kind])).toEqual(SCHEME_STARTS[kind]);
  const words = schemeWords(SCHEME_STARTS[kind]);
  expect(words).toMatch(/\d/);
  expect(words.length).toBeLessThan(32);
});

test("a scheme starts inside today's limits, as it is where they leave room, and never heavier", () => {
  const wide = bounded({ felt_effort: { high: 9 }, hold_seconds: { high: 60 }, reserve: { low: 0 } });
  const anyLimits = fc
    .record({
      felt: fc.integer({ min: 2, max: 10 }),
      percent: fc.integer({ min: 10, max: 100 }),
      seconds: fc.integer({ min: 3, max: 60 }),
      reserve: fc.integer({ min: 0, max: 8 }),
    })
    .map((l) =>
      bounded({
        felt_effort: { high: l.felt },
        hold_effort: { high: l.percent },
        hold_seconds: { high: l.seconds },
        reserve: { low: l.reserve },
      }),
    );
  fc.assert(
    fc.property(
      fc.constantFrom(...SCHEME_KINDS),
      fc.constantFrom(...Object.values(HOLD_EFFORT_STARTS)),
      anyLimits,
      (kind, effort, limits) => {
        const start = kind === "holds" ? { ...SCHEME_STARTS.holds, effort } : SCHEME_STARTS[kind];
        expect(insideLimits(start, wide)).toEqual(start);
        const made = insideLimits(start, limits);
        expect(scheme.parse(made)).toEqual(made);
        if (made.kind === "holds" && start.kind === "holds") {
          expect(made.holdS).toBe(Math.min(start.holdS, mostOf(limits, "hold_seconds")));
          if (made.effort.kind === "felt")
            expect(made.effort.felt).toBe(
              Math.min(HOLD_EFFORT_STARTS.felt.felt, mostOf(limits, "felt_effort")),
            );
          else
            expect(made.effort.percent).toBe(
              Math.min(HOLD_EFFORT_STARTS.percent.percent, mostOf(limits, "hold_effort")),
            );
        } else if ("reserve" in made && "reserve" in start) {
          const asked = { ...start, reserve: Math.max(start.reserve, leastOf(limits, "reserve")) };
          expect(made).toEqual(scheme.safeParse(asked).success ? asked : start);
        } else expect(made).toEqual(start);
      },
    ),
    { numRuns: 300 },
  );
});
