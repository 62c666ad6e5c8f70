import { z } from "zod";
import { limit } from "../../bounds/limit";
import { MEASUREMENT_KIND_IDS, measurementKind } from "../../measure/measurementKinds";
import { movement } from "../../strength/movements";
import { isWholeArc, painfulMove } from "../../strength/painfulArc";
import { wrong } from "../../units/wrong";
import { day, id, maybeId, moment, number, range, side, table, text, texts, whole } from "./fields";

export const episodeLimit = table(
  "episode_limit",
  z.strictObject({
    id,
    episode_id: id,
    kind: limit.shape.kind,
    bound: range.nullable(),
    origin: z.enum(["surgeon", "therapist", "condition", "clinic"]),
    reason: text(600),
    ends_on: day.nullable(),
    set_by: maybeId,
    set_at: moment,
    word: text(60).nullable(),
    is_lifted: z.boolean(),
    replaces: maybeId,
  }),
  { episode_id: "episode", set_by: "person", replaces: "episode_limit" },
);

const voided = { voided_at: moment.nullable(), voided_by: maybeId, void_reason: text(400).nullable() };

export const strengthTest = table(
  "strength_test",
  z.strictObject({
    id,
    episode_id: id,
    side,
    movement,
    knee_flexion_deg: number(0, 130),
    lever_arm_m: number(0.1, 0.6),
    pull_angle_deg: number(45, 135),
    zeroed_relaxed: z.boolean(),
    body_mass_kg: number(25, 250),
    shank_length_m: number(0.2, 0.7),
    torque_nm: number(0, 1500),
    is_reliable: z.boolean(),
    taken_at: moment,
    taken_by: id,
    ...voided,
    joint_angle_deg: number(-30, 160).nullable(),
  }),
  { episode_id: "episode", taken_by: "person", voided_by: "person" },
);

const samples = z.array(z.number()).max(40_000).nullable();

export const strengthTrial = table(
  "strength_trial",
  z.strictObject({
    id,
    test_id: id,
    trial_no: whole(1, 10),
    source: z.enum(["typed", "load_cell", "file"]),
    force_n: number(-3000, 3000).nullable(),
    torque_nm: number(-1500, 1500).nullable(),
    is_valid: z.boolean(),
    flags: texts(20, 60),
    trace_time_s: samples,
    trace_force_n: samples,
    // files from before it was asked have none
    pain: whole(0, 10).nullable().default(null),
  }),
  { test_id: "strength_test" },
);

/** What a kind has beside its value, and no other kind has. */
const BESIDE = [
  ["step", "step_m", "input.step_height"],
  ["steps", "steps", "input.steps_done"],
  ["machine", "machine_id", "input.choose_measured_machine"],
  ["name", "test_name", "input.test_name"],
] as const;

export const measurement = table(
  "measurement",
  z
    .strictObject({
      id,
      episode_id: id,
      kind: z.enum(MEASUREMENT_KIND_IDS),
      side: side.nullable(),
      value: number(-1000, 10_000),
      way: z.enum(["active", "passive"]).nullable(),
      source: z.enum(["typed", "angle_sensor"]),
      apparatus: text(120).nullable(),
      reps: whole(1, 60).nullable(),
      reserve: whole(0, 10).nullable(),
      two_legs: z.boolean().nullable(),
      chair_m: number(0.2, 0.8).nullable(),
      arms_used: z.boolean().nullable(),
      // files from before painful arcs have none
      moved: painfulMove.nullable().default(null),
      from_deg: whole(0, 155).nullable().default(null),
      to_deg: whole(5, 160).nullable().default(null),
      load_kg: number(0.1, 400).nullable().default(null),
      // files from before steps, machines and tests of one's own have none
      step_m: number(0.05, 0.6).nullable().default(null),
      steps: whole(1, 100).nullable().default(null),
      machine_id: maybeId.default(null),
      test_name: text(60).nullable().default(null),
      test_unit: text(16).nullable().default(null),
      test_better: z.enum(["up", "down"]).nullable().default(null),
      test_error: number(0, 10_000).nullable().default(null),
      taken_at: moment,
      taken_by: id,
      ...voided,
    })
    .refine(
      (m) =>
        m.kind === "painful_arc"
          ? m.moved !== null && isWholeArc({ pain: m.value, fromDeg: m.from_deg, toDeg: m.to_deg })
          : m.moved === null && m.from_deg === null && m.to_deg === null && m.load_kg === null,
      { path: ["from_deg"], error: "input.arc_ends" },
    )
    .superRefine((m, ctx) => {
      const spec = measurementKind(m.kind);
      if (m.value < spec.least || m.value > spec.most)
        ctx.addIssue({
          code: "custom",
          path: ["value"],
          message: wrong("input.measure_range", {
            ...{ what: spec.name, least: spec.least, most: spec.most, unit: spec.unit },
          }),
        });
      for (const [beside, column, message] of BESIDE)
        if ((spec.with === beside) !== (m[column] !== null))
          ctx.addIssue({ code: "custom", path: [column], message });
      if (
        (m.test_name === null) !== (m.test_unit === null) ||
        (m.test_name === null) !== (m.test_better === null)
      )
        ctx.addIssue({ code: "custom", path: ["test_better"], message: "input.test_better" });
    }),
  { episode_id: "episode", machine_id: "machine", taken_by: "person", voided_by: "person" },
);
