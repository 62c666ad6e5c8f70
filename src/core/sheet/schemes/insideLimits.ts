import { type InForce, leastOf, mostOf } from "../../bounds/inForce";
import { type Scheme, scheme } from "./scheme";

/**
 * A scheme as an editor starts it, brought down to what today's limits leave: seconds and effort of holds, repetitions in
 * reserve. It is only ever made lighter; where the scheme has no such number it stays as it starts, and is barred.
 */
export function insideLimits<S extends Scheme>(start: S, limits: InForce): S {
  const lighter = lightened(start, limits);
  return scheme.safeParse(lighter).success ? lighter : start;
}

function lightened<S extends Scheme>(s: S, limits: InForce): S {
  if (s.kind === "holds") {
    const effort =
      s.effort.kind === "felt"
        ? { kind: "felt", felt: Math.min(s.effort.felt, mostOf(limits, "felt_effort")) }
        : { kind: "percent", percent: Math.min(s.effort.percent, mostOf(limits, "hold_effort")) };
    return { ...s, holdS: Math.min(s.holdS, mostOf(limits, "hold_seconds")), effort };
  }
  return "reserve" in s ? { ...s, reserve: Math.max(s.reserve, leastOf(limits, "reserve")) } : s;
}
