import { z } from "zod";
import type { Cam } from "../mechanics/camCurve";
import { numberField, uuid } from "../units/fields";
import { InputError } from "../units/inputError";
import { GRAVITY_M_S2 } from "../units/mass";

/** One reading: the load cell between lever and a fixed point, square to the lever, at an angle and a pin. */
export const reading = z.object({
  kneeFlexionDeg: numberField("angle_read", "deg", 0, 130),
  loadKg: numberField("load_read", "kg", 0, 500),
  forceN: numberField("force_read", "N", 1, 5000),
  leverM: numberField("cell_lever", "m", 0.05, 1.2),
});
export type CalibrationReading = z.infer<typeof reading>;

export const calibrationInput = z.object({
  id: uuid,
  baseVersion: z.number().int().min(0),
  readings: z
    .array(reading)
    .min(4, { error: "input.few_readings" })
    .max(60, { error: "input.many_readings" }),
});
export type CalibrationInput = z.infer<typeof calibrationInput>;

export interface Calibration {
  /** torque per newton of stack weight, mean over the measured angles, m */
  ratioM: number;
  /** weight that lever and carriage add by themselves, as stack, kg */
  startLoadKg: number;
  /** factor on the ratio by angle; flat where only one angle was measured */
  cam: Cam;
  /** measured minus fitted torque of each reading, in their order, N·m */
  residualsNm: number[];
  rmsNm: number;
  /** the largest residual as percent of the reading */
  worstPct: number;
}

/** A press may give three newtons at the plate for one of the stack; levers stay below one metre [own]. */
const MOST_RATIO = 3.5;

/** Start loads outside are no machine [own]. */
const START_RANGE_KG = [-10, 40] as const;

/**
 * True ratio, start load and curve of a lever from readings: torque = g · ratio · cam(angle) · (load + start load). For
 * a start load each angle's factor is a linear least-squares fit; the start load itself is found by golden section,
 * and is zero where every reading was at one and the same load.
 * Throws InputError when the readings cannot tell ratio and start load apart.
 */
export function calibrate(readings: readonly CalibrationReading[]): Calibration {
  const angles = [...new Set(readings.map((r) => r.kneeFlexionDeg))].sort((a, b) => a - b);
  const loads = new Set(readings.map((r) => r.loadKg));
  if (loads.size === 1 && loads.has(0)) throw new InputError("readings", { code: "input.unloaded_readings" });
  const torque = readings.map((r) => r.forceN * r.leverM);
  const factorsAt = (startKg: number) =>
    angles.map((deg) => {
      let over = 0;
      let under = 0;
      for (const [i, r] of readings.entries()) {
        if (r.kneeFlexionDeg !== deg) continue;
        const weightN = (r.loadKg + startKg) * GRAVITY_M_S2;
        over += (torque[i] as number) * weightN;
        under += weightN * weightN;
      }
      return under > 0 ? over / under : 0;
    });
  const residuals = (startKg: number) => {
    const factors = factorsAt(startKg);
    return readings.map(
      (r, i) =>
        (torque[i] as number) -
        (factors[angles.indexOf(r.kneeFlexionDeg)] as number) * (r.loadKg + startKg) * GRAVITY_M_S2,
    );
  };
  const cost = (startKg: number) => residuals(startKg).reduce((sum, x) => sum + x * x, 0);
  const twoLoads = angles.some(
    (deg) => new Set(readings.filter((r) => r.kneeFlexionDeg === deg).map((r) => r.loadKg)).size > 1,
  );
  const startLoadKg = twoLoads
    ? goldenSection(cost, Math.max(START_RANGE_KG[0], 0.1 - Math.min(...loads)), START_RANGE_KG[1])
    : 0;
  const factors = factorsAt(startLoadKg);
  const ratioM = factors.reduce((sum, f) => sum + f, 0) / factors.length;
  if (!(ratioM > 0.02 && ratioM < MOST_RATIO)) throw new InputError("readings", { code: "input.no_lever" });
  const residualsNm = residuals(startLoadKg);
  return {
    ratioM,
    startLoadKg,
    cam:
      angles.length < 2
        ? "flat"
        : angles.map((deg, i) => [deg, (factors[i] as number) / ratioM] as [number, number]),
    residualsNm,
    rmsNm: Math.sqrt(residualsNm.reduce((sum, x) => sum + x * x, 0) / residualsNm.length),
    worstPct: Math.max(...residualsNm.map((x, i) => (Math.abs(x) / (torque[i] as number)) * 100)),
  };
}

/** The lowest point of a function with one valley. */
function goldenSection(f: (x: number) => number, from: number, to: number): number {
  const share = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [from, to];
  let [x1, x2] = [b - share * (b - a), a + share * (b - a)];
  let [f1, f2] = [f(x1), f(x2)];
  for (let i = 0; i < 60; i++) {
    if (f1 < f2) {
      [b, x2, f2] = [x2, x1, f1];
      x1 = b - share * (b - a);
      f1 = f(x1);
    } else {
      [a, x1, f1] = [x1, x2, f2];
      x2 = a + share * (b - a);
      f2 = f(x2);
    }
  }
  return (a + b) / 2;
}
