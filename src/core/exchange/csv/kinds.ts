import type { CsvField } from "./fields";

export const CSV_KINDS = ["csv_clients", "csv_machines", "csv_tests", "csv_visits"] as const;
export type CsvKind = (typeof CSV_KINDS)[number];

const field = (key: string, name: string, isNeeded: boolean, ...also: string[]): CsvField => ({
  key,
  name,
  isNeeded,
  also,
});

const WHO = [
  field("name", "name of the client", true, "client", "client name", "patient"),
  field("birth_year", "year of birth", true, "born", "birth", "yob"),
];

/** In a table of our own: no, where it was taken back or corrected. */
const STANDS = field("stands", "whether it stands", false);

/** The tables that can be read in, and the columns of each. docs/formats.md lists them. */
export const CSV_FIELDS: Readonly<Record<CsvKind, readonly CsvField[]>> = {
  csv_clients: [
    ...WHO,
    field("height_cm", "height in cm", true, "height", "height cm"),
    field("body_mass", "body mass", true, "mass", "weight", "body mass kg", "weight kg"),
    field("mass_unit", "unit of mass (kg or lb)", false, "unit"),
    field("sex", "sex for norms", false, "norm sex", "gender"),
    field("side", "side", true, "leg"),
    field("began_on", "day of surgery or onset", true, "onset", "surgery date", "date of onset", "began"),
    field("began_with", "surgery or onset", true, "began with", "start"),
    field("condition", "condition", false, "diagnosis", "problem"),
    field("goal", "goal", false, "goals"),
  ],
  csv_machines: [
    field("name", "name of the machine", true, "machine"),
    field("family", "kind of machine", true, "kind", "type"),
    field("place", "where it stands", false, "room"),
    field("first_kg", "load at the first pin, kg", false, "first"),
    field("step_kg", "step of a pin, kg", false, "step"),
    field("plates", "number of pins", false, "pins"),
  ],
  csv_tests: [
    ...WHO,
    field("day", "day", true, "date", "taken on", "taken at"),
    field("what", "what was measured", true, "test", "measure", "kind", "movement"),
    field("side", "side", false, "leg"),
    field("value", "value", true, "result", "torque", "torque nm"),
    field("unit", "unit", true, "units"),
    field("knee_flexion_deg", "knee flexion in degrees", false, "angle", "knee angle", "angle deg"),
    field("way", "how it was moved", false),
    STANDS,
  ],
  csv_visits: [
    ...WHO,
    field("day", "day", true, "date", "started at"),
    field("exercise", "exercise", true, "exercise name"),
    field("sets", "sets", false, "set count"),
    field("reps", "repetitions", false, "repetitions", "reps per set"),
    field("worked_s", "seconds of a hold", false, "worked s", "seconds", "held s"),
    field("load_kg", "load in kg", false, "load", "weight kg"),
    field("pain_before", "joint pain before, 0 to 10", false, "pain before", "pain before 0 10"),
    field("pain_in", "joint pain in it, 0 to 10", true, "pain", "pain during", "pain in 0 10"),
    field("pain_after", "joint pain after, 0 to 10", false, "pain after"),
    field("pain_morning", "joint pain the next morning, 0 to 10", false, "pain next morning", "morning"),
    STANDS,
  ],
};

export const CSV_NAMES: Readonly<Record<CsvKind, string>> = {
  csv_clients: "clients",
  csv_machines: "machines",
  csv_tests: "test results",
  csv_visits: "past visits",
};
