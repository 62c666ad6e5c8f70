import fc from "fast-check";
import type { Body } from "../../body/segments";
import { bodyFrom } from "../../body/segments";
import { demandNm } from "../../capacity/station";
import { exerciseById } from "../../rules/exercises";
import { type UntestedPerson, untestedStrength } from "../../strength/untestedStrength";
import { bounded } from "../../testdata/bounded";
import { knownOf, withShown } from "../../testdata/capacity/known";
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
import { testStation } from "./testStation";

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

  const shownAt = (over: Partial<SheetInput>) => {
    const at = sheet(bodyFrom(75, 1.75), SOUND, over);
    const found = testStation(GYM.find((m) => m.id === "seated_press") as never, true, at.body, at.strength);
    if (!found) throw new Error("no press");
    const set = {
      machineId: "seated_press",
      machineName: "",
      twoLegs: true,
      loadKg: 60,
      reps: 10,
      reserve: 2,
    };
    const strength = withShown(at.strength, set, (kg) => demandNm(found.station, kg), "extension", 1.5);
    return { ...at, strength };
  };

  test("sets that were shown take the start cap's place, and allow what was done and one step or a quarter more", () => {
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no press");
    const at = shownAt({
      startCap: startCapOf({ irritability: "high", isPostOp: false, painAtRest: 1, painAtWorst: 3 }),
    });
    const loadOf = (kg: number) => {
      const row = rowOf(press, { ...at, basis: { kind: "load", kg } });
      if (Array.isArray(row) || !row.computed) throw new Error("no row");
      return row.computed;
    };
    expect(loadOf(60)).toMatchObject({ load: 60, tooHeavyBecause: null });
    const { load, chosen, angles, arc } = loadOf(500);
    const loads = realLoads(chosen.machine, chosen.family).map((l) => l.load);
    const inside = angles.filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg);
    const asks = (kg: number) => Math.max(...inside.map((a) => a.bare.kneeMomentNm + kg * a.perUnit.knee));
    expect(load).toBeGreaterThan(60);
    expect(load === loads.find((l) => l > 60) || asks(load) <= 1.25 * asks(60) + 1e-9).toBe(true);
    const oneLeg = rowOf(exerciseById("lp_single") as never, { ...at, basis: { kind: "load", kg: 60 } });
    if (Array.isArray(oneLeg) || !oneLeg.computed) throw new Error("no row");
    expect(oneLeg.computed.load).toBeLessThan(60);
  });

  test("a phase's percentage bounds what was shown too, with who set it", () => {
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no press");
    const at = shownAt({ limits: bounded({ closed_chain_load: { high: 30, origin: "surgeon" } }) });
    const row = rowOf(press, at, { load: 60 });
    if (Array.isArray(row)) throw new Error("barred");
    expect(inWords(row.computed?.tooHeavyBecause)).toMatch(/% of its strength.*30 %.*\(surgeon\)/);
  });
});

describe("strength that nobody measured (K2)", () => {
  test("goes by age, body and what weakens, and is doubted more soon after surgery and under 18", () => {
    const body = bodyFrom(80, 1.75);
    const at = (over: Partial<UntestedPerson>) => untestedStrength(body, { ...SOUND, ...over }).extension;
    const nm = (over: Partial<UntestedPerson>) => at(over).peakNm;
    expect(nm({ ageYears: 40 })).toBeCloseTo(2.6 * 80, 6);
    expect(nm({ ageYears: 20 })).toBeCloseTo(2.6 * 80, 6);
    expect(nm({ ageYears: 65 })).toBeCloseTo(1.85 * 80, 6);
    expect(nm({ ageYears: 85 })).toBeCloseTo(1.25 * 80, 6);
    expect(nm({ ageYears: 99 })).toBeCloseTo(1.1 * 80, 6);
    expect(nm({ ageYears: 50, normSex: "male" })).toBeCloseTo(2.3 * 1.1 * 80, 6);
    const weak = { ...SOUND.has, arthritis: true, longInactivity: true };
    expect(nm({ ageYears: 50, has: weak })).toBeCloseTo(2.3 * 0.65 * 80, 6);
    expect(
      [3, 9, 20, 40].map((weeksAfterSurgery) => nm({ ageYears: 50, weeksAfterSurgery }) / (2.3 * 80)),
    ).toEqual([0.4, 0.55, 0.7, 0.85].map((f) => expect.closeTo(f, 6)));
    expect(
      [{}, { ageYears: 17 }, { weeksAfterSurgery: 26 }, { weeksAfterSurgery: 27 }].map((x) => at(x).sd),
    ).toEqual([0.3, 0.4, 0.35, 0.3]);
  });

  test("what is done every day lifts what is believed, and surgery never does", () => {
    fc.assert(
      fc.property(anyBody, anyPerson, (b, p) => {
        const s = untestedStrength(b, { ...p, daily: { chair: false, stairs: false } });
        const asked = untestedStrength(b, { ...p, daily: { chair: true, stairs: true } });
        expect(asked.daily?.kneeNm).toBeGreaterThan(0);
        const peak = (x: typeof s) => knownOf(x).extension.peak.mean;
        expect(peak(asked)).toBeGreaterThanOrEqual(peak(s) - 1e-9);
        const worse = untestedStrength(b, { ...p, weeksAfterSurgery: 2 });
        expect(worse.extension.peakNm).toBeLessThanOrEqual(s.extension.peakNm + 1e-9);
        const { low, middle, high } = s.hip;
        expect([low, middle, high]).toEqual([low, middle, high].sort((x, y) => x - y));
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
