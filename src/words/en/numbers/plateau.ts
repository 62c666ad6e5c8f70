import type { Plateau, PlateauBecause } from "@/core/capacity/plateau";
import type { Direction } from "@/core/selection/setUp/strengthKnown";

export const PLATEAU_MUSCLE: Record<Direction, string> = {
  extension: "The front of the thigh",
  flexion: "The back of the thigh",
};

/** What fits a plateau, as something to do. */
export const PLATEAU_FITS: Record<PlateauBecause, string> = {
  held: "pain or swelling held it back: settle that first",
  few_sets: "fewer sets than the phase asks: a set or a day more",
  light: "far more was left than aimed at: the load follows what is known",
  other_exercise: "another exercise for it, or another range",
};

/** A plateau in one sentence, with what fits. Rule P5. */
export const plateauWords = (p: Plateau & { direction: Direction }): string =>
  `${PLATEAU_MUSCLE[p.direction]} ${p.toNm < p.fromNm * (1 - p.doubt) ? "has lost strength" : "stands still"}: ${Math.round(p.fromNm)} N·m four weeks ago, ${Math.round(p.toNm)} now, known to about ± ${Math.round(p.doubt * 100)} %. What fits: ${p.because.map((b) => PLATEAU_FITS[b]).join("; ")}.`;
