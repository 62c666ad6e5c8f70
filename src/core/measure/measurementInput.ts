import { z } from "zod";
import { LEAST_ARC_DEG, painfulMove } from "../strength/painfulArc";
import { side, uuid, wholeField } from "../units/fields";
import { wrong } from "../units/wrong";
import { MEASUREMENT_KIND_IDS, type MeasurementKind, measurementKind } from "./measurementKinds";

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
    if (m.kind === "sit_to_stand_30s") {
      if (m.chairM === null) say("chairM", "input.chair_height");
      if (m.armsUsed === null) say("armsUsed", "input.arms_used");
    }
  });
export type MeasurementInput = z.infer<typeof measurementInput>;

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** What only a painful arc has. */
export const NO_ARC = { moved: null, fromDeg: null, toDeg: null, loadKg: null } as const;

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
  ...NO_ARC,
});
