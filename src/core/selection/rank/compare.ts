import type { Body } from "../../body/segments";
import { FRICTION_WARNING } from "../../equipment/families/supportedSquats";
import { geometryOf } from "../../equipment/machine";
import { cross, length, minus, type Vector } from "../../mechanics/vector";
import { type Said, saidWith } from "../../units/said";
import { jointAt, tissueAt } from "../setUp/affineArc";
import type { ComputedSetUp } from "../setUp/row";
import { MOST_LOAD_KG } from "../setUp/workingLoad";
import { type ReferenceTask, tissueLoad } from "../tissue/tissues";

/** What a set-up does at one angle, for a table side by side. */
export interface AtAngle {
  deg: number;
  isAllowed: boolean;
  /** the largest single force of the machine or floor on the leg, N; null where the model has none */
  forceN: number | null;
  /** how far that force passes from the knee and from the hip, m */
  kneeArmM: number | null;
  hipArmM: number | null;
  kneeMomentNm: number;
  hipMomentNm: number | null;
  kneecapTimes: number;
  forwardN: number;
  backwardN: number;
  hipFlexionDeg: number;
  hipAvailableDeg: number;
  pelvicTuckDeg: number;
  heelLifts: boolean;
  /** a standing foot would need more friction than is planned with */
  slides: boolean;
}

/** Null where the model does not reach: nothing is extrapolated. */
export function atAngle(body: Body, s: ComputedSetUp, chair: ReferenceTask, deg: number): AtAngle | null {
  const a = s.angles.find((x) => Math.abs(x.deg - deg) < 2.51);
  if (!a) return null;
  const leg = s.chosen.family.solve(
    body,
    geometryOf(s.chosen.machine),
    { settings: s.settings, share: s.share, phase: s.phase, load: s.load },
    a.deg,
  );
  const force = leg.forces.reduce<(typeof leg.forces)[number] | null>(
    (most, f) => (most && length(most.forceN) >= length(f.forceN) ? most : f),
    null,
  );
  const newtons = force ? length(force.forceN) : 0;
  const hip: Vector = {
    x: -Math.cos((leg.posture.thighDeg * Math.PI) / 180) * body.thighLengthM,
    y: -Math.sin((leg.posture.thighDeg * Math.PI) / 180) * body.thighLengthM,
  };
  const joint = jointAt(a, s.load);
  return {
    deg: a.deg,
    isAllowed: a.deg >= s.arc.fromDeg && a.deg <= s.arc.toDeg,
    forceN: force ? newtons : null,
    kneeArmM: force && newtons > 0 ? Math.abs(cross(force.atM, force.forceN)) / newtons : null,
    hipArmM: force && newtons > 0 ? Math.abs(cross(minus(force.atM, hip), force.forceN)) / newtons : null,
    kneeMomentNm: joint.kneeMomentNm,
    hipMomentNm: joint.hipMomentNm,
    kneecapTimes: tissueAt(a, s.load).kneecapStressMPa / chair.stressMPa,
    forwardN: tissueLoad("forward", a, s.load, chair),
    backwardN: tissueLoad("backward", a, s.load, chair),
    hipFlexionDeg: a.hipFlexionDeg,
    hipAvailableDeg: a.hipAvailableDeg,
    pelvicTuckDeg: a.pelvicTuckDeg,
    heelLifts: a.heelLifts,
    slides:
      leg.footDeg === 0 &&
      force?.segment === "foot" &&
      Math.abs(force.forceN.x) > FRICTION_WARNING * Math.abs(force.forceN.y),
  };
}

/**
 * The same set-up with just the load, real step or not, at which the knee gives `nm` at an angle: for comparing two at
 * equal work of the knee there. The set-up unchanged where load does not decide it.
 */
