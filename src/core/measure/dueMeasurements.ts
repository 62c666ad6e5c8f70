import type { Condition, Phase } from "../rules/conditions";
import { retestDue } from "../strength/testsForCurve";
import { daysBetween } from "../units/days";
import type { Side } from "../units/fields";
import { type Said, saidWith } from "../units/said";
import { type DatedMeasurement, type DatedStrength, FINDING_VALID_DAYS, newestOf } from "./findings";
import { type MeasurementGroup, type MeasurementKind, measurementKind } from "./measurementKinds";

/** Something to measure, and why. */
export interface DueMeasurement {
  kind: MeasurementKind | "extension_strength" | "extension_of_both" | "flexion_of_both";
  what: Said;
  because: Said;
  /** which part of Measure it is in */
  group: "strength" | MeasurementGroup;
  /** without it nothing can be dosed */
  isNeeded: boolean;
}

const CRITERIA: readonly { key: keyof Phase["exit_criteria"]; kind: MeasurementKind }[] = [
  { key: "extension_deficit_max_deg", kind: "knee_straightening" },
  { key: "flexion_min_deg", kind: "knee_bend" },
  { key: "effusion_max", kind: "swelling" },
  { key: "quad_lag_max_deg", kind: "quadriceps_lag" },
  { key: "resting_or_adl_pain_max_0_10", kind: "daily_pain" },
];

/** What is due today: strength for the dose, and what the confirmed phases are left by. */
export function dueMeasurements(input: {
  parts: readonly { condition: Condition; phase: Phase }[];
  measurements: readonly DatedMeasurement[];
  strength: readonly DatedStrength[];
  side: Side;
  today: string;
}): DueMeasurement[] {
  const { side, today } = input;
  const due: DueMeasurement[] = [];
  const extension = input.strength.filter((t) => t.movement === "knee_extension" && t.side === side);
  const strength = retestDue(extension, today);
  if (strength)
    due.push({
      kind: "extension_strength",
      what: { code: "due.extension" },
      because: strength,
      group: "strength",
      isNeeded: extension.length === 0,
    });
  const seen = new Set<MeasurementKind>();
  for (const { condition, phase } of input.parts) {
    const isLast = condition.phases[condition.phases.length - 1]?.id === phase.id;
    if (isLast) continue;
    for (const { key, kind } of CRITERIA) {
      if (phase.exit_criteria[key] === null || seen.has(kind)) continue;
      const age = ageOf(newestOf(input.measurements, kind, side), today);
      if (age !== null && age <= FINDING_VALID_DAYS) continue;
      seen.add(kind);
      const spec = measurementKind(kind);
      due.push({
        kind,
        what: spec.name,
        because: saidWith("due.leaves_phase", { age, phase: phase.name }),
        group: spec.group,
        isNeeded: false,
      });
    }
    for (const [key, movement, pair, name] of [
      ["quad_symmetry_min_pct", "knee_extension", "extension_of_both", { code: "due.both_extension" }],
      ["hamstring_symmetry_min_pct", "knee_flexion", "flexion_of_both", { code: "due.both_flexion" }],
    ] as const) {
      if (phase.exit_criteria[key] === null || due.some((d) => d.kind === pair)) continue;
      const sides = new Set(
        input.strength
          .filter((t) => t.movement === movement && daysBetween(t.takenOn, today) <= FINDING_VALID_DAYS)
          .map((t) => t.side),
      );
      if (!sides.has(side))
        due.push({
          kind: pair,
          what: name,
          because: saidWith("due.symmetry_leaves", { pct: phase.exit_criteria[key], phase: phase.name }),
          group: "strength",
          isNeeded: false,
        });
    }
  }
  return due;
}

const ageOf = (m: DatedMeasurement | null, today: string): number | null =>
  m === null ? null : daysBetween(m.takenOn, today);
