import type { MeasurementInput } from "../measure/measurementInput";
import type { MeasurementKind } from "../measure/measurementKinds";
import { conditionById } from "../rules/conditions";
import type { Movement } from "../strength/movements";
import type { Side } from "../units/fields";
import type { FileRow } from "./clientFile";

/** Who reads a file in, when, and how ids are made: the same for the same text, so that a file read twice is known again. */
export interface Making {
  by: string;
  at: string;
  idOf: (text: string) => string;
}

/** What a foreign file tells of a client; nothing of it is asked again by itself. */
export interface NewClient {
  key: string;
  name: string;
  birthYear: number;
  heightM: number;
  bodyMassKg: number;
  sex: "female" | "male" | null;
  side: Side;
  beganOn: string;
  beganWith: "surgery" | "onset";
  /** of the rule base; null: none that it knows, limits are written by hand */
  conditionId: string | null;
  variantId: string | null;
  words: string;
  goal: string;
}

/**
 * Rows of a client whose story nobody has asked yet. What is not known is taken as strict: the joint counts as easily
 * stirred up, the phase as the first one and unconfirmed, and without a condition of the rules limits are written by hand.
 */
export function rowsOfNewClient(
  c: NewClient,
  m: Making,
): Record<"client" | "episode" | "episode_condition", FileRow[]> {
  const clientId = m.idOf(`client ${c.key}`);
  const episodeId = m.idOf(`episode ${c.key}`);
  const known = c.conditionId === null ? null : conditionById(c.conditionId);
  const first = known?.phases[0];
  const variant = known?.variants.find((v) => v.id === c.variantId) ?? known?.variants[0];
  return {
    client: [
      {
        id: clientId,
        name: c.name,
        occupation: "",
        birth_year: c.birthYear,
        height_m: c.heightM,
        body_mass_kg: c.bodyMassKg,
        body_mass_at: null,
        shank_length_m: null,
        norm_sex: c.sex,
        language: "en",
      },
    ],
    episode: [
      {
        id: episodeId,
        client_id: clientId,
        side: c.side,
        condition: c.words || known?.name || "not said",
        began_on: c.beganOn,
        began_with: c.beganWith,
        pain_school: c.beganWith === "surgery" ? "post_op" : "pain_free",
        irritability: "high",
        usual_pain: 0,
        swelling_applies: true,
        first_swelling: 0,
        goal: c.goal,
        closed_on: null,
        pain_now: null,
        pain_worst: null,
        pain_best: null,
        pain_marks: [],
        brings_on: null,
        settles_in: null,
        details: "",
        surgeon_note: "",
        goals: [],
        support: "none",
        trains_at: "clinic_gym",
        weekdays: [],
        uncovered: known ? [] : ["other"],
        closed_because: null,
        version: 1,
        rises: null,
        climbs: null,
        is_inactive: null,
        background: null,
        is_alone: null,
        regions: [],
        markers: [],
        activities: [],
        story_at: m.at,
      },
    ],
    episode_condition:
      known && first && variant
        ? [
            {
              id: m.idOf(`condition ${c.key} ${known.id}`),
              episode_id: episodeId,
              condition_id: known.id,
              variant_id: variant.id,
              phase_id: first.id,
              began_on: c.beganOn,
              set_by: m.by,
              set_at: m.at,
              phase_since: c.beganOn,
              functional_met: [],
              ended_on: null,
              version: 1,
              confirmed_at: null,
            },
          ]
        : [],
  };
}

/** Torques that a file may tell of: more is no person's, or another unit. */
export const TORQUE_NM = { least: 1, most: 600 } as const;

/** A strength test that came as a torque: one typed trial, and nobody knows whether more would have agreed. */
export function rowsOfTest(
  t: {
    key: string;
    episodeId: string;
    side: Side;
    movement: Movement;
    kneeFlexionDeg: number;
    torqueNm: number;
    on: string;
    bodyMassKg: number;
    shankLengthM: number;
  },
  m: Making,
): Record<"strength_test" | "strength_trial", FileRow[]> {
  const id = m.idOf(`test ${t.key}`);
  return {
    strength_test: [
      {
        id,
        episode_id: t.episodeId,
        side: t.side,
        movement: t.movement,
        knee_flexion_deg: t.kneeFlexionDeg,
        lever_arm_m: 0.3,
        pull_angle_deg: 90,
        zeroed_relaxed: true,
        body_mass_kg: t.bodyMassKg,
        shank_length_m: t.shankLengthM,
        torque_nm: t.torqueNm,
        is_reliable: false,
        taken_at: `${t.on}T12:00:00Z`,
        taken_by: m.by,
        voided_at: null,
        voided_by: null,
        void_reason: null,
        joint_angle_deg: null,
      },
    ],
    strength_trial: [
      {
        id: m.idOf(`trial ${t.key}`),
        test_id: id,
        trial_no: 1,
        source: "typed",
        force_n: null,
        torque_nm: t.torqueNm,
        is_valid: true,
        flags: [],
        trace_time_s: null,
        trace_force_n: null,
        pain: null,
      },
    ],
  };
}

export const rowOfMeasurement = (
  x: {
    key: string;
    episodeId: string;
    kind: MeasurementKind;
    side: Side | null;
    value: number;
    way: "active" | "passive" | null;
    on: string;
    beside?: Partial<Pick<MeasurementInput, "stepM" | "steps" | "test">>;
  },
  m: Making,
): FileRow => ({
  id: m.idOf(`measurement ${x.key}`),
  episode_id: x.episodeId,
  kind: x.kind,
  side: x.side,
  value: x.value,
  way: x.way,
  source: "typed",
  apparatus: null,
  reps: null,
  reserve: null,
  two_legs: null,
  chair_m: null,
  arms_used: null,
  moved: null,
  from_deg: null,
  to_deg: null,
  load_kg: null,
  step_m: x.beside?.stepM ?? null,
  steps: x.beside?.steps ?? null,
  machine_id: null,
  test_name: x.beside?.test?.name ?? null,
  test_unit: x.beside?.test?.unit ?? null,
  test_better: x.beside?.test?.better ?? null,
  test_error: x.beside?.test?.error ?? null,
  taken_at: `${x.on}T12:00:00Z`,
  taken_by: m.by,
  voided_at: null,
  voided_by: null,
  void_reason: null,
});
