import { z } from "zod";
import { machine as machineShape } from "../../equipment/machine";
import { exercise } from "../../rules/exercises";
import { sheetLine } from "../../sheet/line/sheetInput";
import { day, id, maybeId, moment, number, table, text, whole } from "./fields";

const shape = machineShape.shape;

export const machine = table(
  "machine",
  z
    .strictObject({
      id,
      name: shape.name,
      place: shape.place,
      family: shape.family,
      steps: shape.steps,
      geometry: shape.geometry,
      cam: shape.cam,
      notches: shape.notches,
      note: shape.note,
      version: whole(1, 100_000),
      retired_at: moment.nullable(),
    })
    .superRefine((row, ctx) => {
      // what a kind of machine asks of its numbers
      for (const issue of machineShape.safeParse(row).error?.issues ?? [])
        ctx.addIssue({ code: "custom", path: issue.path as string[], message: issue.message });
    }),
  {},
);

export const calibration = table(
  "machine_calibration",
  z.strictObject({
    id,
    machine_id: id,
    version: whole(1, 100_000),
    readings: z.json(),
    ratio_m: number(0, 10),
    start_load_kg: number(-50, 200),
    cam: shape.cam,
    rms_nm: number(0, 1000),
    worst_pct: number(0, 1000),
    made_by: id,
    made_at: moment,
  }),
  { machine_id: "machine", made_by: "person" },
);

export const machineChange = table(
  "machine_change",
  z.strictObject({ id, machine_id: id, changed_on: day, what: text(200), made_by: id, made_at: moment }),
  { machine_id: "machine", made_by: "person" },
);

export const cuff = table("cuff", z.strictObject({ id, label: text(60), mass_kg: number(0, 50) }), {});

export const clinicExercise = table(
  "clinic_exercise",
  z.strictObject({
    id,
    exercise_id: text(60),
    version: whole(1, 100_000),
    record: exercise.nullable(),
    reason: text(400),
    made_by: id,
    made_at: moment,
  }),
  { made_by: "person" },
);

export const template = table(
  "sheet_template",
  z.strictObject({
    id,
    name: text(80),
    items: z.array(sheetLine.partial({ lineId: true })).max(60),
    made_by: id,
    made_at: moment,
    retired_at: moment.nullable(),
    retired_by: maybeId,
  }),
  { made_by: "person", retired_by: "person" },
);

export const sourceCheck = table(
  "source_check",
  z.strictObject({
    id,
    citation: text(400),
    is_checked: z.boolean(),
    note: text(400),
    checked_by: id,
    checked_at: moment,
  }),
  { checked_by: "person" },
);

/** Somebody who is named in the rows: never a way to sign in. */
export const person = z.strictObject({
  id,
  name: text(120),
  role: z.enum(["therapist", "trainer", "admin", "client", "past"]),
});
