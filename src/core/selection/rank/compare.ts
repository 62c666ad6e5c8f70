import type { Body } from "../../body/segments";
import { FRICTION_WARNING } from "../../equipment/families/supportedSquats";
import { geometryOf } from "../../equipment/machine";
import { cross, length, minus, type Vector } from "../../mechanics/vector";
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
  return { ...s, load, how: `about ${Math.round(load)} kg` };
}

export interface Compared {
  name: string;
  setUp: ComputedSetUp;
  here: AtAngle;
}

const times = (ratio: number): string => ratio.toFixed(1);
const cm = (m: number): string => `${Math.round(m * 100)} cm`;

/** Why two set-ups differ at an angle, in numbers: only what differs by more than the model is sure of. */
export function explainDifference(a: Compared, b: Compared): string[] {
  const found = [forceWords(a, b), hipWords(a, b), kneecapWords(a, b), pullWords(a, b), backWords(a, b)];
  const words = found.filter((w) => w !== null).map((w) => w.charAt(0).toUpperCase() + w.slice(1));
  return words.length
    ? words
    : ["At this angle they differ by less than the model is sure of. Move the angle, or change a setting."];
}

function forceWords(a: Compared, b: Compared): string | null {
  const { forceN: fa, kneeArmM: la } = a.here;
  const { forceN: fb, kneeArmM: lb } = b.here;
  if (!fa || !fb || la === null || lb === null) return null;
  const [more, less] = fa >= fb ? [a, b] : [b, a];
  const ratio = Math.max(fa, fb) / Math.min(fa, fb);
  if (ratio < 1.25) return null;
  const armMore = more.here.kneeArmM as number;
  const armLess = less.here.kneeArmM as number;
  return `${more.name} takes ${times(ratio)} times the force of ${less.name}: ${Math.round(more.here.forceN as number)} N against ${Math.round(less.here.forceN as number)} N on each leg. ${leverWords(armMore, armLess)}`;
}

/** Levers explain a difference only where they differ; else the loads or the legs do. */
function leverWords(armMoreM: number, armLessM: number): string {
  const found = `Its line passes the knee at ${cm(armMoreM)}, the other's at ${cm(armLessM)}`;
  return armLessM > 1.1 * armMoreM
    ? `${found}; a shorter lever needs more force for the same work of the knee.`
    : `${found}: the levers explain little of it, the knee is asked for more.`;
}

function hipWords(a: Compared, b: Compared): string | null {
  const [ha, hb] = [a.here.hipMomentNm, b.here.hipMomentNm];
  if (ha === null || hb === null) return null;
  const share = (c: Compared, h: number) =>
    Math.abs(h) / (Math.abs(h) + Math.abs(c.here.kneeMomentNm) + 1e-9);
  const [sa, sb] = [share(a, ha), share(b, hb)];
  if (Math.abs(sa - sb) < 0.08) return null;
  const [hip, knee] = sa > sb ? [a, b] : [b, a];
  const split = (c: Compared) =>
    `${Math.round(Math.abs(c.here.hipMomentNm as number))} N·m at the hip and ${Math.round(Math.abs(c.here.kneeMomentNm))} at the knee`;
  return `${hip.name} works more at the hip: ${split(hip)}; ${knee.name} ${split(knee)}. The force passes ${cm(hip.here.hipArmM ?? 0)} from the hip and ${cm(hip.here.kneeArmM ?? 0)} from the knee there, ${cm(knee.here.hipArmM ?? 0)} and ${cm(knee.here.kneeArmM ?? 0)} here.`;
}

function kneecapWords(a: Compared, b: Compared): string | null {
  const [more, less] = a.here.kneecapTimes >= b.here.kneecapTimes ? [a, b] : [b, a];
  if (more.here.kneecapTimes - less.here.kneecapTimes < 0.15) return null;
  return `The kneecap joint carries ${times(more.here.kneecapTimes)} chair rises on ${more.name}, ${times(less.here.kneecapTimes)} on ${less.name}: it follows what the front of the thigh has to give.`;
}

function pullWords(a: Compared, b: Compared): string | null {
  const pull = (c: Compared) =>
    c.here.forwardN > 0
      ? `pulls the shin forward by about ${fifty(c.here.forwardN)} N`
      : c.here.backwardN > 0
        ? `pulls it back by about ${fifty(c.here.backwardN)} N`
        : "pulls it neither way";
  const differs =
    a.here.forwardN > 0 !== b.here.forwardN > 0 || Math.abs(a.here.backwardN - b.here.backwardN) > 200;
  if (!differs) return null;
  return `${a.name} ${pull(a)}, ${b.name} ${pull(b)}. A forward pull strains the front cruciate ligament, a backward one the rear; both change sign with where the force passes and how the trunk leans.`;
}

function backWords(a: Compared, b: Compared): string | null {
  if (Math.abs(a.here.pelvicTuckDeg - b.here.pelvicTuckDeg) < 5) return null;
  const [more, less] = a.here.pelvicTuckDeg > b.here.pelvicTuckDeg ? [a, b] : [b, a];
  const hip = (c: Compared) =>
    `${Math.round(c.here.hipFlexionDeg)}° of hip bend asked, about ${Math.round(c.here.hipAvailableDeg)}° there`;
  return `${more.name} rounds the low back by about ${Math.round(more.here.pelvicTuckDeg / 5) * 5}° (${hip(more)}); ${less.name}: ${hip(less)}. It hangs on the angle between back and rail, not on the name of the machine.`;
}

const fifty = (n: number): number => Math.round(n / 50) * 50;
