import texts from "./text/en.json";

/** An elastic band as it is used here: the part between anchor and limb. */
export interface Band {
  name: string;
  /** rise of force per metre of stretch, N/m */
  stiffnessNPerM: number;
  /** length of the part that is stretched, unloaded, m */
  restLengthM: number;
}

/**
 * Usual bands by feel, half a metre of each in use [own, estimated]: a clinic's own differ by a third and more, and bands
 * soften with age. Force = stiffness · stretch (mechanics rules 5.1).
 */
export const USUAL_BANDS: readonly Band[] = [
  { name: texts.labels.thin, stiffnessNPerM: 100, restLengthM: 0.5 },
  { name: texts.labels.middle, stiffnessNPerM: 200, restLengthM: 0.5 },
  { name: texts.labels.thick, stiffnessNPerM: 400, restLengthM: 0.5 },
];

/** Beyond its own length again a band is no spring any more and may tear [own]. */
const MOST_STRETCH = 1;
/** Less than this cannot be set by eye. */
const LEAST_STRETCH_M = 0.05;

/** The thinnest band that gives a force inside its stretch, stretched in whole centimetres, never more force than asked. */
export function bandFor(
  forceN: number,
  bands: readonly Band[] = USUAL_BANDS,
): { band: Band; stretchM: number; forceN: number } | null {
  for (const band of bands) {
    const stretchM = Math.floor((forceN / band.stiffnessNPerM) * 100 + 1e-9) / 100;
    if (stretchM < LEAST_STRETCH_M) return null;
    if (stretchM <= MOST_STRETCH * band.restLengthM)
      return { band, stretchM, forceN: stretchM * band.stiffnessNPerM };
  }
  return null;
}
