import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../../body/segments";
import { isStricter, mostOf } from "../../bounds/inForce";
import { FAMILIES } from "../../equipment/families";
import { usualNotches } from "../../equipment/families/family";
import { nearestNotch, notchesOf } from "../../equipment/machine";
import { TEMPLATES, templateOf } from "../../equipment/templates";
import { phaseLimits } from "../../phases/phaseLimits";
import { CONDITIONS } from "../../rules/conditions";
import { EXERCISES, exerciseById } from "../../rules/exercises";
import { GOALS } from "../../rules/goals";
import { boundsOfRecord } from "../../rules/limitsOfRecord";
import { bounded } from "../../testdata/bounded";
import { inWords } from "../../testdata/inWords";
import { loadFacts } from "../../testdata/loadFacts";
import { allowedArc } from "../fit/allowedArc";
import { exerciseUse } from "../fit/exerciseUse";
import type { WeightOnLeg } from "../fit/weightOnLeg";
import { affineArc, anglesOf, footForceN, jointAt } from "../setUp/affineArc";
import { shareLimit, signOf } from "../setUp/loadContext";
import { BODY_WEIGHT, machineFor, realLoads } from "../setUp/machineFor";
import { quietNumbers } from "../setUp/quiet/quietNumbers";
import { demandNm, loadsUnder } from "../setUp/workingLoad";
import { chairRise, type ReferenceTask, relativeLoad, TISSUE_IDS, tissueLoad } from "../tissue/tissues";
import { rangeSheet, rowOf, type SheetInput } from "./rangeSheet";

const body = bodyFrom(75, 1.75);
const chair = chairRise(body) as ReferenceTask;
const NOT_MEASURED = { shortOfStraightDeg: null, bendDeg: null };
const modelled = EXERCISES.filter((e) => exerciseUse(e));
const gym = TEMPLATES.map((t) => ({ ...templateOf(t.family), id: t.family }));

const input = (over: Partial<SheetInput> = {}): SheetInput => ({
  exercises: EXERCISES,
  machines: gym,
  motion: NOT_MEASURED,
  goalIds: [],
  later: [],
  ...loadFacts(body),
  chair,
  tissue: "kneecap",
  capTimes: null,
  basis: { kind: "effort", share: 0.5 },
  ...over,
});

const anyLimits = fc
  .tuple(fc.constantFrom(...CONDITIONS), fc.nat(), fc.integer({ min: 0, max: 60 }))
  .map(([c, p, week]) => {
    const phase = c.phases[p % c.phases.length];
    if (!phase) throw new Error("no phase");
    return boundsOfRecord(phaseLimits(c, phase, { week }), "phase");
  });

describe("the allowed arc", () => {
  test("lies inside the exercise, every limit of its class and the measured motion", () => {
    fc.assert(
      fc.property(
        anyLimits,
        fc.constantFrom(...EXERCISES),
        fc.option(fc.integer({ min: 0, max: 30 }), { nil: null }),
        fc.option(fc.integer({ min: 60, max: 140 }), { nil: null }),
        (limits, e, shortOfStraightDeg, bendDeg) => {
          const arc = allowedArc(e, limits, { shortOfStraightDeg, bendDeg });
          if (arc === null) return;
          expect(arc.fromDeg).toBeGreaterThanOrEqual(
            Math.max(e.knee_angle_usable_deg.min, shortOfStraightDeg ?? 0),
          );
          expect(arc.toDeg).toBeLessThanOrEqual(Math.min(e.knee_angle_usable_deg.max, bendDeg ?? 200));
          if (e.match.class !== "stretch")
            expect(arc.toDeg).toBeLessThanOrEqual(mostOf(limits, "knee_flexion_under_load"));
          if (e.match.class === "closed_knee")
            expect(arc.toDeg).toBeLessThanOrEqual(mostOf(limits, "closed_chain_depth"));
          for (const c of arc.cuts) expect([arc.fromDeg, arc.toDeg]).toContain(c.deg);
        },
      ),
      { numRuns: 1000 },
    );
  });

  test("names who cut each end", () => {
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no such exercise");
    const limits = bounded({ closed_chain_depth: { high: 80, origin: "surgeon" } });
    expect(allowedArc(press, limits, { shortOfStraightDeg: 6, bendDeg: 120 })).toEqual({
      fromDeg: 6,
      toDeg: 80,
      cuts: [
        { end: "straight", deg: 6, because: { code: "fit.motion" } },
        { end: "bent", deg: 80, because: { code: "fit.closed_depth", by: ["surgeon"] } },
      ],
    });
    expect(allowedArc(press, limits, { shortOfStraightDeg: 90, bendDeg: null })).toBeNull();
  });
});