export function atEqualMoment(s: ComputedSetUp, sign: 1 | -1, nm: number, deg: number): ComputedSetUp {
  const a = s.angles.find((x) => Math.abs(x.deg - deg) < 2.51);
  const slope = a ? sign * a.perUnit.knee : 0;
  if (!a || Math.abs(slope) < 1e-6) return s;
  const load = Math.min(MOST_LOAD_KG, Math.max(0, (nm - sign * a.bare.kneeMomentNm) / slope));
  return { ...s, load, isReal: false };
}

export interface Compared {
  name: Said;
  setUp: ComputedSetUp;
  here: AtAngle;
}

/** Why two set-ups differ at an angle, in numbers: only what differs by more than the model is sure of. */
export function explainDifference(a: Compared, b: Compared): Said[] {
  const found = [force(a, b), hip(a, b), kneecap(a, b), pull(a, b), back(a, b)].filter((s) => s !== null);
  return found.length ? found : [{ code: "compare.alike" }];
}

function force(a: Compared, b: Compared): Said | null {
  const { forceN: fa, kneeArmM: la } = a.here;
  const { forceN: fb, kneeArmM: lb } = b.here;
  if (!fa || !fb || la === null || lb === null) return null;
  const ratio = Math.max(fa, fb) / Math.min(fa, fb);
  if (ratio < 1.25) return null;
  const [more, less] = fa >= fb ? [a, b] : [b, a];
  const of = ({ name, here }: Compared) => ({ name, forceN: here.forceN, armM: here.kneeArmM });
  return saidWith("compare.force", { ratio, more: of(more), less: of(less) });
}

function hip(a: Compared, b: Compared): Said | null {
  const [ha, hb] = [a.here.hipMomentNm, b.here.hipMomentNm];
  if (ha === null || hb === null) return null;
  const share = (c: Compared, h: number) =>
    Math.abs(h) / (Math.abs(h) + Math.abs(c.here.kneeMomentNm) + 1e-9);
  const [sa, sb] = [share(a, ha), share(b, hb)];
  if (Math.abs(sa - sb) < 0.08) return null;
  const of = ({ name, here }: Compared) => ({
    name,
    hipNm: Math.abs(here.hipMomentNm as number),
    kneeNm: Math.abs(here.kneeMomentNm),
    hipArmM: here.hipArmM ?? 0,
    kneeArmM: here.kneeArmM ?? 0,
  });
  const [more, less] = sa > sb ? [a, b] : [b, a];
  return saidWith("compare.hip", { hip: of(more), knee: of(less) });
}

function kneecap(a: Compared, b: Compared): Said | null {
  const [more, less] = a.here.kneecapTimes >= b.here.kneecapTimes ? [a, b] : [b, a];
  if (more.here.kneecapTimes - less.here.kneecapTimes < 0.15) return null;
  const of = ({ name, here }: Compared) => ({ name, times: here.kneecapTimes });
  return saidWith("compare.kneecap", { more: of(more), less: of(less) });
}

function pull(a: Compared, b: Compared): Said | null {
  const differs =
    a.here.forwardN > 0 !== b.here.forwardN > 0 || Math.abs(a.here.backwardN - b.here.backwardN) > 200;
  if (!differs) return null;
  const of = ({ name, here }: Compared) => ({ name, forwardN: here.forwardN, backwardN: here.backwardN });
  return saidWith("compare.pull", { a: of(a), b: of(b) });
}

function back(a: Compared, b: Compared): Said | null {
  if (Math.abs(a.here.pelvicTuckDeg - b.here.pelvicTuckDeg) < 5) return null;
  const [more, less] = a.here.pelvicTuckDeg > b.here.pelvicTuckDeg ? [a, b] : [b, a];
  const of = ({ name, here }: Compared) => ({
    name,
    roundsDeg: here.pelvicTuckDeg,
    askedDeg: here.hipFlexionDeg,
    thereDeg: here.hipAvailableDeg,
  });
  return saidWith("compare.back", { more: of(more), less: of(less) });
}
