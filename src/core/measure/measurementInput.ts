import { z } from "zod";
import { side, uuid } from "../units/fields";
import { MEASUREMENT_KIND_IDS, type MeasurementKind, measurementKind } from "./measurementKinds";

const whole = (what: string, least: number, most: number) =>
  z
    .number({ error: `Enter ${what} as a whole number.` })
    .int({ error: `Enter ${what} as a whole number.` })
    .min(least, { error: `${what} must be between ${least} and ${most}.` })
    .max(most, { error: `${what} must be between ${least} and ${most}.` });

/** One measurement as it is sent; what a kind needs besides its value is checked with it. */
export const measurementInput = z
  .object({
    id: uuid,
    kind: z.enum(MEASUREMENT_KIND_IDS, { error: "Choose what was measured." }),
    side: side.nullable(),
    value: z.number({ error: "Enter the value as a number." }),
    way: z.enum(["active", "passive"]).nullable(),
    source: z.enum(["typed", "angle_sensor"]),
    apparatus: z
      .string()
      .trim()
      .max(80, { error: "The machine's name is longer than 80 characters." })
      .nullable(),
    reps: whole("Repetitions", 1, 60).nullable(),
    reserve: whole("Repetitions in reserve", 0, 10).nullable(),
    twoLegs: z.boolean().nullable(),
    chairM: z
      .number({ error: "Enter the chair's height in centimetres." })
      .min(0.2, { error: "The chair must be between 20 and 80 cm high." })
      .max(0.8, { error: "The chair must be between 20 and 80 cm high." })
      .nullable(),
    armsUsed: z.boolean().nullable(),
  })
  .superRefine((m, ctx) => {
    const say = (path: string, message: string) => ctx.addIssue({ code: "custom", path: [path], message });
    const spec = measurementKind(m.kind);
    if (m.value < spec.least || m.value > spec.most)
      say("value", `${capital(spec.name)} must be between ${spec.least} and ${spec.most} ${spec.unit}.`);
    if (spec.isWhole && !Number.isInteger(m.value)) say("value", `${capital(spec.name)} is a whole number.`);
    const needsSide = spec.isSided && !(m.kind === "repetition_test" && m.twoLegs);
    if (needsSide && m.side === null) say("side", "Choose the left or the right side.");
    if (!spec.isAngle && m.source === "angle_sensor") say("value", "The angle sensor does not measure this.");
    if (spec.isAngle && m.way === null) say("way", "Say whether it was active or passive motion.");
    if (m.kind === "repetition_test") {
      if (!m.apparatus) say("apparatus", "Name the machine: tests compare on the same one only.");
      if (m.reps === null) say("reps", "Enter how many repetitions were done.");
      if (m.reserve === null) say("reserve", "Enter how many were left in reserve.");
    }
    if (m.kind === "sit_to_stand_30s") {
      if (m.chairM === null) say("chairM", "Enter the chair's height in centimetres.");
      if (m.armsUsed === null) say("armsUsed", "Say whether the arms were used.");
    }
  });
export type MeasurementInput = z.infer<typeof measurementInput>;

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

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
});
