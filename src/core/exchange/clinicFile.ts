import { z } from "zod";
import { stanceChoice } from "./rows/client";
import {
  calibration,
  clinicExercise,
  cuff,
  machine,
  machineChange,
  person,
  sourceCheck,
  template,
} from "./rows/clinic";
import { moment, text } from "./rows/fields";

/** What belongs to a clinic and to no client. */
export const CLINIC_TABLES = {
  machine,
  machine_calibration: calibration,
  machine_change: machineChange,
  cuff,
  clinic_exercise: clinicExercise,
  sheet_template: template,
  stance_choice: stanceChoice,
  source_check: sourceCheck,
} as const;
export type ClinicTable = keyof typeof CLINIC_TABLES;
export const CLINIC_TABLE_NAMES = Object.keys(CLINIC_TABLES) as ClinicTable[];

export const MOST_OF_CLINIC = 5000;
export const MOST_MACHINES = 500;

const rowsShape = Object.fromEntries(
  CLINIC_TABLE_NAMES.map((name) => [name, z.array(CLINIC_TABLES[name].row).max(MOST_OF_CLINIC)]),
) as { [K in ClinicTable]: z.ZodArray<(typeof CLINIC_TABLES)[K]["row"]> };

/** A clinic's own part: machines and their calibrations, exercises, templates, stances, checked sources. */
export const clinicFile = z.strictObject({
  format: z.literal("bexlo-clinic"),
  version: z.literal(1),
  made_at: moment,
  clinic: z.strictObject({ name: text(120), time_zone: text(60) }),
  people: z.array(person).max(MOST_OF_CLINIC),
  rows: z.strictObject(rowsShape),
});
export type ClinicFile = z.infer<typeof clinicFile>;

/** A list of machines, to take to another clinic. */
export const machinesFile = z.strictObject({
  format: z.literal("bexlo-machines"),
  version: z.literal(1),
  made_at: moment,
  machines: z.array(machine.row).max(MOST_MACHINES),
});
export type MachinesFile = z.infer<typeof machinesFile>;
