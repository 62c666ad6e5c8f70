import fc from "fast-check";
import { bodyFrom } from "../../body/segments";
import { notchesOf } from "../../equipment/machine";
import { templateOf } from "../../equipment/templates";
import { exerciseById } from "../../rules/exercises";
import { bounded } from "../../testdata/bounded";
import { computeSetUp } from "../../testdata/computeSetUp";
import { inWords } from "../../testdata/inWords";
import { loadFacts } from "../../testdata/loadFacts";
import { allowedArc } from "../fit/allowedArc";
import { exerciseUse } from "../fit/exerciseUse";
import { type GymMachine, machineFor, realLoads } from "../setUp/machineFor";
import type { RowContext } from "../setUp/row";
import { chairRise, type ReferenceTask } from "../tissue/tissues";
import { findSetUp, type SearchWish } from "./findSetUp";

const body = bodyFrom(75, 1.75);
const ctx: RowContext = {
  ...loadFacts(body),
  chair: chairRise(body) as ReferenceTask,
  tissue: "kneecap",
  capTimes: null,
  basis: { kind: "effort", share: 0.5 },
};

function search(id: string, wish: SearchWish, limits = {}, machines: GymMachine[] = []) {
  const e = exerciseById(id);
  const use = exerciseUse({ id });
  if (!e || !use) throw new Error(`no ${id}`);
  const chosen = machineFor(use, machines);
  const allowed = allowedArc(e, limits, { shortOfStraightDeg: null, bendDeg: null });
  if (!allowed) throw new Error("nothing is allowed");
  const progress: number[] = [];
  const result = findSetUp(e, use, chosen, allowed, { ...ctx, limits }, wish, (x) => progress.push(x));
  return { e, use, chosen, allowed, result, progress };
}

const SEARCHED = ["kext_full", "sq_hack", "sq_rail_feet_fwd", "curl_seated"];

test("every set-up found is at notches and real loads, inside limits and caps, and the row computes the same", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SEARCHED),
      fc.constantFrom(0.3, 0.5, 0.8),
      fc.constantFrom(null, 0.5, 1),
      fc.boolean(),
      fc.constantFrom(60, 90, 130),
      (id, effortShare, capTimes, keepBack, depth) => {
        const limits = bounded({ closed_chain_depth: { high: depth } });
        const { e, use, chosen, allowed, result } = search(id, { effortShare, capTimes, keepBack }, limits);
        if (result.found.length === 0) expect(result.why).toMatch(/limits stay as they are/);
        for (const f of result.found) {
          for (const spec of chosen.family.settings)
            expect(notchesOf(chosen.machine, spec).map((n) => n.value)).toContain(f.settings[spec.key]);
          expect(realLoads(chosen.machine, chosen.family).map((l) => l.load)).toContain(f.load);
          expect(f.peakShare).toBeLessThanOrEqual(effortShare + 1e-6);
          if (capTimes !== null) expect(f.peakTimes).toBeLessThanOrEqual(capTimes + 1e-6);
          if (keepBack) expect(f.pelvicTuckDeg).toBe(0);
          expect(f.toDeg).toBeLessThanOrEqual(allowed.toDeg);
          const row = computeSetUp(
            e,
            use,
            chosen,
            allowed,
            { ...ctx, limits },
            { settings: f.settings, load: f.load },
          );
          if ("code" in row) throw new Error(row.code);
          expect(row.load).toBe(f.load);
          if (!keepBack) {
            expect(row.arc.toDeg).toBeCloseTo(f.toDeg, 6);
            expect(row.peakTimes).toBeCloseTo(f.peakTimes, 6);
            expect(row.effortShare).toBeCloseTo(f.peakShare, 6);
          }
        }
      },
    ),
    { numRuns: 15 },
  );
});

test("nothing in the machine trains more than the first one found, looked at one by one", () => {
  const wish = { effortShare: 0.6, capTimes: 1, keepBack: false };
  const notches = (...values: number[]) => values.map((value) => ({ label: `${value}`, value }));
  const small: GymMachine = {
    ...templateOf("hack_squat"),
    id: "small",
    steps: { kind: "pairs", base: 0, perSide: { "10": 2, "5": 1 } },
    notches: { footForwardM: notches(0.05, 0.15, 0.25), depthDeg: notches(50, 70, 90, 110) },
  };
  const { e, use, chosen, allowed, result } = search("sq_hack", wish, {}, [small]);
  const best = result.found[0];
  if (!best) throw new Error("nothing found");
  let most = 0;
  for (const foot of notchesOf(chosen.machine, chosen.family.settings[0] as never))
    for (const depth of notchesOf(chosen.machine, chosen.family.settings[1] as never))
      for (const { load } of realLoads(chosen.machine, chosen.family)) {
        const settings = { footForwardM: foot.value, depthDeg: depth.value };
        const row = computeSetUp(e, use, chosen, allowed, ctx, { settings, load });
        if ("code" in row || row.effortShare === null || row.meanShare === null) continue;
        if (
          row.tooHeavyBecause ||
          (row.effortBand?.high ?? row.effortShare) > 0.6 + 1e-9 ||
          row.peakTimes > 1 + 1e-9
        )
          continue;
        most = Math.max(most, row.meanShare * (row.arc.toDeg - row.arc.fromDeg));
      }
  expect(best.training).toBeCloseTo(most, 6);
});

test("the few differ in what they give up: training falls while the tissue's load falls", () => {
  const { result, progress } = search("lp_horizontal", { effortShare: 0.6, capTimes: 1, keepBack: true });
  expect(result.found.length).toBeGreaterThan(2);
  for (const [i, f] of result.found.entries()) {
    const next = result.found[i + 1];
    if (!next) continue;
    expect(next.training).toBeLessThanOrEqual(f.training + 1e-9);
    expect(next.peakTimes).toBeLessThanOrEqual(f.peakTimes + 1e-9);
  }
  expect(new Set(result.found.map((f) => f.givesUp)).size).toBe(result.found.length);
  // progress rises to the whole, so that a bar can be drawn
  expect(progress.at(-1)).toBe(1);
  expect(progress).toEqual([...progress].sort((a, b) => a - b));
});

test("what cannot be had is said with what to do", () => {
  const { result } = search("sq_rail_feet_fwd", { effortShare: 0.05, capTimes: 0.1, keepBack: true });
  expect(result.found).toEqual([]);
  expect(inWords(result.why)).toContain("Raise a cap");
});
