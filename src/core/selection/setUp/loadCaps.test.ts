import fc from "fast-check";
import type { Body } from "../../body/segments";
import { bodyFrom } from "../../body/segments";
import { templateOf } from "../../equipment/templates";
import { exerciseById } from "../../rules/exercises";
import { type UntestedPerson, untestedStrength } from "../../strength/untestedStrength";
import { bounded } from "../../testdata/bounded";
import { computeSetUp } from "../../testdata/computeSetUp";
import { inWords } from "../../testdata/inWords";
import { SOUND } from "../../testdata/loadFacts";
import { GYM, NOT_MEASURED, sheetFor } from "../../testdata/sheetFor";
import { allowedArc } from "../fit/allowedArc";
import { exerciseUse } from "../fit/exerciseUse";
import { rangeSheet, rowOf, type SheetInput } from "../rank/rangeSheet";
import { findSetUp } from "../search/findSetUp";
import { footForceN } from "./affineArc";
import { BODY_WEIGHT, machineFor, realLoads } from "./machineFor";
import { startCapOf } from "./startCap";

const sheet = (body?: Body, person?: UntestedPerson, over?: Partial<SheetInput>) =>
  sheetFor(body, over, person);

const anyBody = fc
  .record({
    massKg: fc.integer({ min: 40, max: 160 }),
    heightM: fc.double({ min: 1.4, max: 2.05, noNaN: true }),
  })
  .map(({ massKg, heightM }) => bodyFrom(massKg, heightM));
const anyPerson: fc.Arbitrary<UntestedPerson> = fc.record({
  ageYears: fc.integer({ min: 18, max: 95 }),
  normSex: fc.constantFrom("female", "male", null),
  has: fc.record({
    arthritis: fc.boolean(),
    kneecapOrTendonPain: fc.boolean(),
    back: fc.boolean(),
    longInactivity: fc.boolean(),
  }),
  weeksAfterSurgery: fc.option(fc.integer({ min: 0, max: 60 }), { nil: null }),
  daily: fc.record({ chair: fc.boolean(), stairs: fc.boolean() }),
});
const anyStart = fc
  .record({
    irritability: fc.constantFrom("low" as const, "moderate" as const, "high" as const),
    isPostOp: fc.boolean(),
    painAtRest: fc.integer({ min: 0, max: 10 }),
    painAtWorst: fc.option(fc.integer({ min: 0, max: 10 }), { nil: null }),
  })
  .map(startCapOf);

const PRESSES = [
  "lp_horizontal",
  "lp_single",
  "lp_sled45",
  "sq_hack",
  "sq_pendulum",
  "sq_rail_feet_fwd",
  "lp_2up1down",
];

