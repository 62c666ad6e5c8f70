import { isAlwaysThere } from "../../selection/fit/exerciseUse";
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

/**
 * What a sheet that was saved is judged by wherever it is looked at again. One of an earlier time may stand on a machine of
 * the clinic: what is decided of it goes on with that.
 */
export const factsOfSheet = <F extends PlainScoreFacts>(
  facts: F,
  sheet: { place: string; lines: readonly { plan: { machineId?: string | null } }[] },
): F =>
  sheet.place === "home" && sheet.lines.every((l) => l.plan.machineId == null) ? factsAtHome(facts) : facts;
