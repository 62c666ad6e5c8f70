import type { FieldName, FieldUnit } from "@/core/units/fields";

/** A field in a code of what is wrong with it. */
export interface Named {
  field: FieldName;
  unit?: FieldUnit;
}

/** What is entered, with the likely slip where there is one. */
const FIELDS: Readonly<Record<FieldName, string | readonly [string, string]>> = {
  knee_flexion: ["Knee flexion", "0° is straight."],
  accumulated_total: ["The total", "24 is usual, 16 for beginners."],
  arc_from: ["Where it begins to hurt", "0° is straight."],
  arc_to: ["Where it ends to hurt", "0° is straight."],
  body_mass: "Body mass",
  height: ["Height", "Enter metres, for example 1.72."],
  lever_arm: ["Lever arm", "Measure from the joint line to the pad in centimetres."],
  pull_angle: ["Pull angle", "90° is a pull at right angles to the shin."],
  force: "Force",
  angle_read: ["The angle", "0° is straight."],
  load_read: "The load",
  force_read: "The force",
  cell_lever: ["The lever arm", "From the machine's axis to the cell."],
  steps: "The number of steps",
  standing_rest: "A standing rest",
  carried_load: "Carried load",
  distance: "Distance",
  plate: "A plate",
  percent: "The share of one lift",
  seat_height: "The height of what is sat or knelt on, in centimetres,",
  drop: "A drop",
  drops: "Drops",
  felt_effort: "Felt effort",
  percent_of_maximum: "Percent of maximum",
  hold: "A hold",
  holds: "Holds",
  fewest_reps: "The fewest repetitions",
  most_reps: "The most repetitions",
  closing_hold: "The closing hold",
  partials: "Partials",
  pulses: "Pulses",
  stretch: "A stretch",
  one_hold: "One hold",
  activity: "The activity",
  activity_hard: "How hard it is",
  activity_minutes: "Minutes of it",
  marker_dose: "How much of it",
  bed_days: "Days in bed, ill or in a brace",
  rest: "Rest",
  sets: "Sets",
  reps: "Repetitions",
  reserve: "Repetitions in reserve",
  lifting: "Lifting",
  top_hold: "The top hold",
  lowering: "Lowering",
  bottom: "The bottom",
  load: "Load",
  shank_length: ["Shank length", "Knee joint line to the outer ankle."],
  total_held: "Total held",
  time: "Time",
  goal: "The goal",
  problem_name: "The name of the problem",
  procedure: "The procedure",
  surgeon_note: "The surgeon's note",
  name: "The name",
  occupation: "The occupation",
  reason: "The reason",
  addressee: "Whom it is to",
  question: "The question",
  address: "The address",
  contact: "How the clinic is reached",
  needs: "What it needs",
  set_up_checks: "Set-up checks",
  cues: "Cues",
  stop_signs: "Stop signs",
  mistakes: "Mistakes",
  days_a_week: "Days a week",
  keep_days: "Days a week of keeping",
  upper_reading: "Upper",
  lower_reading: "Lower",
};

const UNITS: Readonly<Record<FieldUnit, string>> = {
  deg: "degrees",
  kg: "kg",
  m: "m",
  N: "N",
  s: "seconds",
  min: "minutes",
  pct: "%",
};

const entry = (m: Named) => {
  const words = FIELDS[m.field];
  return typeof words === "string" ? [words] : words;
};
export const unitOf = (m: Named): string => (m.unit ? UNITS[m.unit] : "");
export const fieldName = (m: Named): string => entry(m)[0] ?? "";
export const fieldHint = (m: Named): string => (entry(m)[1] ? ` ${entry(m)[1]}` : "");
