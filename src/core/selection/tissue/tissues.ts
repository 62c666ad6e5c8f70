import type { Body } from "../../body/segments";
import { legState, tissueOf } from "../../mechanics/legState";
import { sitToStand } from "../../mechanics/postures/dailyTasks";
import { type AffineAngle, tissueAt } from "../setUp/affineArc";

/** What a row's ridge shows. */
export const TISSUE_IDS = ["kneecap", "forward", "backward", "back"] as const;
export type Tissue = (typeof TISSUE_IDS)[number];

/** Below this a pull on the shin counts as none (mechanics rules, preface). */
export const LEAST_PULL_N = 50;
/** A usual chair. */
export const REFERENCE_SEAT_M = 0.46;

/** What rising from a chair does to this body: every tissue load is compared with it. */
export interface ReferenceTask {
  /** kneecap stress; shown only as multiples of it */
  stressMPa: number;
  backwardN: number;
}

/** Null when the chair is too low for the model. Mechanics rules 5.10. */
export function chairRise(body: Body, seatM = REFERENCE_SEAT_M): ReferenceTask | null {
  const rise = sitToStand(body, { seatM });
  if (!rise) return null;
  const tissue = tissueOf(legState(body, rise));
  return { stressMPa: tissue.kneecapStressMPa, backwardN: Math.max(LEAST_PULL_N, -tissue.shinShearN) };
}

/** A forward pull that counts as one reference task: rising from a chair pulls nothing forward [own]. */
const FORWARD_REFERENCE_N = 150;
/** Pelvic tuck is wrong by 10 to 15 degrees, so less than this is no rounding to speak of [own]. */
const TUCK_REFERENCE_DEG = 15;

/**
 * The tissue's load at an angle, in the tissue's unit. Forward pull: with less and with more of the hamstrings'
 * co-contraction, the larger one, as a limit on it asks for; in weight bearing they always work along (corrections K4).
 */
export function tissueLoad(tissue: Tissue, a: AffineAngle, load: number, chair: ReferenceTask): number {
  switch (tissue) {
    case "kneecap":
      return tissueAt(a, load).kneecapStressMPa / chair.stressMPa;
    case "forward":
      return pull(Math.max(...COACTIVATIONS[a.chain].map((c) => tissueAt(a, load, c).shinShearN)));
    case "backward":
      return pull(-tissueAt(a, load).shinShearN);
    case "back":
      return a.pelvicTuckDeg;
  }
}

/** The same as a multiple of the reference task, so that tissues can be ranked by one number. */
export function relativeLoad(tissue: Tissue, value: number, chair: ReferenceTask): number {
  switch (tissue) {
    case "kneecap":
      return value;
    case "forward":
      return value / FORWARD_REFERENCE_N;
    case "backward":
      return value / chair.backwardN;
    case "back":
      return value / TUCK_REFERENCE_DEG;
  }
}

/** Co-contraction of the hamstrings that a limit on forward pull looks at [own]. */
const COACTIVATIONS = { open: [0, 0.1], closed: [0.1, 0.25] } as const;

const pull = (n: number): number => (n < LEAST_PULL_N ? 0 : n);
