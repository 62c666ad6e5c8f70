import { lowerFirst } from "@/core/units/lowerFirst";
import type { Format } from "../../format";

/** What stands in a column of a table that is read in. */
const COLUMNS: Readonly<Record<string, string>> = {
  name: "name of the client",
  machine: "name of the machine",
  birth_year: "year of birth",
  height_cm: "height in cm",
  body_mass: "body mass",
  mass_unit: "unit of mass (kg or lb)",
  sex: "sex for norms",
  side: "side",
  began_on: "day of surgery or onset",
  began_with: "surgery or onset",
  condition: "condition",
  goal: "goal",
  family: "kind of machine",
  place: "where it stands",
  first_kg: "load at the first pin, kg",
  step_kg: "step of a pin, kg",
  plates: "number of pins",
  day: "day",
  what: "what was measured",
  value: "value",
  unit: "unit",
  knee_flexion_deg: "knee flexion in degrees",
  step_cm: "height of the step in cm",
  steps: "number of steps",
  test_name: "name of a test of your own",
  test_unit: "its unit",
  test_better: "up or down: what is better",
  test_error: "its own error",
  way: "how it was moved",
  stands: "whether it stands",
  exercise: "exercise",
  sets: "sets",
  reps: "repetitions",
  worked_s: "seconds of a hold",
  load_kg: "load in kg",
  pain_before: "joint pain before, 0 to 10",
  pain_in: "joint pain in it, 0 to 10",
  pain_after: "joint pain after, 0 to 10",
  pain_morning: "joint pain the next morning, 0 to 10",
};

export const columnWords = (key: string): string => COLUMNS[key] ?? key;

/** Kinds of files that are read in. */
export const FILE_KINDS = {
  client: "a client, Bexlo's JSON",
  clinic: "a whole clinic, zip",
  machines: "machines, Bexlo's JSON",
  fhir: "patients, HL7 FHIR R4 bundle",
  csv_clients: "table of clients, CSV",
  csv_machines: "table of machines, CSV",
  csv_tests: "table of test results, CSV",
  csv_visits: "table of past visits, CSV",
};

interface Cell {
  column: string;
  found: string;
}
interface Bounds {
  least: number;
  most: number;
}

const notSaid = (words: string): string => words || "not said";

