import { notchesOf } from "../../equipment/machine";
import type { Exercise } from "../../rules/exercises";
import { GRAVITY_M_S2 } from "../../units/mass";
import { type Said, saidWith } from "../../units/said";
import { type AffineAngle, footForceN } from "../setUp/affineArc";
import type { LoadContext } from "../setUp/loadContext";
import type { ChosenMachine } from "../setUp/machineFor";
import { solvedBetween } from "../setUp/solveSetUp";
import { ROUNDED_DEG } from "../setUp/station";
import { TRUNK } from "../setUp/stops";
import type { AllowedArc } from "./allowedArc";
import type { ExerciseUse } from "./exerciseUse";

/** Rounding is said with so much of the body's weight on the leg (corrections K7). */
const LOADED_BODY_WEIGHTS = 0.25;

/**
 * Rounding of the low back under load where it is not barred: said with what cures it, a flatter back by so many notches,
 * lower feet, or an earlier stop. With a back problem at any load. Corrections K7.
 */
export function backCautions(
  e: Exercise,
  use: ExerciseUse,
  chosen: ChosenMachine,
  ctx: Pick<LoadContext, "body" | "limits" | "hasBackProblem">,
  at: {
    settings: Record<string, number>;
    load: number;
    angles: readonly AffineAngle[];
    arc: AllowedArc;
  },
): Said[] {
  const leastN = ctx.hasBackProblem ? 0 : LOADED_BODY_WEIGHTS * ctx.body.massKg * GRAVITY_M_S2;
  const isRound = (a: AffineAngle): boolean =>
    a.pelvicTuckDeg > ROUNDED_DEG && a.chain === "closed" && footForceN(a, at.load) > leastN;
  const inArc = (a: AffineAngle): boolean => a.deg >= at.arc.fromDeg && a.deg <= at.arc.toDeg;
  const round = at.angles.filter((a) => inArc(a) && isRound(a));
  if (round.length === 0) return [];
  const most = Math.max(...round.map((a) => a.pelvicTuckDeg));
  const firstDeg = Math.min(...round.map((a) => a.deg));
  const deepestDeg = Math.max(...round.map((a) => a.deg));
  const isFlat = (settings: Record<string, number>, fromDeg: number): boolean => {
    const angles = solvedBetween(e, use, chosen, ctx.body, settings, { fromDeg, toDeg: deepestDeg });
    return angles.length > 0 && !angles.some(isRound);
  };
  // it begins in the deepest bend: what still rounds there is no cure, and what does not is looked at where it rounds now
  const isCured = (settings: Record<string, number>): boolean =>
    isFlat(settings, deepestDeg) && isFlat(settings, firstDeg);
  const cures: Said[] = [];
  const back = chosen.family.settings.find((s) => TRUNK.has(s.key));
  if (back) {
    const flatter = notchesOf(chosen.machine, back).filter(
      (n) => n.value > (at.settings[back.key] ?? back.usual),
    );
    const notches = flatter.findIndex((n) => isCured({ ...at.settings, [back.key]: n.value })) + 1;
    if (notches > 0) cures.push(saidWith("setUp.recline_by", { notches }));
  }
  const feet = chosen.family.settings.find((s) => s.key === "footM");
  if (feet) {
    const lower = notchesOf(chosen.machine, feet)
      .filter((n) => n.value < (at.settings.footM ?? feet.usual))
      .reverse();
    if (lower.some((n) => isCured({ ...at.settings, footM: n.value })))
      cures.push({ code: "setUp.feet_lower" });
  }
  cures.push(saidWith("setUp.stop_before", { deg: Math.floor(firstDeg) }));
  return [saidWith("setUp.back_rounds", { deg: Math.round(most / 5) * 5, cures })];
}
