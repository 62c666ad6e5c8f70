import type { LineChange } from "@/core/decision/lineChange";
import { kgWords, massLabel } from "@/core/units/mass";
import { upperFirst } from "@/core/units/upperFirst";
import { sayPlainly } from "../say";
import { HELP } from "./plan/setUp";

/** What changes of a line, in one sentence. */
export function changeWords(c: LineChange): string {
  switch (c.code) {
    case "stop":
      return "Stop this; refer. A therapist plans it anew.";
    case "same":
      return "The same again.";
    case "cue":
      return "The same again, with the cue before each set.";
    case "set_up":
      return "The same again, set up in another way: foot place, seat or pad.";
    case "full":
      return "The same again: reach all of it first.";
    case "at_goal":
      return "The goal is reached: keep it once or twice a week, or set a new goal.";
    case "at_least":
      return "Already the least there is: look at the whole plan with the client.";
    case "harder_form":
      return `Nothing more of this line is left to take: ${c.name ? `take ${c.name} next` : "take a harder form, an add-on plate or another machine"}.`;
    case "barred":
      return `The same again: the next step is not open, because ${sayPlainly(c.because)}.`;
    case "lowering":
      return `Lower in ${c.to} s instead of ${c.from} s.`;
    case "height":
      return `${c.to} cm high instead of ${c.from} cm.`;
    case "help":
      return `${upperFirst(HELP[c.to])} instead of ${HELP[c.from]}.`;
    case "pause":
      return `Stay ${c.to} s at the end of each lift instead of ${c.from} s.`;
    case "rung":
      return `Hold at ${c.to}° instead of ${c.from}°.`;
    case "seconds":
      return `Hold ${c.to} s instead of ${c.from} s.`;
    case "holds":
      return `${c.to} ${c.to === 1 ? "hold" : "holds"} instead of ${c.from}.`;
    case "felt":
      return `Felt effort ${c.to} instead of ${c.from}.`;
    case "percent":
      return `${c.to} % of maximum instead of ${c.from} %.`;
    case "reps":
      return `${c.to} repetitions instead of ${c.from}.`;
    case "reps_first":
      return `${c.to} repetitions instead of ${c.from}: the next step, ${c.nextHow}, asks for ${c.needed} first.`;
    case "load":
      return `${loadWords(c)}${c.isHelp ? (c.isUp ? ", less help" : ", more help") : ""}${repsWords(c)}.`;
    case "range":
      return `Down to ${c.toDeg}° only, instead of ${c.fromDeg}°.`;
    case "sets":
      return `${c.to} ${c.to === 1 ? "set" : "sets"} instead of ${c.from}.`;
    case "tolerated":
      return `${c.to} s at a time instead of ${c.from} s.`;
    case "distance":
      return `${c.to} m instead of ${c.from} m.`;
    case "carried":
      return `${kgWords(c.to)} carried instead of ${kgWords(c.from)}.`;
  }
}

/** Kilograms first, and where they are set; what was decided before they were kept says only that. */
function loadWords({ fromHow, toHow, fromKg, toKg }: Extract<LineChange, { code: "load" }>): string {
  if (fromKg === undefined || toKg === undefined) return `${toHow} instead of ${fromHow}`;
  const kg = `${kgWords(toKg)} instead of ${kgWords(fromKg)}`;
  return toHow === massLabel(toKg) ? kg : `${kg} (${toHow})`;
}

/** Repetitions before and after; what was decided before both were kept says one of them. */
function repsWords(c: Extract<LineChange, { code: "load" }>): string {
  if (c.reps === null) return "";
  return c.fromReps == null || c.fromReps === c.reps
    ? `, ${c.reps} repetitions`
    : `, ${c.reps} repetitions instead of ${c.fromReps}`;
}

export const changesWords = (changes: readonly LineChange[]): string => changes.map(changeWords).join(" ");
