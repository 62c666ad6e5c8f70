import fc from "fast-check";
import { painAbove } from "../progression/painAbove";
import { CONDITIONS, conditionById } from "../rules/conditions";
import { taskBarred } from "../selection/fit/taskBarred";
import { bounded } from "../testdata/bounded";
import { inWords } from "../testdata/inWords";
import { NO_FINDINGS } from "../testdata/noFindings";
import { type ClientFindings, type Criterion, isFunctional } from "./phaseCriteria";
import { phaseStep, proposedEntry } from "./phaseEntry";
import { phaseLimits } from "./phaseLimits";

const EVEN = { lsiPct: 100, lowPct: 98, highPct: 102 };
const ALL_WELL: ClientFindings = {
  ...NO_FINDINGS,
  extensionDeficitDeg: 0,
  flexionDeg: 135,
  swellingGrade: 0,
  quadricepsLagDeg: 0,
  quadricepsSymmetry: EVEN,
  hamstringSymmetry: EVEN,
  restingPain: 0,
};
const at = (conditionId: string, found: ClientFindings) => {
  const c = conditionById(conditionId);
  if (!c) throw new Error("no condition");
  return { c, proposal: proposedEntry(c, found) };
};

describe("a client who arrives half way", () => {
  test("is proposed the phase that weeks and findings support, with what a therapist has to have seen", () => {
    const { c, proposal } = at("acl_reconstruction", { ...ALL_WELL, weeks: 16 });
    const index = c.phases.findIndex((p) => p.id === proposal.phase.id);
    expect(index).toBeGreaterThan(1);
    expect(proposal.phase.weeks.from).toBeLessThanOrEqual(16);
    expect(proposal.toConfirm.every(isFunctional)).toBe(true);
    expect(proposal.missing.length).toBeGreaterThan(0);
  });

  test("is confirmed there in one step with a reason, in an earlier phase too, and in no later one", () => {
    const found = { ...ALL_WELL, weeks: 16 };
    const { c, proposal } = at("acl_reconstruction", found);
    const entering = { phaseId: c.phases[0]?.id ?? "", isConfirmed: false };
    c.phases.forEach((p, i) => {
      const step = phaseStep(c, entering, p.id, found);
      if (i <= c.phases.indexOf(proposal.phase)) expect(step).toEqual({ possible: true, needsReason: i > 0 });
      else expect(step).toMatchObject({ possible: false, why: { code: "phases.confirm_first" } });
    });
  });

  test("without findings the last but one of the phases whose weeks have come is proposed, with what nobody measured and a reason", () => {
    let untested = 0;
    for (const c of CONDITIONS) {
      const found = { ...NO_FINDINGS, weeks: 15 };
      const { phase, unmeasured } = proposedEntry(c, found);
      const index = c.phases.indexOf(phase);
      if (unmeasured.length === 0) continue;
      untested++;
      // a phase whose weeks have come lies beyond it
      expect(c.phases[index + 1]?.weeks.from).toBeLessThanOrEqual(15);
      expect(unmeasured.every((m) => m.state === "not_measured")).toBe(true);
      const entering = { phaseId: c.phases[0]?.id ?? "", isConfirmed: false };
      expect(phaseStep(c, entering, phase.id, found)).toEqual({ possible: true, needsReason: index > 0 });
      expect(phaseStep(c, entering, c.phases[index + 1]?.id ?? "", found)).toMatchObject({ possible: false });
    }
    expect(untested).toBeGreaterThan(1);
  });

  test("what was measured and is not met holds back, whatever the weeks", () => {
    const stiff = at("acl_reconstruction", { ...ALL_WELL, weeks: 40, extensionDeficitDeg: 20 });
    expect(stiff.proposal.phase.id).toBe(stiff.c.phases[0]?.id);
    expect(stiff.proposal.missing.map((m) => m.state)).toContain("not_met");
  });

  test("is never proposed a phase whose weeks have not come, and better findings never propose an earlier one", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CONDITIONS),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 4 }),
        (c, weeks, swellingGrade) => {
          const worse = proposedEntry(c, { ...ALL_WELL, weeks, swellingGrade }).phase;
          const better = proposedEntry(c, { ...ALL_WELL, weeks }).phase;
          expect(better.weeks.from).toBeLessThanOrEqual(Math.max(weeks, c.phases[0]?.weeks.from ?? 0));
          expect(c.phases.indexOf(better)).toBeGreaterThanOrEqual(c.phases.indexOf(worse));
        },
      ),
    );
  });
});

test("a criterion that the phase itself bars says how it is ticked", () => {
  const c = conditionById("knee_oa");
  const flare = c?.phases[0];
  if (!c || !flare) throw new Error("no flare");
  const limits = phaseLimits(c, flare, { variantId: "severe", choices: {}, week: 0 });
  const criterion = (asks: Criterion["asks"]): Criterion => ({ asks, state: "not_measured", found: null });
  const can = (id: string) => criterion({ code: "phases.can", id });
  expect(taskBarred(can("stand_up_from_raised_seat_x5"), limits)).toBeNull();
  expect(inWords(taskBarred(can("30_second_chair_stand_least_10"), limits))).toMatch(/daily life/);
  expect(taskBarred(can("walk_15_min"), limits)).toBeNull();
  expect(taskBarred(criterion({ code: "phases.bend", leastDeg: 90 }), limits)).toBeNull();
});

test("pain before any work that is above the most allowed is said, with the number and what can be done", () => {
  const limits = bounded({ joint_pain: { high: 3 } });
  expect(painAbove(3, limits)).toBeNull();
  expect(inWords(painAbove(5, limits))).toMatch(/5 of 10.*above the most allowed in it, 3/);
  expect(painAbove(9, {})).toBeNull();
});
