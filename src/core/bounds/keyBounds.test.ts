import fc from "fast-check";
import { phaseLimits } from "../phases/phaseLimits";
import { CONDITIONS } from "../rules/conditions";
import { boundsOfRecord } from "../rules/limitsOfRecord";
import { inForce, mostOf } from "./inForce";
import { keyBounds } from "./keyBounds";
import { BOUND_KINDS } from "./kinds";

const anyPhase = fc
  .tuple(fc.constantFrom(...CONDITIONS), fc.nat(), fc.integer({ min: 0, max: 60 }))
  .map(([c, p, week]) =>
    boundsOfRecord(
      phaseLimits(c, c.phases[p % c.phases.length] as (typeof c.phases)[number], { week }),
      "phase",
    ),
  );

test("what is shown first is what is in force, with its author; what is free is not shown", () => {
  fc.assert(
    fc.property(anyPhase, (bounds) => {
      const shown = keyBounds(bounds);
      expect(shown.length).toBeLessThanOrEqual(6);
      for (const b of shown) {
        expect(bounds[b.kind]).toBeDefined();
        expect(b.by).not.toBe("");
        expect(b.share).toBeGreaterThanOrEqual(0);
        expect(b.share).toBeLessThanOrEqual(1);
        if (BOUND_KINDS[b.kind].shape === "most") expect(b.words).toContain(`≤ ${mostOf(bounds, b.kind)}`);
      }
    }),
  );
  expect(keyBounds(inForce([], "2026-01-01"))).toEqual([]);
});
