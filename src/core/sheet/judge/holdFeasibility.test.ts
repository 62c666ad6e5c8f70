import fc from "fast-check";
import { plannedEnduranceS } from "../../isometrics/enduranceTime";
import { type EnduranceJoint, JOINTS } from "../../isometrics/joints";
import { bounded } from "../../testdata/bounded";
import { inWords } from "../../testdata/inWords";
import { heldOrNot, holdBars } from "./holdFeasibility";

const NOBODY_TIMED = { k: 1, holds: 0 };
const once = (holdS: number) => ({ holdS, reps: 1, restS: 0, sets: 1, setRestS: 0 });

test("a single hold: barred only beyond the long end of the spread, a try between middle and long end, else nothing", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...(Object.keys(JOINTS) as EnduranceJoint[])),
      fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      fc.double({ min: 0.6, max: 1.8, noNaN: true }),
      fc.double({ min: 0.05, max: 3, noNaN: true }),
      fc.boolean(),
      (joint, share, k, part, isTimed) => {
        const personal = { k, holds: isTimed ? 2 : 0 };
        const spread = isTimed ? 1.2 : 1.5;
        const enduranceS = plannedEnduranceS(joint, share, k);
        const found = heldOrNot(joint, share, once(part * enduranceS), personal);
        expect(found.bars !== null && found.caution !== null).toBe(false);
        if (part > spread + 0.01) expect(found.bars).not.toBeNull();
        if (part < spread - 0.05) expect(found.bars).toBeNull();
        if (part > 1.05 && part < spread - 0.05)
          expect(inWords(found.caution)).toMatch(/Try one, stop when the position goes/);
        if (part < 0.75) expect(found.caution).toBeNull();
      },
    ),
    { numRuns: 400 },
  );
});

test("a timed hold narrows the spread: what was a try becomes a bar", () => {
  const holdS = 1.35 * plannedEnduranceS("knee", 0.5);
  expect(heldOrNot("knee", 0.5, once(holdS), NOBODY_TIMED)).toMatchObject({ bars: null });
  expect(inWords(heldOrNot("knee", 0.5, once(holdS), NOBODY_TIMED).caution)).toMatch(/Try one/);
  expect(inWords(heldOrNot("knee", 0.5, once(holdS), { k: 1, holds: 1 }).bars)).toMatch(/nobody is expected/);
});

test("more of anything asked of a hold never breaks fewer limits, and each names who set it", () => {
  const bounds = bounded({
    hold_seconds: { high: 20, origin: "surgeon", reason: "the note" },
    hold_effort: { high: 40 },
    felt_effort: { high: 5 },
  });
  expect(holdBars({ holdS: 21 }, bounds).map(inWords)).toEqual([
    "holds may last 20 s at most, because the note (surgeon): shorten the hold",
  ]);
  expect(holdBars({ holdS: 20, share: 0.4, feltPlanned: 5, feltPredicted: 5.5 }, bounds)).toEqual([]);
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 10, noNaN: true }),
      (holdS, share, felt) => {
        const less = holdBars({ holdS, share, feltPlanned: felt, feltPredicted: felt }, bounds).length;
        const more = { holdS: holdS + 5, share: share + 0.1, feltPlanned: felt + 1, feltPredicted: felt + 1 };
        expect(holdBars(more, bounds).length).toBeGreaterThanOrEqual(less);
      },
    ),
  );
});
