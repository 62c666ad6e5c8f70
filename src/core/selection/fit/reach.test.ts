import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../../body/segments";
import { familyById } from "../../equipment/families";
import { EXERCISES, exerciseById } from "../../rules/exercises";
import { inWords } from "../../testdata/inWords";
import { GYM, NOT_MEASURED, sheetFor } from "../../testdata/sheetFor";
import { rangeSheet, rowOf } from "../rank/rangeSheet";
import { findSetUp } from "../search/findSetUp";
import { affineArc } from "../setUp/affineArc";
import { machineFor, settingsAtNotches } from "../setUp/machineFor";
import { outOfReach } from "../setUp/station";
import { chairRise, type ReferenceTask, tissueLoad } from "../tissue/tissues";
import { allowedArc } from "./allowedArc";
import { exerciseUse } from "./exerciseUse";

const modelled = EXERCISES.filter((e) => exerciseUse(e));

describe("reach (K6)", () => {
  test("a plate out of the leg's reach is barred by hand with the notch that would do, and never ranked", () => {
    const body = bodyFrom(50, 1.5);
    const press = exerciseById("lp_horizontal");
    if (!press) throw new Error("no press");
    const barred = rowOf(press, sheetFor(body), { settings: { seatGapM: 0.8 } });
    if (!Array.isArray(barred)) throw new Error("not barred");
    expect(barred.map(inWords)).toEqual([
      expect.stringMatching(/80 cm from the plate is out of this leg's reach: \d+(\.\d)? cm or nearer/),
    ]);
    const row = rowOf(press, sheetFor(body));
    if (Array.isArray(row) || !row.computed) throw new Error("no row");
    expect(outOfReach(body, row.computed.chosen, row.computed.settings)).toBeNull();
  });

  test("bodies from 1.40 m and 40 kg to 2.05 m and 160 kg: nothing throws, and nothing found is out of reach", () => {
    for (const [massKg, heightM] of [
      [40, 1.4],
      [40, 2.05],
      [160, 1.4],
      [160, 2.05],
      [75, 1.7],
    ] as const) {
      const body = bodyFrom(massKg, heightM);
      const { rows } = rangeSheet(sheetFor(body));
      for (const r of rows)
        if (r.computed) expect(outOfReach(body, r.computed.chosen, r.computed.settings)).toBeNull();
      for (const id of ["lp_horizontal", "lp_sled45", "sq_rail_feet_fwd", "sq_hack"]) {
        const e = exerciseById(id);
        const use = exerciseUse({ id });
        const allowed = e && allowedArc(e, {}, NOT_MEASURED);
        if (!e || !use || !allowed) throw new Error(id);
        const chosen = machineFor(use, GYM);
        const { found } = findSetUp(e, use, chosen, allowed, sheetFor(body), {
          effortShare: 0.5,
          capTimes: null,
          keepBack: true,
        });
        for (const f of found) expect(outOfReach(body, chosen, f.settings)).toBeNull();
      }
    }
  });

  test("every family at every notch gives numbers or says why, for any body", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...modelled),
        fc.integer({ min: 40, max: 160 }),
        fc.double({ min: 1.4, max: 2.05, noNaN: true }),
        fc.dictionary(
          fc.constantFrom(
            "footM",
            "seatGapM",
            "backToRailDeg",
            "leanDeg",
            "onLegPct",
            "benchM",
            "feetForwardM",
          ),
          fc.double({ min: -30, max: 150, noNaN: true }),
        ),
        fc.integer({ min: 0, max: 400 }),
        (e, massKg, heightM, settings, load) => {
          const row = rowOf(e, sheetFor(bodyFrom(massKg, heightM)), { settings, load });
          if (Array.isArray(row)) {
            for (const why of row) expect(inWords(why)).not.toMatch(/NaN|undefined|Infinity/);
            return;
          }
          const c = row.computed;
          if (!c) return;
          for (const n of [c.load, c.peak, c.peakTimes, c.momentNm]) expect(Number.isFinite(n)).toBe(true);
          expect(inWords(c.tooHeavyBecause)).not.toMatch(/NaN|undefined|Infinity/);
        },
      ),
      { numRuns: 300 },
    );
  });

  test("hip bend grows steadily to the end: rounding is largest where the hip is bent furthest, not zero", () => {
    const family = familyById("seated_press");
    const use = exerciseUse({ id: "lp_horizontal" });
    if (!family || !use) throw new Error("no press");
    for (const backToRailDeg of [90, 115]) {
      const chosen = machineFor(use, GYM);
      const settings = { ...settingsAtNotches(chosen, use), footM: 0.3, backToRailDeg };
      const angles = affineArc(
        bodyFrom(75, 1.75),
        family,
        { values: chosen.machine.geometry, cam: chosen.machine.cam },
        { settings, share: 0.5, phase: 0 },
        [0, 20, 40, 60, 80, 100, 110],
      );
      for (const [i, a] of angles.entries()) {
        const before = angles[i - 1];
        if (before) expect(a.hipFlexionDeg).toBeGreaterThan(before.hipFlexionDeg - 1e-9);
      }
    }
  });
});