/** What is wrong in a file that is read in, and what one should know of it. */
export const exchange = {
  row_twice: "This row's id is there twice. Keep one of them.",
  names_unknown: (m: { table: string }) =>
    `It names a row of “${m.table.replaceAll("_", " ")}” that is not in this file.`,
  machine_new: (m: { name: string }) =>
    `“${m.name}” is not in this clinic's gym: it would be entered as it stands in the file.`,
  condition_brought: (m: { name: string; since: string; phase: string | null; isConfirmed: boolean }) =>
    `${m.name}, since ${m.since}, ${m.phase === null ? "first phase" : `phase “${m.phase}”`}${m.isConfirmed ? "" : ", not confirmed"}`,
  condition_unknown: (m: { words: string }) =>
    `“${notSaid(m.words)}”: the rules know no such condition; limits are written by hand`,
  column_missing: (m: { column: string }) => `${columnWords(m.column)} is missing.`,
  column_number: (m: Cell & Bounds & { unit: string }) =>
    `${columnWords(m.column)} must be a number from ${m.least} to ${m.most} ${m.unit}; “${m.found}” is not.`,
  column_whole: (m: { column: string }) => `${columnWords(m.column)} is a whole number.`,
  column_day: (m: Cell) =>
    `${columnWords(m.column)} must be a day that is past, as 2026-03-02 or 2.3.2026; “${m.found}” is not.`,
  column_one_of: (m: Cell & { of: readonly string[] }, f: Format) =>
    `${columnWords(m.column)} must be one of: ${f.list(m.of)}; “${m.found}” is not.`,
  no_client: "No client in care here has this name and year of birth.",
  two_clients: "Two clients have this name and year of birth: enter it by hand.",
  client_twice: "This client stands in the file twice.",
  client_here: "A client of this name and year of birth is in this clinic already.",
  story_strict:
    "Their story was not in the file: until it is entered the joint counts as easily stirred up, the first phase holds, the warning signs are to be asked, and which kind of a condition it is has to be looked at in Story.",
  unit_must_be: (m: { unit: string; found: string }) => `The unit must be ${m.unit}; “${m.found}” is not.`,
  test_side: "A strength test needs a side.",
  test_angle: "A strength test needs the knee flexion at which it was taken.",
  measure_whole: (m: { name: string }) => `${m.name} is a whole number.`,
  test_step: "Step-downs need the height of the step in `step_cm`.",
  test_steps: "Timed stairs need the number of steps in `steps`.",
  test_own: "A test of your own needs its name, its unit (or none), and “up” or “down” for what is better.",
  measure_side: (m: { name: string }) => `${m.name} needs a side.`,
  not_measured: (m: { what: string }) => `“${m.what}” is nothing that is measured here.`,
  lines_here: (m: { lines: number }, f: Format) =>
    `${f.count(m.lines, "line is", "lines are")} here already and not written again.`,
  trials_unknown:
    "Whether trials agreed is not in such a table: these tests count with the wider error until one is taken here.",
  no_exercise: (m: { found: string }) => `“${m.found}” is no exercise of the library.`,
  reps_missing: "Repetitions are missing; a hold needs its seconds.",
  days_here: (m: { days: number }) =>
    m.days === 1
      ? "1 day has visits here already, and is left as it is."
      : `${m.days} days have visits here already, and are left as they are.`,
  past_visits: "Past visits are shown in Review and count as done; nothing is decided or planned from them.",
  stack_needs:
    "A stack needs its first load, its step and a whole number of pins; leave all three empty for a usual machine.",
  machine_here: "A machine of this name is here already.",
  usual_dimensions:
    "Dimensions of these machines are those of usual ones: measure or calibrate them in Gym before loads are taken from them.",
  no_patient: "There is no patient in this bundle.",
  part_unread: (m: { kind: string }) => `This part of the ${m.kind} cannot be read.`,
  patient_twice: "This patient's id is there twice. Keep one of them.",
  whose_condition: "This condition names a patient who is not in the bundle.",
  whose_observation: "This observation names a patient who is not in the bundle.",
  patient_name: "This patient has no name.",
  patient_born: "This patient has no year of birth that can be.",
  patient_height: "There is no height of this patient between 1.20 and 2.20 m, in m, cm or inches.",
  patient_mass: "There is no body weight of this patient between 25 and 250 kg, in kg or pounds.",
  patient_condition: "There is no condition of this patient: nothing says what the care is about.",
  condition_side: "The condition does not say which side: write left or right as its body site.",
  condition_day: "The condition does not say on which day it began.",
  condition_left: (m: { name: string; words: string }) =>
    `${m.name}: “${m.words || "a condition that is not said"}” stands in the file too and was not taken over; add it in Story if this care is about it.`,
  observations_left: (m: { count: number; name: string }) =>
    `${m.count} observations of ${m.name} are of kinds that are not kept here; they were left out.`,
  test_unit: "A strength test must be in N.m, by UCUM.",
  torque_range: (m: Bounds) => `This torque must lie between ${m.least} and ${m.most} N·m.`,
  test_angle_deg: "A strength test needs the knee flexion at which it was taken, in deg from 0 to 130.",
  test_side_day: "A strength test needs a side and a day that is past.",
  measure_unit: (m: { name: string; unit: string }) => `${m.name} must be in ${m.unit}, by UCUM.`,
  measure_range: (m: Bounds & { name: string; unit: string }) =>
    `${m.name} must lie between ${m.least} and ${m.most} ${m.unit}.`,
  measure_day: (m: { name: string; isSided: boolean }) =>
    `${m.name} needs a day that is past${m.isSided ? " and a side" : ""}.`,
  trace_line: (m: { line: number }) =>
    `Line ${m.line} is not a time and a force. Expected two numbers: seconds, newtons.`,
  trace_units: (m: { line: number; header: string }) =>
    `Line ${m.line} does not say in which units: “${m.header}”. Write time_s,force_N, or name another unit (ms; kg, lb, kN) behind each.`,
  trace_large: "This file is larger than 4 MB; a trace of two minutes is far smaller.",
  trace_empty: "This file holds no samples. Expected two columns: time_s,force_N.",
  trace_wrong: (m: { because: { code: string } }, f: Format) =>
    `This trace cannot be used: ${lowerFirst(f.say(m.because))}`,
};
