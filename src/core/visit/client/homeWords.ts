import type { KeptLine } from "../../sheet/line/keptLine";
import { loadWords } from "../../sheet/line/loadWords";
import type { Side } from "../../units/fields";
import type { Task } from "../tasks";

const times = (n: number): string => (n === 1 ? "once" : n === 2 ? "twice" : `${n} times`);

/** "3 times 30 seconds, each leg": what a line comes to, in a client's words; every figure is the sheet's own. */
export function lineWords(l: KeptLine, side: Side): string {
  const work = l.sets.filter((s) => s.role === "work");
  const [first] = work;
  if (!first) return "";
  const legs = l.legs === "together" ? "both legs together" : l.legs === "one" ? `${side} leg` : "each leg";
  const set = first.holds
    ? `${first.holds.reps === 1 ? "" : `${first.holds.reps} × `}${Math.round(first.holds.holdS)} seconds`
    : first.reps === null
      ? `${Math.round(first.workS)} seconds`
      : `${first.reps} repetitions`;
  const load = first.how && loadWords({ how: first.how, load: first.loadKg });
  return [`${work.length === 1 ? "" : `${times(work.length)} `}${set}`, legs, load]
    .filter(Boolean)
    .join(", ");
}

/** What is to be done in this one set or hold, large. */
export function taskWords(t: Task): { value: string; under: string } {
  if (t.holdS !== null) return { value: String(Math.round(t.holdS)), under: "seconds" };
  if (t.reps !== null) return { value: String(t.reps), under: t.reps === 1 ? "time" : "times" };
  return { value: String(Math.round(t.workS)), under: "seconds" };
}

/** How hard it should feel, where the plan says. */
export function feltWords(l: KeptLine): string {
  const [first] = l.sets.filter((s) => s.role === "work");
  if (l.feltAim !== null) return `It should feel like ${Math.round(l.feltAim)} of 10.`;
  if (first?.reserve != null && first.reps !== null)
    return `You should be able to do about ${Math.round(first.reserve)} more at the end.`;
  return "";
}
