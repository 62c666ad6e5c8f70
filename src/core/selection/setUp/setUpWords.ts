import { nearestNotch, notchesOf } from "../../equipment/machine";
import type { ComputedSetUp } from "./row";

/** What to set on a machine, in words, each with its notch. */
export function setUpWords(setUp: ComputedSetUp): { key: string; name: string; value: string }[] {
  const { family, machine } = setUp.chosen;
  return family.settings.flatMap((spec) => {
    const value = setUp.settings[spec.key];
    return value === undefined
      ? []
      : [{ key: spec.key, name: spec.name, value: nearestNotch(notchesOf(machine, spec), value).label }];
  });
}
