import { bodyFrom } from "../body/segments";
import reference from "../testdata/mechanics.reference.json";
import type { Pressure } from "./footPressure";
import { type LegConfiguration, type LegState, legState, tissueOf } from "./legState";
import { sitToStand, stepUp } from "./postures/dailyTasks";
import { hackSquat } from "./postures/hackSquat";
import { kneelingCurl } from "./postures/kneelingCurl";
import { legCurl } from "./postures/legCurl";
import { flexionAtSeatStopDeg, legPress, type RailLoad, railForceN } from "./postures/legPress";
import {
  calfRaise,
  reverseHipExtension,
  sideRaiseMomentNm,
  straightLegRaise,
} from "./postures/proneAndLying";
import {
  flexionAtHipHeightDeg,
  freeSquat,
  guidedSquat,
  HIP_ABOVE_SEAT_M,
  splitSquat,
} from "./postures/squat";
import { terminalExtension } from "./postures/terminalExtension";

// biome-ignore lint/suspicious/noExplicitAny: inputs of the reference file differ by case
type Any = any;
type Body = ReturnType<typeof bodyFrom>;

/** The reference is printed to four significant digits; half a percent is what the product promises. */
const near = (name: string, got: number, want: number) => {
  const allowed = 0.005 * Math.abs(want) + 0.006;
  if (!(Math.abs(got - want) <= allowed)) throw new Error(`${name}: got ${got}, want ${want}`);
};

const PRESSURE: Record<string, Pressure> = { heel: "heel", mid: "mid", toe: "ball", ball: "ball" };

const railLoad = (i: Any): RailLoad => ({
  moves: i.kind,
  stackKg: i.stack,
  ratio: i.ratio,
  sledKg: i.sled ?? i.carriage,
  platesKg: i.plates,
  friction: i.mu,
  phase: i.phase,
});

const press = (body: Body, i: Any): LegConfiguration =>
  legPress(body, i.t, {
    railDeg: i.rail,
    backDeg: i.back,
    footOffsetM: i.foot_h,
    plateTiltDeg: i.tilt ?? 0,
    pressure: PRESSURE[i.cop ?? "mid"] as Pressure,
    load: railLoad(i),
    share: i.share ?? 0.5,
    oblique: i.trans,
  });

const assistOf = (i: Any) => {
  if (!i.cw) return null;
  if (i.mode !== "cord") return { kind: "lever" as const, massKg: i.cw, leverM: i.cw_lever };
  const [atM, x, y, ratio] = i.cord;
  return { kind: "cord" as const, massKg: i.cw, ratio, atM, anchor: { x, y } };
};

const unwrap = <T>(x: T | null): T => {
  if (x === null) throw new Error("not reachable");
  return x;
};

/** How each exercise of the reference file is set up here. */
const FAMILIES: Record<string, (body: Body, i: Any) => LegConfiguration> = {
  press,
  squat: (body, i) => freeSquat(body, i.t, { barKg: i.bar, leanDeg: i.lean }),
  guided_squat: (body, i) => guidedSquat(body, i.t, { feetForwardM: i.feet_fwd, barKg: i.bar }),
  hack: (body, i) =>
    hackSquat(body, i.t, {
      inclineDeg: i.incline,
      inclineBottomDeg: i.incline_bottom,
      carriageKg: i.carriage,
      footForwardM: i.foot_fwd,
      share: 0.5,
    }),
  leg_curl: (body, i) =>
    legCurl(body, i.t, {
      position: i.position,
      geometry: { ratioM: i.ratio, cam: "flat", frictionShare: 0 },
      loadKg: i.stack,
      share: 0.5,
    }),
  tke: (body, i) =>
    terminalExtension(body, i.t, { pullN: i.pull, padAboveKneeM: i.d_above, leanDeg: i.lean }),
  sit_to_stand: (body, i) => unwrap(sitToStand(body, { seatM: i.seat, share: i.share })),
  step_up: (body, i) => unwrap(stepUp(body, { riserM: i.riser })),
  split_squat: (body, i) => splitSquat(body, i.t, { shankLeanDeg: i.sigma }),
  straight_leg_raise: (body, i) => straightLegRaise(body, { hipDeg: i.hip, cuffKg: i.cuff }),
};

