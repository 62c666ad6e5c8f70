import { slowerLowerS } from "@/core/sheet/schemes/lastSet";
import type { Tempo } from "@/core/sheet/schemes/repetitionSeconds";
import { type Scheme, setsOf, tempoOf } from "@/core/sheet/schemes/scheme";

const inReserve = (n: number): string => (n === 0 ? "to the last one" : `${n} in reserve`);
const ENDS = { stretched: "stretched", short: "short" } as const;

function secondsWords(t: Tempo): string {
  return [
    t.liftS > 0 ? `lift ${t.liftS} s` : "help on the way up",
    t.topS > 0 ? `stay ${t.topS} s` : "",
    `lower ${t.lowerS} s`,
    t.bottomS > 0 ? `${t.bottomS} s before the next` : "",
  ]
    .filter(Boolean)
    .join(", ");
}

/** The last set where it is done in its own way; empty: it is as the others. */
export function lastSetWords(s: Scheme): string {
  const set = setsOf(s).at(-1);
  if (s.kind !== "straight" || !set?.last) return "";
  switch (set.last) {
    case "lighter":
      return `the last set a fifth lighter, ${set.reps} times`;
    case "slower":
      return `the last set lowered in ${slowerLowerS(s.tempo.lowerS)} s, ${set.reps} times`;
    case "nearer":
      return `the last set ${set.reps} times, ${inReserve(set.reserve ?? 0)}`;
  }
}

/** How it is done, as somebody says it who stands beside it: the seconds each way, what is special, what it should feel. */
export function wayWords(s: Scheme): string {
  const tempo = tempoOf(s);
  const seconds = tempo ? secondsWords(tempo) : "";
  switch (s.kind) {
    case "holds":
      return s.effort.kind === "felt"
        ? `hold it steady at a felt effort of ${s.effort.felt} of 10`
        : `hold it steady, about ${s.effort.percent} % of the most that is held here`;
    case "straight":
      return [`${seconds}, ${inReserve(s.reserve)}`, lastSetWords(s)].filter(Boolean).join("; ");
    case "ramp":
    case "light":
    case "slow":
      return `${seconds}, ${inReserve(s.reserve)}`;
    case "power":
      return `up as fast as it goes, lower it under control in ${tempo?.lowerS} s`;
    case "lowering":
      return `help on the way up, lower it alone in ${s.lowerS} s${tempo ? `, ${tempo.bottomS} s before the next` : ""}`;
    case "two_up_one_down":
      return `up with both legs in ${tempo?.liftS} s, over to one, down on it in ${s.lowerS} s, ${inReserve(s.reserve)}`;
    case "pulses":
      return `${seconds}, then ${s.pulses} short ${s.pulses === 1 ? "pulse" : "pulses"} at the ${ENDS[s.end]} end each time`;
    case "partials":
      return `${seconds}; after the last ${s.partials} short ones at the ${ENDS[s.end]} end, then hold there ${s.holdS} s`;
    case "climb":
      return `${seconds}; a plate more each set, over before fewer than ${s.reserve} would be in reserve`;
    case "accumulated":
      return `count to ${s.total}: stand ${s.restS} s between bouts, end each with ${inReserve(s.reserve)}`;
    case "drop":
      return `${seconds}; ${s.dropPct} % off each time, ${inReserve(s.reserve)}`;
    case "carry":
      return `walk ${s.distanceM} m, no faster than it stays clean`;
    case "stretch":
      return `${s.toleratedS} s at a time, ${s.totalS} s in all, no pain`;
  }
}
