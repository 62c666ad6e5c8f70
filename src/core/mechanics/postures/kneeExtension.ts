import type { Body } from "../../body/segments";
import { GRAVITY_M_S2 } from "../../units/mass";
import type { ExternalForce, JointLoads } from "../inverseDynamics";
import { type KneeTissueLoads, TISSUE_DEFAULTS } from "../kneeTissueLoads";
import { type LegConfiguration, legState, tissueOf } from "../legState";
import { type LeverGeometry, leverTorqueNm } from "../lever";
import { length, minus, times, unit, vector } from "../vector";

/** One source of resistance at the shin; several add up. */
export type ShinResistance =
  | {
      kind: "lever";
      geometry: LeverGeometry;
      loadKg: number;
      phase?: -1 | 0 | 1;
      share?: number;
      padDistanceM?: number;
    }
  | { kind: "torque"; torqueNm: number; padDistanceM?: number }
  | { kind: "cuff"; massKg: number; distanceM?: number }
  | {
      kind: "band";
      /** anchor relative to the knee, m */
      anchor: { x: number; y: number };
      stiffnessNPerM: number;
      restLengthM: number;
      distanceM?: number;
    };

export interface KneeExtensionSettings {
  /** thigh above the horizontal, degrees */
  thighDeg?: number;
  backrestDeg?: number;
  resistance: readonly ShinResistance[];
}

export interface KneeExtensionResult {
  joint: JointLoads;
  tissue: KneeTissueLoads;
  /** force of the pad on the shin, N */
  padForceN: number;
}

/** Where the pad sits unless it was measured: 0.85 of the shank. */
export const defaultPadDistanceM = (body: Body): number => 0.85 * body.shankLengthM;
/** Where a cuff hangs: 0.95 of the shank. */
export const cuffDistanceM = (body: Body): number => 0.95 * body.shankLengthM;

/** How the leg sits and what pulls on its shin. Source: mechanics rules 5.1. */
export function kneeExtensionConfiguration(
  body: Body,
  kneeFlexionDeg: number,
  settings: KneeExtensionSettings,
): LegConfiguration {
  const thighDeg = settings.thighDeg ?? 0;
  const shankDeg = thighDeg - kneeFlexionDeg;
  return {
    posture: { thighDeg, shankDeg, trunkDeg: settings.backrestDeg ?? 105, thighSupported: true },
    footDeg: null,
    forces: settings.resistance.map((r) => forceOf(body, shankDeg, kneeFlexionDeg, r)),
    chain: "open",
  };
}

/** Seated knee extension at one angle, held still or moved slowly. Source: mechanics rules 5.1. */
export function kneeExtension(
  body: Body,
  kneeFlexionDeg: number,
  settings: KneeExtensionSettings,
  coactivation = TISSUE_DEFAULTS.coactivation,
): KneeExtensionResult {
  const c = kneeExtensionConfiguration(body, kneeFlexionDeg, settings);
  const state = legState(body, c, coactivation);
  const padForceN = settings.resistance.reduce((sum, r) => sum + padForceOf(body, kneeFlexionDeg, r), 0);
  return { joint: state.joint, tissue: tissueOf(state), padForceN };
}

function padForceOf(body: Body, kneeFlexionDeg: number, r: ShinResistance): number {
  if (r.kind !== "lever" && r.kind !== "torque") return 0;
  const torqueNm =
    r.kind === "torque"
      ? r.torqueNm
      : leverTorqueNm(r.geometry, r.loadKg, kneeFlexionDeg, r.phase ?? 0, r.share ?? 1);
  return torqueNm / (r.padDistanceM ?? defaultPadDistanceM(body));
}

function forceOf(body: Body, shankDeg: number, kneeFlexionDeg: number, r: ShinResistance): ExternalForce {
  const distal = unit(shankDeg);
  const anterior = vector(-distal.y, distal.x);
  switch (r.kind) {
    case "lever":
    case "torque":
      return {
        segment: "shank",
        atM: times(distal, r.padDistanceM ?? defaultPadDistanceM(body)),
        forceN: times(anterior, -padForceOf(body, kneeFlexionDeg, r)),
      };
    case "cuff":
      return {
        segment: "shank",
        atM: times(distal, r.distanceM ?? cuffDistanceM(body)),
        forceN: vector(0, -r.massKg * GRAVITY_M_S2),
      };
    case "band": {
      const atM = times(distal, r.distanceM ?? cuffDistanceM(body));
      const toAnchor = minus(r.anchor, atM);
      const len = length(toAnchor);
      const tensionN = r.stiffnessNPerM * Math.max(0, len - r.restLengthM);
      return { segment: "shank", atM, forceN: times(toAnchor, len > 0 ? tensionN / len : 0) };
    }
  }
}
