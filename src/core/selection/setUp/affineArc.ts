import type { Body } from "../../body/segments";
import type { MachineFamily, MachineGeometry, SetUp } from "../../equipment/families/family";
import type { JointLoads } from "../../mechanics/inverseDynamics";
import {
  type KneeTissueLoads,
  kneeTissueLoads,
  TISSUE_DEFAULTS,
  type TissueLevers,
  tissueLevers,
} from "../../mechanics/kneeTissueLoads";
import type { SolvedLeg } from "../../mechanics/solvedLeg";
import { minus, NOTHING, type Vector } from "../../mechanics/vector";
import { InputError } from "../../units/inputError";

/**
 * One angle of a set-up, solved once for every load: the joint loads are affine in what is added, so two solves say
 * everything (mechanics rules 10). The muscle rules are applied again for each load, since they have kinks.
 */
export interface AffineAngle {
  deg: number;
  levers: TissueLevers;
  chain: "open" | "closed";
  /** nothing added */
  bare: JointLoads;
  /** more of each per unit of load */
  perUnit: { knee: number; hip: number; ankle: number; shear: number; axial: number };
  hipFlexionDeg: number;
  hipAvailableDeg: number;
  pelvicTuckDeg: number;
  heelLifts: boolean;
  isBalanced: boolean;
  /** largest force through the foot: with nothing added, and per unit of load; none where it hangs free */
  foot: { bare: Vector; perUnit: Vector };
}

/** Angles of the rail that a model covers, at even steps; ends that fall between steps are added. */
export function anglesOf(family: MachineFamily, stepDeg: number): number[] {
  const [from, to] = family.range;
  const degs: number[] = [];
  for (let deg = from; deg <= to + 1e-9; deg += stepDeg) degs.push(deg);
  return degs;
}

/** Solves a set-up at its angles; an angle at which the foot is out of reach is left out. */
export function affineArc(
  body: Body,
  family: MachineFamily,
  machine: MachineGeometry,
  setUp: Omit<SetUp, "load">,
  degs: readonly number[],
): AffineAngle[] {
  const found: AffineAngle[] = [];
  for (const deg of degs) {
    const angle = solveAngle(body, family, machine, setUp, deg);
    if (angle) found.push(angle);
  }
  return found;
}

function solveAngle(
  body: Body,
  family: MachineFamily,
  machine: MachineGeometry,
  setUp: Omit<SetUp, "load">,
  deg: number,
): AffineAngle | null {
  try {
    const at = (load: number) => family.solve(body, machine, { ...setUp, load }, deg);
    const none = at(0);
    const bare = none.state.joint;
    const loaded = family.load ? at(1) : none;
    const one = loaded.state.joint;
    return {
      deg,
      levers: tissueLevers(deg),
      chain: none.chain,
      bare,
      perUnit: {
        knee: one.kneeMomentNm - bare.kneeMomentNm,
        hip: (one.hipMomentNm ?? 0) - (bare.hipMomentNm ?? 0),
        ankle: one.ankleMomentNm - bare.ankleMomentNm,
        shear: one.externalShearN - bare.externalShearN,
        axial: one.externalAxialN - bare.externalAxialN,
      },
      hipFlexionDeg: bare.hipFlexionDeg,
      hipAvailableDeg: none.state.hipAvailableDeg,
      pelvicTuckDeg: none.state.pelvicTuckDeg,
      heelLifts: none.state.heelLifts,
      isBalanced: none.isBalanced,
      foot: { bare: footOf(none), perUnit: minus(footOf(loaded), footOf(none)) },
    };
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** What the floor or plate gives to the foot of the looked-at leg. */
const footOf = (leg: SolvedLeg): Vector => leg.forces.find((f) => f.segment === "foot")?.forceN ?? NOTHING;

/** Force through the foot at a load, N. */
export const footForceN = (a: AffineAngle, load: number): number =>
  Math.hypot(a.foot.bare.x + load * a.foot.perUnit.x, a.foot.bare.y + load * a.foot.perUnit.y);

/**
 * The same angles with the trunk turned by some degrees: hip bend and rounding follow, the loads on the leg do not,
 * since nothing of them hangs on the trunk of a person who sits or lies against it.
 */
export const withTrunkTurned = (angles: readonly AffineAngle[], moreHipFlexionDeg: number): AffineAngle[] =>
  angles.map((a) => {
    const hipFlexionDeg = a.hipFlexionDeg + moreHipFlexionDeg;
    return {
      ...a,
      bare: { ...a.bare, hipFlexionDeg },
      hipFlexionDeg,
      pelvicTuckDeg: Math.max(0, hipFlexionDeg - a.hipAvailableDeg),
    };
  });

/** Joint loads at a load, kneeling lowering halved per leg as the model has it. */
export function jointAt(a: AffineAngle, load: number): JointLoads {
  const { bare, perUnit } = a;
  return {
    kneeFlexionDeg: bare.kneeFlexionDeg,
    hipFlexionDeg: bare.hipFlexionDeg,
    kneeMomentNm: bare.kneeMomentNm + load * perUnit.knee,
    hipMomentNm: bare.hipMomentNm === null ? null : bare.hipMomentNm + load * perUnit.hip,
    ankleMomentNm: bare.ankleMomentNm + load * perUnit.ankle,
    externalShearN: bare.externalShearN + load * perUnit.shear,
    externalAxialN: bare.externalAxialN + load * perUnit.axial,
  };
}

/** Tissue loads at a load; evaluate coactivation 0 and 0.10 for a limit on forward pull. */
export const tissueAt = (
  a: AffineAngle,
  load: number,
  coactivation = TISSUE_DEFAULTS.coactivation,
): KneeTissueLoads =>
  kneeTissueLoads(jointAt(a, load), { ...TISSUE_DEFAULTS, chain: a.chain, coactivation }, a.levers);
