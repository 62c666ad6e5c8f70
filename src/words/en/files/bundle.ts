import type { PainfulMove } from "@/core/strength/painfulArc";
import type { PainRegion } from "@/core/units/painRegion";
import type { Format } from "../../format";
import { MOVE_WORDS } from "../plan/painfulArc";
import { PAIN_REGIONS } from "../story";

/** Display texts of a bundle: what a system without our codes shows of a resource. */
export const bundle = {
  strength: (m: { name: string }) => `Isometric strength, ${m.name}`,
  test_angle: "Knee flexion of the test",
  lever_arm: "Lever arm",
  body_mass: "Body mass on the day",
  trials_agree: "Two trials agreed",
  force_found: (m: { sources: readonly string[] }, f: Format) =>
    `${f.list(m.sources.map((s) => SOURCES[s] ?? s))}; best of valid trials`,
  motion: (m: { way: string }) => `${m.way} motion`,
  moved: (m: { moved: PainfulMove }) => MOVE_WORDS[m.moved],
  painful_arc: (m: { part: "from" | "to" | "load" }) =>
    ({
      from: "Knee flexion where it begins to hurt",
      to: "Knee flexion where it ends to hurt",
      load: "Load added",
    })[m.part],
  beside: (m: { part: "step-height" | "steps" }) =>
    ({ "step-height": "Height of the step", steps: "Number of steps" })[m.part],
  morning_pain: "Pain severity, 0 to 10, the morning after",
  swelling: "Swelling grade, 0 to 4",
  pain_in_region: (m: { region: PainRegion }) => `Pain that morning: ${PAIN_REGIONS[m.region]}`,
  besides: (m: { what: string }) => `Beside the visit: ${m.what}, how hard`,
  stiffness: "Stiffness in the morning",
  signs: (m: { signs: { code: string } }, f: Format) => `Warning signs: ${f.say(m.signs)}`,
  vital_signs: "Vital Signs",
  body_weight: "Body weight",
  body_height: "Body height",
  not_said: "not said",
  visit: "Exercise visit",
  visit_pain: (m: { before: number; after: number | null }) =>
    `Joint pain ${m.before} before, ${m.after ?? "–"} after (of 10).`,
  dose: (m: Dose, f: Format) =>
    f.list([
      `${m.sets} × ${workOf(m, f)}`,
      ...(m.how === null ? [] : [f.say(m.how)]),
      `joint pain at most ${m.painMax} of 10`,
    ]),
  sign: "Warning sign",
  sign_answered: (m: { question: string; answer: string }) => `${m.question} Answered: ${m.answer}.`,
  sign_unnamed: "Found before a visit.",
};

const SOURCES: Readonly<Record<string, string>> = {
  load_cell: "load cell",
  file: "force trace from a file",
  typed: "force read off and entered",
};

interface Dose {
  sets: number;
  holds: { reps: number; holdS: number } | null;
  reps: number | null;
  workS: number;
  fromDeg: number | null;
  toDeg: number | null;
  how: string | null;
  painMax: number;
}

function workOf(m: Dose, f: Format): string {
  const at = m.fromDeg === null ? "" : ` at ${m.fromDeg}°`;
  if (m.holds) return `${m.holds.reps} holds of ${f.number(m.holds.holdS)} s${at}`;
  if (m.reps === null) return `${f.number(m.workS)} s`;
  return `${m.reps} repetitions${m.fromDeg === null ? "" : ` from ${m.fromDeg} to ${m.toDeg}°`}`;
}
