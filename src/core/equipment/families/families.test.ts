import fc from "fast-check";
import { bodyFrom } from "../../body/segments";
import { jointLoads } from "../../mechanics/inverseDynamics";
import { tissueOf } from "../../mechanics/legState";
import { minus } from "../../mechanics/vector";
import { anchorOf, poseBox } from "../../selection/pose/poseBox";
import { InputError } from "../../units/inputError";
import { templateOf } from "../templates";
import { FAMILIES, familyById } from ".";
import { type SetUp, usualNotches } from "./family";
import { legPoints } from "./parts";
import { QUIET_FAMILIES } from "./quiet";

const body = bodyFrom(75, 1.75);
const geometry = (id: string) => {
  const t = templateOf(id);
  return { values: t.geometry, cam: t.cam };
};

const anyUse = fc.constantFrom(...FAMILIES).chain((family) =>
  fc.record({
    family: fc.constant(family),
    settings: fc.record(
      Object.fromEntries(family.settings.map((s) => [s.key, fc.constantFrom(...usualNotches(s))])),
    ) as fc.Arbitrary<Record<string, number>>,
    share: fc.constantFrom(0.5, 1),
    phase: fc.constantFrom(-1 as const, 0 as const, 1 as const),
    load: fc.double({ min: 0, max: 120, noNaN: true }),
    deg: fc.integer({ min: 0, max: 130 }),
  }),
);

const solved = (u: { family: (typeof FAMILIES)[number]; deg: number } & SetUp) => {
  try {
    return u.family.solve(body, geometry(u.family.id), u, u.deg);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
};

test("every family gives finite loads and the asked knee angle at every set-up in its range", () => {
  fc.assert(
    fc.property(anyUse, (u) => {
      if (u.deg < u.family.range[0] || u.deg > u.family.range[1]) return;
      const leg = solved(u);
      if (!leg) return;
      expect(leg.state.joint.kneeFlexionDeg).toBeCloseTo(u.deg, 6);
      expect(leg.posture.thighDeg - leg.posture.shankDeg).toBeCloseTo(u.deg, 6);
      for (const x of [
        leg.state.joint.kneeMomentNm,
        tissueOf(leg.state).kneecapStressMPa,
        tissueOf(leg.state).shinShearN,
        leg.state.pelvicTuckDeg,
      ])
        expect(Number.isFinite(x)).toBe(true);
      // what is drawn as force is what was computed with
      if (leg.forces.length > 0) {
        const again = jointLoads(body, leg.posture, leg.forces);
        expect(again.kneeMomentNm).toBeCloseTo(leg.state.joint.kneeMomentNm, 6);
      }
    }),
    { numRuns: 500 },
  );
});

test("friction makes pushing heavier and lowering lighter, never the other way", () => {
  fc.assert(
    fc.property(anyUse, (u) => {
      const friction = u.family.geometry.find((g) => g.key.startsWith("friction"));
      if (!friction || u.deg < 25 || u.deg > 85) return;
      const at = (phase: -1 | 0 | 1) => solved({ ...u, phase, load: 60 })?.state.joint.kneeMomentNm ?? 0;
      const sign = u.family.id.startsWith("leg_curl") ? -1 : 1;
      const sizes = [at(-1), at(0), at(1)].map((m) => sign * m);
      if (u.family.hasCam) expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
      else expect(Math.abs(at(1) - at(0) + (at(-1) - at(0)))).toBeLessThan(1e-6);
    }),
    { numRuns: 300 },
  );
});

test("stops lie on the rail, and each names the setting that makes it", () => {
  fc.assert(
    fc.property(anyUse, ({ family, settings }) => {
      for (const end of family.ends(body, geometry(family.id), settings)) {
        expect(family.settings.map((s) => s.key)).toContain(end.setting);
        expect(end.deg).toBeGreaterThanOrEqual(0);
        expect(end.deg).toBeLessThanOrEqual(180);
      }
    }),
    { numRuns: 200 },
  );
});

describe("the side view", () => {
  test("has finite parts, handles of real settings, and what stays put stays put", () => {
    fc.assert(
      fc.property(anyUse, (u) => {
        const leg = solved(u);
        if (!leg || u.deg > u.family.range[1]) return;
        const view = u.family.sideView(body, geometry(u.family.id), u.settings, u.deg, leg);
        expect(view.parts.length).toBeGreaterThan(0);
        for (const p of view.parts)
          for (const x of [p.from.x, p.from.y, p.to.x, p.to.y]) expect(Number.isFinite(x)).toBe(true);
        for (const h of view.handles) {
          expect(u.family.settings.map((s) => s.key)).toContain(h.setting);
          expect(Math.hypot(h.along.x, h.along.y)).toBeGreaterThan(0);
        }
        const p = legPoints(body, leg);
        const anchor = p[anchorOf(u.family.id)];
        expect(Math.hypot(minus(anchor, p.hip).x, minus(anchor, p.hip).y)).toBeLessThan(
          2 * body.thighLengthM + 0.1,
        );
        const thigh = minus(p.knee, p.hip);
        expect(Math.hypot(thigh.x, thigh.y)).toBeCloseTo(body.thighLengthM, 9);
      }),
      { numRuns: 300 },
    );
  });

  test.each(FAMILIES.map((f) => [f.id]))("%s fits its frame at every angle", (id) => {
    const family = familyById(id);
    if (!family) throw new Error("no family");
    const settings = Object.fromEntries(family.settings.map((s) => [s.key, s.usual]));
    const box = poseBox(body, { machine: templateOf(id), id: null, family }, settings);
    expect(box.width).toBeLessThan(3);
    expect(box.height).toBeLessThan(3);
    for (let deg = family.range[0]; deg <= family.range[1]; deg += 10) {
      const leg = family.solve(body, geometry(id), { settings, share: 1, phase: 0, load: 20 }, deg);
      const points = legPoints(body, leg);
      const anchor = points[anchorOf(id)];
      for (const q of Object.values(points)) {
        const at = minus(q, anchor);
        expect(at.x).toBeGreaterThanOrEqual(box.left);
        expect(at.x).toBeLessThanOrEqual(box.left + box.width);
        expect(at.y).toBeGreaterThanOrEqual(box.bottom);
        expect(at.y).toBeLessThanOrEqual(box.bottom + box.height);
      }
    }
  });
});

test("families and quiet machines have ids of their own, usual values inside their ranges", () => {
  const ids = [...FAMILIES.map((f) => f.id), ...QUIET_FAMILIES.map((f) => f.id)];
  expect(new Set(ids).size).toBe(ids.length);
  for (const f of FAMILIES) {
    for (const g of f.geometry) {
      expect(g.usual).toBeGreaterThanOrEqual(g.least);
      expect(g.usual).toBeLessThanOrEqual(g.most);
    }
    for (const s of f.settings) {
      expect(s.usual).toBeGreaterThanOrEqual(s.from);
      expect(s.usual).toBeLessThanOrEqual(s.to);
      expect(s.meaning.length).toBeGreaterThan(10);
      if (s.words) expect(s.words).toHaveLength(usualNotches(s).length);
    }
  }
});
