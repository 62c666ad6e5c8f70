import fc from "fast-check";
import { limbGravityTorqueNm } from "../../body/limbGravity";
import { bodyFrom } from "../../body/segments";
import { toRadians } from "../../units/clamp";
import { GRAVITY_M_S2 } from "../../units/mass";
import { unit } from "../vector";
import { kneeExtension, type ShinResistance } from "./kneeExtension";

const anyBody = fc
  .tuple(fc.double({ min: 40, max: 140, noNaN: true }), fc.double({ min: 1.4, max: 2.05, noNaN: true }))
  .map(([mass, height]) => bodyFrom(mass, height));
const anyDeg = fc.double({ min: 5, max: 110, noNaN: true });

test("virtual work: the moment times a small turn is the work done on pad, cuff and limb", () => {
  fc.assert(
    fc.property(
      anyBody,
      anyDeg,
      fc.double({ min: 0, max: 120, noNaN: true }),
      fc.double({ min: 0, max: 20, noNaN: true }),
      (body, deg, torque, cuff) => {
        const resistance: ShinResistance[] = [
          { kind: "torque", torqueNm: torque },
          { kind: "cuff", massKg: cuff },
        ];
        const moment = kneeExtension(body, deg, { resistance }).joint.kneeMomentNm;
        const step = 1e-5;
        // heights of the shank's centre and of the cuff before and after turning by `step` degrees towards straight
        const height = (distance: number, at: number) => distance * unit(-at).y;
        const rise = (distance: number) => height(distance, deg - step) - height(distance, deg + step);
        const weightWork =
          GRAVITY_M_S2 * (body.shankMassKg * rise(body.shankComM) + cuff * rise(0.95 * body.shankLengthM));
        const work = weightWork + torque * toRadians(2 * step);
        const balance = moment * toRadians(2 * step);
        expect(Math.abs(balance - work)).toBeLessThanOrEqual(1e-6 * Math.max(1e-6, Math.abs(work)));
      },
    ),
  );
});

test("with nothing on the shin the moment is the limb's own weight", () => {
  fc.assert(
    fc.property(anyBody, anyDeg, (body, deg) => {
      const moment = kneeExtension(body, deg, { resistance: [] }).joint.kneeMomentNm;
      expect(moment).toBeCloseTo(limbGravityTorqueNm(body, deg), 9);
    }),
  );
});

test("a nearer pad pulls the shin back more, the moment stays the same", () => {
  const body = bodyFrom(75, 1.75);
  const at = (padDistanceM: number) =>
    kneeExtension(body, 15, { resistance: [{ kind: "torque", torqueNm: 60, padDistanceM }] });
  expect(at(0.2).joint.kneeMomentNm).toBeCloseTo(at(0.35).joint.kneeMomentNm, 9);
  expect(at(0.2).tissue.shinShearN).toBeLessThan(at(0.35).tissue.shinShearN);
});