describe("loads", () => {
  const anySetUp = fc.constantFrom(...FAMILIES).chain((family) =>
    fc.record({
      family: fc.constant(family),
      settings: fc.record(
        Object.fromEntries(family.settings.map((s) => [s.key, fc.constantFrom(...usualNotches(s))])),
      ) as fc.Arbitrary<Record<string, number>>,
      share: fc.constantFrom(0.5, 1),
    }),
  );
  const geometry = (family: string) => {
    const t = templateOf(family);
    return { values: t.geometry, cam: t.cam };
  };

  test("joint loads are affine in the load, so that two solves say everything", () => {
    fc.assert(
      fc.property(
        anySetUp,
        fc.double({ min: 0, max: 150, noNaN: true }),
        ({ family, settings, share }, load) => {
          if (!family.load) return;
          const setUp = { settings, share, phase: 0 } as const;
          for (const a of affineArc(body, family, geometry(family.id), setUp, anglesOf(family, 20))) {
            const whole = family.solve(body, geometry(family.id), { ...setUp, load }, a.deg).state.joint;
            const affine = jointAt(a, load);
            expect(affine.kneeMomentNm).toBeCloseTo(whole.kneeMomentNm, 6);
            expect(affine.externalShearN).toBeCloseTo(whole.externalShearN, 5);
            if (whole.hipMomentNm !== null) expect(affine.hipMomentNm).toBeCloseTo(whole.hipMomentNm, 6);
          }
        },
      ),
      { numRuns: 200 },
    );
  });

  test("more load never lowers what the load itself asks of a joint; a counterweight is reversed", () => {
    fc.assert(
      fc.property(
        anySetUp,
        fc.nat(100),
        fc.integer({ min: 1, max: 60 }),
        ({ family, settings, share }, load, more) => {
          if (!family.load) return;
          const setUp = { settings, share, phase: 0 } as const;
          for (const a of affineArc(body, family, geometry(family.id), setUp, anglesOf(family, 15))) {
            const asked = (kg: number) => Math.abs(jointAt(a, kg).kneeMomentNm - a.bare.kneeMomentNm);
            expect(asked(load + more)).toBeGreaterThanOrEqual(asked(load) - 1e-9);
            // what lifts by itself: a lever and a squat never get easier, a counterweight never harder
            const lever = ["seated_knee_extension", "ankle_cuff", "squat_on_floor", "step"].includes(
              family.id,
            );
            const curl = family.id.startsWith("leg_curl");
            if (lever && a.deg >= 20 && a.deg <= 85) expect(a.perUnit.knee).toBeGreaterThanOrEqual(-1e-9);
            if (curl) expect(a.perUnit.knee).toBeLessThanOrEqual(1e-9);
            if (family.isReversed) expect(-a.perUnit.knee).toBeLessThanOrEqual(1e-9);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  test.each(modelled.map((e) => [e.id]))(
    "%s: loads under a cap keep it at every angle, and the next above do not",
    (id) => {
      const e = exerciseById(id);
      const use = exerciseUse({ id });
      if (!e || !use) throw new Error("no such exercise");
      const { family, machine } = machineFor(use, []);
      const setUp = {
        settings: Object.fromEntries(family.settings.map((s) => [s.key, s.usual])),
        share: use.share,
        phase: 0,
      } as const;
      const angles = affineArc(
        body,
        family,
        { values: machine.geometry, cam: machine.cam },
        setUp,
        [20, 30, 40, 50, 60],
      );
      const sign = signOf(e);
      const span = loadsUnder(angles, sign, () => 110);
      const most = (kg: number) => Math.max(...angles.map((a) => demandNm(a, kg, sign)));
      if (span === null) {
        expect(most(0)).toBeGreaterThan(110);
        return;
      }
      expect(most(span.most)).toBeLessThanOrEqual(110.001);
      expect(most(span.least)).toBeLessThanOrEqual(110.001);
      if (span.least > 0) expect(most(span.least - 1)).toBeGreaterThan(110);
      if (family.load && !family.isReversed && span.most < 500)
        expect(most(span.most + 1)).toBeGreaterThan(110);
    },
  );
});

describe("the range sheet", () => {
  test("every exercise is a row or barred, once, and what is barred says why", () => {
    fc.assert(
      fc.property(anyLimits, (limits) => {
        const { rows, barred } = rangeSheet(input({ limits }));
        const ids = [...rows, ...barred].map((r) => r.e.id).sort();
        expect(ids).toEqual(EXERCISES.map((e) => e.id).sort());
        for (const b of barred) expect(b.reasons.length).toBeGreaterThan(0);
        for (const r of rows) expect(sayPlainly(r.said)).toMatch(/^For it: .+ and .+\.$/);
      }),
      { numRuns: 15 },
    );
  });

  test("whatever is asked, settings are notches, loads are real steps, arcs stay inside every limit", () => {
    fc.assert(
      fc.property(
        anyLimits,
        fc.constantFrom(...modelled),
        fc.dictionary(
          fc.constantFrom("footM", "backToRailDeg", "seatGapM", "feetForwardM", "endDeg"),
          fc.double({ min: -1, max: 150, noNaN: true }),
        ),
        fc.option(fc.double({ min: 0, max: 300, noNaN: true }), { nil: undefined }),
        fc.option(fc.constantFrom(0.5, 1, 2), { nil: null }),
        (limits, e, settings, load, capTimes) => {
          const at = input({ limits, capTimes });
          const row = rowOf(e, at, { settings, load });
          if (Array.isArray(row) || !row.computed) return;
          const { chosen, settings: set, load: kg, arc } = row.computed;
          for (const spec of chosen.family.settings) {
            const notches = notchesOf(chosen.machine, spec);
            expect(nearestNotch(notches, set[spec.key] as number).value).toBe(set[spec.key]);
          }
          expect(realLoads(chosen.machine, chosen.family).map((l) => l.load)).toContain(kg);
          const wide = allowedArc(e, limits, NOT_MEASURED);
          expect(arc.fromDeg).toBeGreaterThanOrEqual(wide?.fromDeg as number);
          expect(arc.toDeg).toBeLessThanOrEqual(wide?.toDeg as number);
          const inside = row.computed.angles.filter((a) => a.deg >= arc.fromDeg && a.deg <= arc.toDeg);
          if (isStricter(limits, "back_bending", "allowed"))
            for (const a of inside) expect(a.pelvicTuckDeg).toBe(0);
          if (mostOf(limits, "hip_flexion") < 120)
            for (const a of inside)
              expect(a.hipFlexionDeg).toBeLessThanOrEqual(mostOf(limits, "hip_flexion") + 1e-6);
          if (capTimes !== null)
            for (const a of inside)
              expect(relativeLoad("kneecap", tissueLoad("kneecap", a, kg, chair), chair)).toBeLessThanOrEqual(
                capTimes + 1e-6,
              );
        },
      ),
      { numRuns: 400 },
    );
  });

  test("no row is set above the effort that a limit leaves without saying so", () => {
    fc.assert(
      fc.property(anyLimits, fc.constantFrom(0.3, 0.5, 0.8), (limits, share) => {
        for (const r of rangeSheet(input({ limits, basis: { kind: "effort", share } })).rows) {
          const c = r.computed;
          if (!c || c.tooHeavyBecause || c.how === BODY_WEIGHT) continue;
          // what nobody tested counts by its low end
          const most = shareLimit(r.e, limits).share;
          const asks = c.effortBand?.high ?? c.effortShare;
          if (asks !== null) expect(asks).toBeLessThanOrEqual(most + 0.006);
        }
      }),
      { numRuns: 15 },
    );
  });

  test("a written weight on the leg caps what presses are set to, and partial weight without kilograms bars them", () => {
    const order: WeightOnLeg = { mostN: 25 * 9.81, barsPresses: null };
    for (const share of [0.3, 0.6, 0.8])
      for (const r of rangeSheet(input({ weight: order, basis: { kind: "effort", share } })).rows) {
        const c = r.computed;
        if (!c || c.tooHeavyBecause) continue;
        for (const a of c.angles)
          if (a.deg >= c.arc.fromDeg && a.deg <= c.arc.toDeg)
            expect(footForceN(a, c.load)).toBeLessThanOrEqual(25 * 9.81 + 0.6);
      }
    const heavy = rangeSheet(input({ weight: order })).rows.find((r) => r.e.id === "half_squat");
    expect(inWords(heavy?.computed?.tooHeavyBecause)).toMatch(/kg on the leg; 25\skg are written/);
    const { barred } = rangeSheet(
      input({ weight: { mostN: null, barsPresses: "no kilograms are written" } }),
    );
    expect(barred.find((b) => b.e.id === "lp_horizontal")?.reasons).toEqual(["no kilograms are written"]);
    expect(barred.map((b) => b.e.id)).not.toContain("kext_full");
  });

  test("of two machines that can do it the wanted one is used, at its own notches", () => {
    const second = {
      ...templateOf("seated_press"),
      id: "second",
      notches: { footM: [{ label: "x", value: 0.2 }] },
    };
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no press");
    const row = rowOf(press, input({ machines: [...gym, second] }), { machineId: "second" });
    if (Array.isArray(row)) throw new Error("barred");
    expect(row.computed?.chosen.id).toBe("second");
    expect(row.computed?.settings.footM).toBe(0.2);
  });

  test("a goal that asks for an exercise lifts it, and the sentence says which", () => {
    const stairs = GOALS.find((g) => g.id === "stairs");
    const at = (goalIds: string[]) => rangeSheet(input({ goalIds })).rows.map((r) => r.e.id);
    expect(at(["stairs"]).indexOf("step_up")).toBeLessThanOrEqual(at([]).indexOf("step_up"));
    const said = rangeSheet(input({ goalIds: ["stairs"] }))
      .rows.map((r) => sayPlainly(r.said))
      .join(" ");
    expect(said).toContain(`it serves "${stairs?.name}"`);
  });

  test("equal rows stay in the catalogue's order", () => {
    const rows = rangeSheet(input()).rows.map((r) => r.e.id);
    // the same machine, the same set-up: nothing decides between them
    expect(rows.indexOf("lp_horizontal")).toBeLessThan(rows.indexOf("lp_mid_hip"));
  });

  test("what this gym does not have is said and sinks", () => {
    const { rows } = rangeSheet(input({ machines: gym.filter((m) => !m.family.endsWith("_press")) }));
    const press = rows.find((r) => r.e.id === "lp_horizontal");
    expect(press?.isAtHand).toBe(false);
    expect(press?.computed?.chosen.id).toBeNull();
    const best = rangeSheet(input()).rows.findIndex((r) => r.e.id === "lp_horizontal");
    expect(rows.findIndex((r) => r.e.id === "lp_horizontal")).toBeGreaterThan(best);
  });

  test("a chair rise is the measure, and every tissue of every model is finite in its range", () => {
    expect(chair.stressMPa).toBeGreaterThan(3);
    for (const r of rangeSheet(input()).rows)
      for (const a of r.computed?.angles ?? [])
        for (const tissue of TISSUE_IDS) {
          const value = tissueLoad(tissue, a, 20, chair);
          expect(Number.isFinite(value)).toBe(true);
          expect(value).toBeGreaterThanOrEqual(0);
        }
  });
});

test("work that leaves the knee quiet has moments of its own joint, in the order of its stages", () => {
  const low = (id: string) =>
    Math.abs(quietNumbers({ id }, body)?.rows.at(-1)?.momentsNm.at(-1) ?? Number.NaN);
  expect(low("rev_bent_single")).toBeLessThan(low("rev_straight_single"));
  expect(low("rev_straight_single")).toBeLessThan(low("rev_two"));
  expect(low("rev_two")).toBeLessThan(low("rev_loaded"));
  const calf =
    quietNumbers({ id: "calf_standing" }, body)?.rows.map((r) => Math.abs(r.momentsNm[0] ?? Number.NaN)) ??
    [];
  // raising the heel brings the ball nearer below the ankle
  expect(calf[2]).toBeLessThan(calf[0] as number);
  expect(quietNumbers({ id: "hip_abd" }, body)).toBeNull();
  for (const e of EXERCISES) if (exerciseUse(e)) expect(quietNumbers(e, body)).toBeNull();
});
