import fc from "fast-check";
import { bodyFrom } from "../body/segments";
import { GRAVITY_M_S2 } from "../units/mass";
import { type LegConfiguration, legState } from "./legState";
import { linkagePosture } from "./linkage";
import { kneelingCurl } from "./postures/kneelingCurl";
import { legPress, type RailLoad, railForceN } from "./postures/legPress";
import { freeSquat, guidedSquat, type StandingConfiguration } from "./postures/squat";
import { massPoints } from "./wholeBody";

const body = bodyFrom(75, 1.75);
const H = 1e-4;
const angle = fc.double({ min: 8, max: 108, noNaN: true });
const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Work of the joints of one leg per radian of knee flexion: each moment times the rate of its own angle. */
function jointPower(at: (deg: number) => LegConfiguration, deg: number): number {
  const [before, after] = [legState(body, at(deg - H)), legState(body, at(deg + H))];
  const now = legState(body, at(deg));
  const rate = (a: number, b: number) => rad(b - a) / rad(2 * H);
  const { joint } = now;
  return (
    joint.kneeMomentNm * rate(before.joint.kneeFlexionDeg, after.joint.kneeFlexionDeg) +
    (joint.hipMomentNm ?? 0) * rate(before.joint.hipFlexionDeg, after.joint.hipFlexionDeg) +
    joint.ankleMomentNm * rate(before.dorsiflexionDeg ?? 0, after.dorsiflexionDeg ?? 0)
  );
}

/** Slope of a potential energy per radian of knee flexion. */
const slope = (energyAt: (deg: number) => number, deg: number): number =>
  (energyAt(deg + H) - energyAt(deg - H)) / rad(2 * H);

const balanced = (joints: number, energy: number): void => {
  // flexing lets the load down: what the joints take up is what the weights give
  expect(Math.abs(joints + energy) / Math.max(1, Math.abs(energy))).toBeLessThan(1e-6);
};

test("press: the joints' work is the plate's, for every rail, foot and tilt", () => {
  fc.assert(
    fc.property(
      angle,
      fc.constantFrom(0, 45),
      fc.double({ min: 0, max: 0.2, noNaN: true }),
      fc.constantFrom(-10, 0),
      (deg, railDeg, footOffsetM, plateTiltDeg) => {
        const load: RailLoad = { moves: "plate", stackKg: 60, sledKg: 20 };
        const at = (d: number) =>
          legPress(body, d, {
            railDeg,
            backDeg: 120,
            footOffsetM,
            plateTiltDeg,
            pressure: "mid",
            load,
            share: 0.5,
          });
        // hip fixed: plate along the rail, and this leg's own weight
        const energy = (d: number) => {
          const { thighDeg, shankDeg, reachM } = linkagePosture(body, d, railDeg, footOffsetM);
          const thighY = body.thighComM * Math.sin(rad(thighDeg));
          const shankY =
            body.thighLengthM * Math.sin(rad(thighDeg)) + body.shankComM * Math.sin(rad(shankDeg));
          return (
            0.5 * railForceN(body, railDeg, load) * reachM +
            GRAVITY_M_S2 * (body.thighMassKg * thighY + body.shankMassKg * shankY)
          );
        };
        balanced(jointPower(at, deg), slope(energy, deg));
      },
    ),
  );
});

const bodyEnergy = (c: StandingConfiguration, barKg: number): number =>
  massPoints(body, c.posture, barKg).reduce((sum, m) => sum + m.massKg * GRAVITY_M_S2 * m.at.y, 0);

test.each([
  ["free squat", (d: number) => freeSquat(body, d, { barKg: 20 })],
  ["guided squat, feet forward", (d: number) => guidedSquat(body, d, { feetForwardM: 0.25, barKg: 20 })],
] as const)("%s: both legs' work is the weight's of body and bar", (_name, at) => {
  fc.assert(
    fc.property(fc.double({ min: 8, max: 100, noNaN: true }), (deg) => {
      balanced(
        2 * jointPower(at, deg),
        slope((d) => bodyEnergy(at(d), 20), deg),
      );
    }),
  );
});

test("more counterweight makes a kneeling curl lighter, until it lifts the person", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 25, max: 80 }),
      fc.integer({ min: 0, max: 40 }),
      fc.integer({ min: 1, max: 30 }),
      (deg, massKg, more) => {
        const at = (kg: number) =>
          kneelingCurl(body, deg, { assist: { kind: "lever", massKg: kg, leverM: 0.8 } });
        const [light, heavy] = [at(massKg), at(massKg + more)];
        expect(heavy.joint.kneeMomentNm).toBeGreaterThan(light.joint.kneeMomentNm);
        expect(heavy.assistTooLarge).toBe(heavy.joint.kneeMomentNm > 0);
      },
    ),
  );
});