describe("postures", () => {
  const body = bodyFrom(75, 1.75);
  const at = (id: string, deg: number, over: { settings?: Record<string, number>; load?: number } = {}) => {
    const use = exerciseUse({ id });
    if (!use) throw new Error(id);
    const chosen = machineFor(use, GYM);
    const settings = { ...settingsAtNotches(chosen, use), ...over.settings };
    const [a] = affineArc(
      body,
      chosen.family,
      { values: chosen.machine.geometry, cam: chosen.machine.cam },
      { settings, share: use.share, phase: 0 },
      [deg],
    );
    if (!a) throw new Error("out of reach");
    return a;
  };
  const chair = chairRise(body) as ReferenceTask;

  test("a body-weight split squat pulls the shin back at every angle (K3)", () => {
    for (let deg = 5; deg <= 100; deg += 5) {
      const a = at("split_squat", deg);
      expect(tissueLoad("forward", a, 0, chair)).toBe(0);
    }
    expect(tissueLoad("backward", at("split_squat", 10), 0, chair)).toBeGreaterThan(50);
    const deep = tissueLoad("backward", at("split_squat", 45), 0, chair);
    expect(deep).toBeGreaterThan(180);
    expect(deep).toBeLessThan(420);
  });

  test("only what steps is braked, and less near straight", () => {
    const braking = (id: string, deg: number) => at(id, deg).foot.bare.x / at(id, deg).foot.bare.y;
    expect(braking("split_squat", 45)).toBeCloseTo(0, 9);
    expect(braking("lunge_walking", 45)).toBeCloseTo(-0.12, 9);
    expect(braking("lunge_walking", 15)).toBeCloseTo(-0.04, 9);
  });

  test("standing straightening: upright the pull lowers the knee's work, leaning back the body raises it (K5)", () => {
    for (const deg of [15, 30, 45]) {
      expect(at("tke_standing", deg).perUnit.knee).toBeLessThan(0);
      const back = at("tke_standing", deg, { settings: { leanDeg: -15 } });
      expect(back.bare.kneeMomentNm).toBeGreaterThan(at("tke_standing", deg).bare.kneeMomentNm);
      // the trained leg carries half unless more is put on it
      const whole = at("tke_standing", deg, { settings: { onLegPct: 100 } });
      expect(at("tke_standing", deg).foot.bare.y).toBeCloseTo(whole.foot.bare.y / 2, 6);
    }
  });

  test("a pull that nobody can stand against is barred and says what ends it", () => {
    const tke = exerciseById("tke_standing");
    if (!tke) throw new Error("no exercise");
    const row = rowOf(tke, sheetFor(body), { load: 500 });
    if (Array.isArray(row)) throw new Error(sayPlainly(row[0] ?? ""));
    expect(sayPlainly(row.computed?.tooHeavyBecause ?? "")).toMatch(
      /the pressure would reach the toes; \d+(\.\d)?\skg are the most in this posture/,
    );
    const fine = GYM.map((m) =>
      m.family === "standing_extension"
        ? { ...m, steps: { kind: "list" as const, items: [{ label: "a thread", kg: 0.1 }] } }
        : m,
    );
    const leaning = rowOf(tke, sheetFor(body, { machines: fine }), { settings: { leanDeg: -20 }, load: 0.1 });
    if (Array.isArray(leaning)) throw new Error(sayPlainly(leaning[0] ?? ""));
    expect(sayPlainly(leaning.computed?.tooHeavyBecause ?? "")).toMatch(/there is no balance at 0(\.1)?\skg/);
  });

  test("a limit on forward pull looks at more of the hamstrings in weight bearing, at less of them with the foot free (K4)", () => {
    const squat = at("half_squat", 30);
    expect(tissueLoad("forward", squat, 0, chair)).toBe(0);
    const open = at("kext_full", 15);
    expect(tissueLoad("forward", open, 30, chair)).toBeGreaterThan(50);
  });

  test("rounding under load is a caution that names the cure; with a back problem at any load (K7)", () => {
    const sled = exerciseById("lp_sled45");
    const press = exerciseById("lp_horizontal");
    if (!sled || !press) throw new Error("no press");
    // 100 degrees between back and rail rounds a back at the bottom
    const asked = { settings: { backToRailDeg: 90, footM: 0.2 }, load: 60 };
    const row = rowOf(sled, sheetFor(body), asked);
    if (Array.isArray(row)) throw new Error(sayPlainly(row[0] ?? ""));
    expect(row.computed?.cautions.map(sayPlainly).join()).toMatch(
      /low back rounds by about \d+° under load.*(recline by \d+ notch|stop before \d+°)/,
    );
    const light = { settings: { backToRailDeg: 90, footM: 0.2 }, load: 5 };
    const plain = rowOf(press, sheetFor(body), light);
    const sore = rowOf(press, sheetFor(body, { hasBackProblem: true }), light);
    if (Array.isArray(plain) || Array.isArray(sore)) throw new Error("barred");
    expect(plain.computed?.cautions).toEqual([]);
    expect(sore.computed?.cautions.map(sayPlainly).join()).toMatch(/low back rounds/);
  });
});
