import { z } from "zod";
import { LEAST_ARC_DEG, painfulMove } from "../strength/painfulArc";
import { side, uuid, wholeField } from "../units/fields";
import { wrong } from "../units/wrong";
import { MEASUREMENT_KIND_IDS, type MeasurementKind, measurementKind } from "./measurementKinds";

/** A test of a clinic's own: what it is called, its unit, which way is better, and its error where that is known. */
export const freeTest = z.object({
  name: z.string({ error: "input.test_name" }).trim().min(1, { error: "input.test_name" }).max(60, {
    error: "input.test_name",
  }),
  unit: z.string({ error: "input.test_unit" }).trim().max(16, { error: "input.test_unit" }),
  better: z.enum(["up", "down"], { error: "input.test_better" }),
  error: z
    .number({ error: "input.test_error" })
    .min(0, { error: "input.test_error" })
    .max(10_000, {
      error: "input.test_error",
    })
    .nullable(),
});
export type FreeTest = z.infer<typeof freeTest>;

/** One measurement as it is sent; what a kind needs besides its value is checked with it. */
export const measurementInput = z
  .object({
    id: uuid,
    kind: z.enum(MEASUREMENT_KIND_IDS, { error: "input.choose_measure" }),
    side: side.nullable(),
    value: z.number({ error: "input.enter_value" }),
    way: z.enum(["active", "passive"]).nullable(),
    source: z.enum(["typed", "angle_sensor"]),
    apparatus: z.string().trim().max(80, { error: "input.apparatus_long" }).nullable(),
    reps: wholeField("reps", 1, 60).nullable(),
    reserve: wholeField("reserve", 0, 10).nullable(),
    twoLegs: z.boolean().nullable(),
    chairM: z
      .number({ error: "input.chair_height" })
      .min(0.2, { error: "input.chair_range" })
      .max(0.8, { error: "input.chair_range" })
      .nullable(),
    armsUsed: z.boolean().nullable(),
    /** of a painful arc: how it was moved, from where to where it hurt, and with what added */
    moved: painfulMove.nullable().default(null),
    fromDeg: wholeField("arc_from", 0, 155).nullable().default(null),
    toDeg: wholeField("arc_to", 5, 160).nullable().default(null),
    loadKg: z
      .number({ error: "input.arc_load" })
      .min(0.1, { error: "input.arc_load" })
      .max(400, { error: "input.arc_load" })
      .nullable()
      .default(null),
    /** how high the step was, how many steps the stairs had, on which machine it was seen */
    stepM: z
      .number({ error: "input.step_height" })
      .min(0.05, { error: "input.step_range" })
      .max(0.6, { error: "input.step_range" })
      .nullable()
      .default(null),
    steps: wholeField("steps", 1, 100).nullable().default(null),
    machineId: uuid.nullable().default(null),
    test: freeTest.nullable().default(null),
  })
  .superRefine((m, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
    const spec = measurementKind(m.kind);
    const what = capital(spec.name);
    if (m.value < spec.least || m.value > spec.most)
      say(
        "value",
        wrong("input.measure_range", { what, least: spec.least, most: spec.most, unit: spec.unit }),
      );
    if (spec.isWhole && !Number.isInteger(m.value)) say("value", wrong("input.measure_whole", { what }));
    const needsSide = spec.isSided && !(m.kind === "repetition_test" && m.twoLegs);
    if (needsSide && m.side === null) say("side", "input.choose_side");
    if (!spec.isAngle && m.source === "angle_sensor") say("value", "input.not_by_sensor");
    if (spec.isAngle && m.way === null) say("way", "input.active_passive");
    if (m.kind === "repetition_test") {
      if (!m.apparatus) say("apparatus", "input.name_machine");
      if (m.reps === null) say("reps", "input.reps_done");
      if (m.reserve === null) say("reserve", "input.reserve_left");
    }
    if (m.kind === "painful_arc") {
      if (m.moved === null) say("moved", "input.choose_move");
      if (m.value > 0 && (m.fromDeg === null || m.toDeg === null)) say("fromDeg", "input.arc_ends");
      else if (m.fromDeg !== null && m.toDeg !== null && m.toDeg - m.fromDeg < LEAST_ARC_DEG)
        say("toDeg", wrong("input.arc_wide", { least: LEAST_ARC_DEG }));
    }
    if (spec.with === "step" && m.stepM === null) say("stepM", "input.step_height");
    if (spec.with === "steps" && m.steps === null) say("steps", "input.steps_done");
    if (spec.with === "machine" && m.machineId === null) say("machineId", "input.choose_measured_machine");
    if (spec.with === "name" && m.test === null) say("test", "input.test_name");
    if (m.kind === "sit_to_stand_30s") {
      if (m.chairM === null) say("chairM", "input.chair_height");
      if (m.armsUsed === null) say("armsUsed", "input.arms_used");
    }
  });
export type MeasurementInput = z.infer<typeof measurementInput>;

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What only a painful arc, a step, stairs, a machine or a test of one's own has. */
export const NOTHING_BESIDE = {
  ...{ moved: null, fromDeg: null, toDeg: null, loadKg: null },
  ...{ stepM: null, steps: null, machineId: null, test: null },
} as const;

/** A measurement with nothing but its value: the rest as most kinds have it. */
export const plainMeasurement = (
  id: string,
  kind: MeasurementKind,
  s: MeasurementInput["side"],
  value: number,
): MeasurementInput => ({
  id,
  kind,
  side: s,
  value,
  way: measurementKind(kind).isAngle ? "passive" : null,
  source: "typed",
  apparatus: null,
  reps: null,
  reserve: null,
  twoLegs: null,
  chairM: null,
  armsUsed: null,
  ...NOTHING_BESIDE,
});
