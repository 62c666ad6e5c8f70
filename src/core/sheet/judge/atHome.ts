import { isAlwaysThere } from "../../selection/fit/exerciseUse";
import type { KeptLine } from "../line/keptLine";
import type { JudgedLine } from "./judgeScore";
import type { PlainScoreFacts } from "./scoreContextOf";

/** The same facts for a sheet that is done at home: what stands in the clinic is not there. */
export const factsAtHome = <F extends PlainScoreFacts>(facts: F): F => ({
  ...facts,
  choose: {
    ...facts.choose,
    machines: facts.choose.machines.filter((m) => isAlwaysThere(m.family)),
    isAtHome: true,
  },
});

/** A line as it is done at home: hands or a strap hold against the shin, and nobody there reads how many kilograms. */
export function keptAtHome(kept: KeptLine, j: JudgedLine): KeptLine {
  if (!j.load?.setUp?.chosen.family.isHeldByHand) return kept;
  return {
    ...kept,
    sets: kept.sets.map((s) => ({ ...s, loadKg: null, how: null })),
    lighter: [],
    aimForceN: null,
  };
}