describe("what a machine's load may be before anybody tested the leg (K1)", () => {
  test("the foot carries no more than the start cap of any body, person and machine, or the row says it is too heavy", () => {
    fc.assert(
      fc.property(
        anyBody,
        anyPerson,
        anyStart,
        fc.constantFrom(0.3, 0.5, 0.85),
        (body, person, startCap, share) => {
          const at = sheet(body, person, { startCap, basis: { kind: "effort", share } });
          for (const id of PRESSES) {
            const e = exerciseById(id);
            const row = e ? rowOf(e, at) : [];
            if (Array.isArray(row) || !row.computed) continue;
            const { angles, arc, load, tooHeavyBecause } = row.computed;
            const most = Math.max(
              ...angles
                .filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg)
                .map((a) => footForceN(a, load)),
            );
            if (!tooHeavyBecause)
              expect(most / (body.massKg * 9.81)).toBeLessThanOrEqual(startCap.bodyWeights + 1e-3);
            else
              expect(load).toBe(realLoads(row.computed.chosen.machine, row.computed.chosen.family)[0]?.load);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  test("a frail 78-year-old with severe arthritis and pain 5 at rest is set to little, and no hand or search goes beyond", () => {
    const body = bodyFrom(58, 1.58);
    const frail: UntestedPerson = {
      ...SOUND,
      ageYears: 78,
      normSex: "female",
      has: { ...SOUND.has, arthritis: true },
    };
    const startCap = startCapOf({ irritability: "moderate", isPostOp: false, painAtRest: 5, painAtWorst: 8 });
    expect(startCap.bodyWeights).toBe(0.25);
    const at = sheet(body, frail, { startCap });
    const press = exerciseById("lp_horizontal");
    const use = exerciseUse({ id: "lp_horizontal" });
    if (!press || !use) throw new Error("no press");
    const row = rowOf(press, at);
    if (Array.isArray(row) || !row.computed) throw new Error("no row");
    // a quarter of the body's weight a leg: two legs carry half of it
    expect(row.computed.load).toBeLessThanOrEqual(0.5 * 58);
    const chosen = machineFor(use, GYM);
    const allowed = allowedArc(press, {}, NOT_MEASURED);
    if (!allowed) throw new Error("no arc");
    const byHand = computeSetUp(press, use, chosen, allowed, at, { load: 205 });
    if ("code" in byHand) throw new Error(byHand.code);
    expect(byHand.tooHeavyBecause).not.toBeNull();
    const { found } = findSetUp(press, use, chosen, allowed, at, {
      effortShare: 0.8,
      capTimes: null,
      keepBack: false,
    });
    for (const f of found) expect(f.load).toBeLessThanOrEqual(0.5 * 58);
    // with a reason the start cap is gone, strength still bounds
    const lifted = computeSetUp(press, use, chosen, allowed, { ...at, startCapIsLifted: true }, { load: 35 });
    if ("code" in lifted) throw new Error(lifted.code);
    expect(lifted.brokenCap).not.toBe("start");
  });

  test("a repetition test takes the start cap's place, and allows what was lifted and one step more", () => {
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no press");
    const machineName = templateOf("seated_press").name;
    const test = { machineName, twoLegs: true, loadKg: 60, reps: 10, reserve: 2, takenOn: "2026-01-05" };
    const at = sheet(bodyFrom(75, 1.75), SOUND, {
      startCap: startCapOf({ irritability: "high", isPostOp: false, painAtRest: 1, painAtWorst: 3 }),
      repetitionTests: [test],
    });
    const loadOf = (kg: number) => {
      const row = rowOf(press, { ...at, basis: { kind: "load", kg } });
      if (Array.isArray(row) || !row.computed) throw new Error("no row");
      return row.computed;
    };
    expect(loadOf(60)).toMatchObject({ load: 60, tooHeavyBecause: null });
    const loads = realLoads(loadOf(60).chosen.machine, loadOf(60).chosen.family).map((l) => l.load);
    const next = loads.find((l) => l > 60) as number;
    expect(loadOf(500).load).toBe(next);
    const oneLeg = rowOf(exerciseById("lp_single") as never, { ...at, basis: { kind: "load", kg: 60 } });
    if (Array.isArray(oneLeg) || !oneLeg.computed) throw new Error("no row");
    expect(oneLeg.computed.load).toBeLessThan(60);
  });

  test("a phase's percentage of the tested maximum bounds it too, with who set it", () => {
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no press");
    const machineName = templateOf("seated_press").name;
    const test = { machineName, twoLegs: true, loadKg: 60, reps: 10, reserve: 2, takenOn: "2026-01-05" };
    const at = sheet(bodyFrom(75, 1.75), SOUND, {
      limits: bounded({ closed_chain_load: { high: 30, origin: "surgeon" } }),
      repetitionTests: [test],
    });
    const row = rowOf(press, at, { load: 60 });
    if (Array.isArray(row)) throw new Error("barred");
    expect(inWords(row.computed?.tooHeavyBecause)).toMatch(
      /30 % of what the repetition test says.*\(surgeon\)/,
    );
  });
});

describe("strength that nobody measured (K2)", () => {
  test("is a band of 40 % by age, body and what weakens, and never below what is done every day", () => {
    const body = bodyFrom(80, 1.75);
    const at = (over: Partial<UntestedPerson>) => untestedStrength(body, { ...SOUND, ...over }).extension;
    expect(at({ ageYears: 40 }).middle).toBeCloseTo(2.6 * 80, 6);
    expect(at({ ageYears: 20 }).middle).toBeCloseTo(2.6 * 80, 6);
    expect(at({ ageYears: 65 }).middle).toBeCloseTo(1.85 * 80, 6);
    expect(at({ ageYears: 95 }).middle).toBeCloseTo(1.4 * 80, 6);
    expect(at({ ageYears: 50, normSex: "male" }).middle).toBeCloseTo(2.3 * 1.1 * 80, 6);
    expect(
      at({ ageYears: 50, has: { ...SOUND.has, arthritis: true, longInactivity: true } }).middle,
    ).toBeCloseTo(2.3 * 0.65 * 80, 6);
    expect(
      [3, 9, 20, 40].map((weeksAfterSurgery) => at({ ageYears: 50, weeksAfterSurgery }).middle / (2.3 * 80)),
    ).toEqual([0.4, 0.55, 0.7, 0.85].map((f) => expect.closeTo(f, 6)));
    fc.assert(
      fc.property(anyBody, anyPerson, (b, p) => {
        const s = untestedStrength(b, p);
        for (const band of [s.extension, s.flexion, s.hip]) {
          expect(band.low).toBeGreaterThan(0);
          expect(band.low).toBeLessThanOrEqual(band.middle);
          expect(band.middle).toBeLessThanOrEqual(band.high);
        }
        const asked = untestedStrength(b, { ...p, daily: { chair: true, stairs: true } });
        expect(asked.extension.low).toBeGreaterThanOrEqual(s.extension.low - 1e-9);
        expect(asked.daily?.kneeNm).toBeGreaterThan(0);
        const worse = untestedStrength(b, {
          ...p,
          weeksAfterSurgery: 2,
          daily: { chair: false, stairs: false },
        });
        expect(worse.extension.middle).toBeLessThanOrEqual(s.extension.middle + 1e-9);
      }),
      { numRuns: 200 },
    );
  });

  test("no task of the body alone is called too heavy for somebody with a sound knee, tested or not, unless a limit says so", () => {
    fc.assert(
      fc.property(anyBody, anyPerson, (body, person) => {
        const daily = { ...person, daily: { chair: true, stairs: true } };
        for (const r of rangeSheet(sheet(body, daily)).rows)
          if (r.computed?.how === BODY_WEIGHT)
            expect([r.e.id, r.computed.tooHeavyBecause]).toEqual([r.e.id, null]);
      }),
      { numRuns: 40 },
    );
  });

  test("the share that rows are compared at is a wish: the lightest step is shown, not barred", () => {
    const at = sheet(bodyFrom(75, 1.75), SOUND, { basis: { kind: "effort", share: 0.05 } });
    const row = rowOf(exerciseById("kext_full") as never, at);
    if (Array.isArray(row) || !row.computed) throw new Error("no row");
    expect(row.computed).toMatchObject({ isAboveWish: true, tooHeavyBecause: null });
  });
});

test("the largest load of a family and uses without load bind the search as they bind the row", () => {
  const body = bodyFrom(50, 1.6);
  const at = sheet(body);
  for (const id of ["tke_standing", "half_squat", "step_up"]) {
    const e = exerciseById(id);
    const use = exerciseUse({ id });
    const allowed = e && allowedArc(e, {}, NOT_MEASURED);
    if (!e || !use || !allowed) throw new Error(id);
    const chosen = machineFor(use, GYM);
    const { found } = findSetUp(e, use, chosen, allowed, at, {
      effortShare: 0.85,
      capTimes: null,
      keepBack: false,
    });
    for (const f of found) {
      if (use.isUnloaded) expect(f.load).toBe(0);
      const again = computeSetUp(e, use, chosen, allowed, at, { settings: f.settings, load: f.load });
      expect("code" in again ? again : again.tooHeavyBecause).toBeNull();
    }
  }
});
