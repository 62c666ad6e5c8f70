import type { Body } from "../../body/segments";
import { geometryOf, notchesOf } from "../../equipment/machine";
import { KeptFor } from "../../units/keptFor";
import type { AllowedArc } from "../fit/allowedArc";
import type { ChosenMachine } from "./machineFor";

/** Settings whose notches only cut the arc: geometry need not be solved again for them (mechanics rules 10). */
export const STOPS: ReadonlySet<string> = new Set(["seatGapM", "startDeg", "endDeg", "depthDeg", "benchM"]);

/** Settings that only turn the trunk: hip bend and pelvis follow, the loads at the knee do not. */
export const TRUNK: ReadonlySet<string> = new Set(["backToRailDeg", "backrestDeg"]);

/** How a person pushes or stands, and pads that change no moment: not for a search to turn. */
export const NOT_SEARCHED: ReadonlySet<string> = new Set([
  "pressure",
  "leanDeg",
  "onLegPct",
  "trunk",
  "stepping",
  "padM",
  "padAboveM",
]);

const fittedStops = new KeptFor<Record<string, number>>();

/**
 * Stops at the notches that let the allowed arc through and not more, so that the machine itself keeps the limit: the
 * widest notch inside the arc, the usual one where none is. Settings in `fixed` were chosen by hand and stay.
 */
export function fitStops(
  body: Body,
  chosen: ChosenMachine,
  settings: Record<string, number>,
  arc: Pick<AllowedArc, "fromDeg" | "toDeg">,
  fixed: Readonly<Record<string, number>> = {},
): Record<string, number> {
  const key = JSON.stringify([chosen.family.id, settings, arc.fromDeg, arc.toDeg, Object.keys(fixed)]);
  return fittedStops.get(body, chosen.machine, key, () => stopsFor(body, chosen, settings, arc, fixed));
}

function stopsFor(
  body: Body,
  chosen: ChosenMachine,
  settings: Record<string, number>,
  arc: Pick<AllowedArc, "fromDeg" | "toDeg">,
  fixed: Readonly<Record<string, number>>,
): Record<string, number> {
  const geometry = geometryOf(chosen.machine);
  let fitted = settings;
  for (const spec of chosen.family.settings) {
    if (!STOPS.has(spec.key) || fixed[spec.key] !== undefined) continue;
    let best: { value: number; slack: number } | null = null;
    for (const { value } of notchesOf(chosen.machine, spec)) {
      const ends = chosen.family.ends(body, geometry, { ...fitted, [spec.key]: value });
      const own = ends.find((e) => e.setting === spec.key);
      if (!own) continue;
      const slack = own.end === "bent" ? arc.toDeg - own.deg : own.deg - arc.fromDeg;
      if (slack >= 0 && (best === null || slack < best.slack)) best = { value, slack };
    }
    if (best) fitted = { ...fitted, [spec.key]: best.value };
  }
  return fitted;
}