function stateOf(c: Any): LegState & { extra: Record<string, number> } {
  const body = bodyFrom(c.body.M, c.body.H);
  const i = c.inputs;
  if (c.exercise === "kneel_curl") {
    const s = kneelingCurl(body, i.t, { assist: assistOf(i) });
    return { ...s, extra: { assist: s.assistNm } };
  }
  if (c.exercise === "reverse_hip") {
    const s = reverseHipExtension(body, {
      hangDeg: i.elev,
      kneeFlexionDeg: i.knee,
      pendulumKg: i.pend,
      pendulumM: i.pend_l,
      legs: i.legs,
    });
    return { ...s, extra: { M_lumbar: s.backMomentNm } };
  }
  const config = FAMILIES[c.exercise]?.(body, i) as Any;
  const extra: Record<string, number> = {};
  if (config.leanDeg !== undefined && c.exercise !== "guided_squat") {
    extra.lean = config.leanDeg;
    extra.cop = config.pressureAheadM;
  }
  if (config.hipHeightM !== undefined && c.outputs.hip_height !== undefined)
    extra.hip_height = config.hipHeightM;
  if (config.railForceN !== undefined) {
    extra.rail_force = config.railForceN;
    extra.friction_need = config.frictionNeeded;
  }
  if (c.exercise === "press") extra.F_total = railForceN(body, i.rail, railLoad(i));
  return { ...legState(body, config), extra };
}

const cases = (reference.cases as Any[]).filter(
  (c) => !["knee_ext", "calf", "side_raise"].includes(c.exercise),
);

test.each(cases.map((c) => [c.id, c] as const))("%s", (_id, c) => {
  const s = stateOf(c);
  const o = c.outputs;
  near("theta", s.joint.kneeFlexionDeg, o.theta);
  near("M_knee", s.joint.kneeMomentNm, o.M_knee);
  if (o.M_hip === null) expect(s.joint.hipMomentNm).toBeNull();
  else near("M_hip", s.joint.hipMomentNm ?? Number.NaN, o.M_hip);
  near("M_ankle", s.joint.ankleMomentNm, o.M_ankle);
  near("hip_flex", s.joint.hipFlexionDeg, o.hip_flex);
  near("hip_avail", s.hipAvailableDeg, o.hip_avail);
  near("tuck", s.pelvicTuckDeg, o.tuck);
  if (o.dorsi === null) expect(s.dorsiflexionDeg).toBeNull();
  else near("dorsi", s.dorsiflexionDeg ?? Number.NaN, o.dorsi);
  expect(s.heelLifts).toBe(o.flags.some((f: string) => f.startsWith("dorsiflexion")));
  near("M_quad", tissueOf(s).quadricepsMomentNm, o.M_quad);
  near("F_ham", tissueOf(s).hamstringForceN, o.F_ham);
  near("F_quad", tissueOf(s).quadricepsForceN, o.F_quad);
  near("F_pt", tissueOf(s).patellarTendonForceN, o.F_pt);
  near("pfjrf", tissueOf(s).kneecapForceN, o.pfjrf);
  near("pfj_stress", tissueOf(s).kneecapStressMPa, o.pfj_stress);
  near("shear_ext", s.joint.externalShearN, o.shear_ext);
  near("shear", tissueOf(s).shinShearN, o.shear);
  near("tf_comp", tissueOf(s).shinCompressionN, o.tf_comp);
  for (const [name, value] of Object.entries(s.extra)) near(name, value, o[name]);
});

test.each((reference.cases as Any[]).filter((c) => c.exercise === "calf").map((c) => [c.id, c] as const))(
  "%s",
  (_id, c) => {
    const { pf, share, kind, F, load } = c.inputs;
    const found = calfRaise(bodyFrom(c.body.M, c.body.H), {
      plantarflexionDeg: pf,
      share,
      load:
        kind === "press"
          ? { kind: "press", forceN: F }
          : kind === "seated"
            ? { kind: "seated", loadKg: load }
            : { kind: "standing", loadKg: load },
    });
    near("M_ankle", found.ankleMomentNm, c.outputs.M_ankle);
    near("arm", found.armM, c.outputs.arm);
  },
);

test("side raise", () => {
  const c = (reference.cases as Any[]).find((x) => x.exercise === "side_raise");
  const found = sideRaiseMomentNm(bodyFrom(c.body.M, c.body.H), {
    abductionDeg: c.inputs.abd,
    cuffKg: c.inputs.cuff,
  });
  near("M_hip_abd", found, c.outputs.M_hip_abd);
});

test.each(reference.misc.theta_from_stop)("seat stop at %j", (c) => {
  near(
    "theta",
    flexionAtSeatStopDeg(bodyFrom(75, 1.75), c.seat_gap, c.foot_h, c.tilt) ?? Number.NaN,
    c.theta,
  );
});

test.each(reference.misc.box_stop as Any[])("box stop at %j", (c) => {
  const body = bodyFrom(75, 1.75);
  const height = (t: number) =>
    c.exercise === "squat"
      ? freeSquat(body, t).hipHeightM
      : guidedSquat(body, t, { feetForwardM: c.feet_fwd, barKg: c.bar }).hipHeightM;
  near("theta", flexionAtHipHeightDeg(height, c.box + HIP_ABOVE_SEAT_M) ?? Number.NaN, c.theta);
});
