import { type MeasurementKind, measurementKind } from "@/core/measure/measurementKinds";
import { SWELLING_WORDS } from "@/core/units/fields";
import { formatMass, type MassUnit } from "@/core/units/mass";

/** A value as people read it: a grade in words, hyperextension named. */
export function valueWords(
  kind: MeasurementKind,
  value: number,
  { ownUnit, massUnit = "kg" }: { ownUnit?: string | undefined; massUnit?: MassUnit } = {},
): string {
  const unit = ownUnit ?? measurementKind(kind).unit;
  if (kind === "body_mass") return formatMass(value, massUnit);
  if (kind === "swelling") return SWELLING_WORDS[value] ?? String(value);
  if (kind === "knee_straightening" && value < 0) return `${-value}° beyond straight`;
  if (kind === "knee_straightening") return value === 0 ? "straight" : `${value}° short`;
  if (kind === "toe_touch" && value < 0) return `${-value} cm past the floor`;
  const finest = unit === "m/s" ? 100 : 10;
  return `${Math.round(value * finest) / finest}${unit === "°" ? "" : " "}${unit}`.trim();
}
