import type { LineChange } from "@/core/decision/nextLine";
import { kgWords } from "@/core/units/mass";

/** What changes of a line, in one sentence. */
export function changeWords(c: LineChange): string {
  switch (c.code) {
    case "stop":
      return "Stop this; refer. A therapist plans it anew.";
    case "same":
      return "The same again.";
    case "full":
      return "The same again: reach all of it first.";
    case "at_goal":
      return "The goal is reached: keep it once or twice a week, or set a new goal.";
    case "at_least":
      return "Already the least there is: look at the whole plan with the client.";
    case "harder_form":
      return "The next real step is too far: take a harder form, an add-on plate or another machine.";
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
      return `${c.to} repetitions instead of ${c.from}${atWords(c.atHow)}.`;
    case "reps_first":
      return `${c.to} repetitions instead of ${c.from}: the next step, ${c.nextHow}, asks for ${c.needed} first${atWords(c.atHow)}.`;
    case "load":
      return `${c.toHow} instead of ${c.fromHow}${c.isHelp ? (c.isUp ? ", less help" : ", more help") : ""}${c.reps === null ? "" : `, from ${c.reps} repetitions again`}.`;
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

/** The load that the repetitions are done with: the same, or the one that they ask for. */
function atWords(at: { from: string; to: string } | null | undefined): string {
  if (!at) return "";
  return at.from === at.to ? `, same load, ${at.to}` : `, at ${at.to} instead of ${at.from}`;
}

export const changesWords = (changes: readonly LineChange[]): string => changes.map(changeWords).join(" ");
