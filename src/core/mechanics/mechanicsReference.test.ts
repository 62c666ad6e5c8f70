import { bodyFrom } from "../body/segments";
import { fitTorqueAngle } from "../strength/fitTorqueAngle";
import { torqueAngleShape } from "../strength/torqueAngleShape";
import reference from "../testdata/mechanics.reference.json";
import type { Cam } from "./camCurve";
import { kneeExtension, type ShinResistance } from "./postures/kneeExtension";
import {
  contactAreaMm2,
  hamstringAngleDeg,
  hamstringLeverM,
  kneecapForceRatio,
  patellarTendonAngleDeg,
  patellarTendonLeverM,
  quadricepsLeverM,
} from "./tissueCurves";

// biome-ignore lint/suspicious/noExplicitAny: inputs of the reference file differ by case
type Any = any;

/** The reference is printed to four significant digits; half a percent is what the product promises. */
const near = (got: number, want: number) =>
  expect(Math.abs(got - want)).toBeLessThanOrEqual(0.005 * Math.abs(want) + 0.006);

function resistances(i: Any): ShinResistance[] {
  const padDistanceM = i.d_pad;
  const list: ShinResistance[] = [];
  if (i.stack)
    list.push({
      kind: "lever",
      geometry: { ratioM: i.ratio, cam: (i.camk ?? "flat") as Cam, frictionShare: 0 },
      loadKg: i.stack,
      share: i.share ?? 0.5,
      padDistanceM,
    });
  if (i.torque) list.push({ kind: "torque", torqueNm: i.torque, padDistanceM });
  if (i.cuff) list.push({ kind: "cuff", massKg: i.cuff });
  if (i.band)
    list.push({
      kind: "band",
      anchor: { x: i.band.anchor[0], y: i.band.anchor[1] },
      stiffnessNPerM: i.band.k,
      restLengthM: i.band.L0,
    });
  return list;
}

const cases = (reference.cases as Any[]).filter((c) => c.exercise === "knee_ext");

test.each(cases.map((c) => [c.id, c] as const))("knee extension %s", (_id, c) => {
  const r = kneeExtension(
    bodyFrom(c.body.M, c.body.H),
    c.inputs.t,
    { resistance: resistances(c.inputs) },
    c.inputs.opt?.coact ?? 0.1,
  );
  const o = c.outputs;
  near(r.joint.kneeMomentNm, o.M_knee);
  expect(r.joint.hipMomentNm).toBe(o.M_hip);
  near(r.joint.hipFlexionDeg, o.hip_flex);
  near(r.tissue.quadricepsMomentNm, o.M_quad);
  near(r.tissue.hamstringForceN, o.F_ham);
  near(r.tissue.quadricepsForceN, o.F_quad);
  near(r.tissue.patellarTendonForceN, o.F_pt);
  near(r.tissue.kneecapForceN, o.pfjrf);
  near(r.tissue.kneecapStressMPa, o.pfj_stress);
  near(r.joint.externalShearN, o.shear_ext);
  near(r.tissue.shinShearN, o.shear);
  near(r.tissue.shinCompressionN, o.tf_comp);
  near(r.padForceN, o.F_pad);
});

test.each(reference.curves.map((c) => [c.theta, c] as const))("tissue curves at %d degrees", (t, c) => {
  near(quadricepsLeverM(t), c.L_quad);
  near(kneecapForceRatio(t), c.k_pf);
  near(contactAreaMm2(t), c.A_pf);
  near(patellarTendonLeverM(t), c.r_pt);
  near(patellarTendonAngleDeg(t), c.beta);
  near(hamstringLeverM(t), c.r_ham);
  near(hamstringAngleDeg(t), c.gamma);
  near(torqueAngleShape("knee_extension", t), c.ext_shape);
  near(torqueAngleShape("knee_flexion", t), c.flex_shape);
});

test.each(reference.misc.strength_fit.map((c) => [JSON.stringify(c.tests), c] as const))(
  "strength fit %s",
  (_n, c) => {
    const fit = fitTorqueAngle(
      "knee_extension",
      (c.tests as number[][]).map(([deg, nm]) => ({ kneeFlexionDeg: deg as number, torqueNm: nm as number })),
    );
    near(fit.peakTorqueNm, c.T1);
    near(fit.peakDeg, c.C3_deg);
    near(fit.rmsNm, c.rms);
  },
);
