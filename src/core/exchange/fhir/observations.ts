import { measurementKind } from "../../measure/measurementKinds";
import { MOVEMENTS } from "../../strength/movements";
import { type SayIt, saidWith } from "../../units/said";
import { signsSaid } from "../../visit/signs/recheckSigns";
import type { ClientFile } from "../clientFile";
import { coded, instant, LOINC, quantity, type Resource, toId } from "./resource";

type Rows = ClientFile["rows"];

const status = (voidedAt: string | null): string => (voidedAt === null ? "final" : "entered-in-error");
const bodySite = (side: string | null, part: string) =>
  side === null ? {} : { bodySite: { text: `${side} ${part}` } };

/** Strength tests: torque, with the angle, lever and whether its trials agreed as components. */
export const strengthObservations = (rows: Rows, subject: string, say: SayIt): Resource[] => {
  const trials = new Map<string, Rows["strength_trial"]>();
  for (const t of rows.strength_trial) trials.set(t.test_id, [...(trials.get(t.test_id) ?? []), t]);
  return rows.strength_test.map((t) => ({
    resourceType: "Observation",
    id: t.id,
    status: status(t.voided_at),
    category: [coded("exam", "Exam", "http://terminology.hl7.org/CodeSystem/observation-category")],
    code: coded(
      `strength-${t.movement}`,
      say(saidWith("bundle.strength", { name: MOVEMENTS[t.movement].name })),
    ),
    subject: toId(subject),
    effectiveDateTime: instant(t.taken_at),
    performer: [toId(t.taken_by)],
    valueQuantity: quantity(t.torque_nm, "N·m"),
    ...bodySite(t.side, "leg"),
    ...methodOf(trials.get(t.id) ?? [], say),
    component: [
      {
        code: coded("knee-flexion", say({ code: "bundle.test_angle" })),
        valueQuantity: quantity(t.knee_flexion_deg, "°"),
      },
      // a torque that came as a torque has no lever that anybody measured
      ...(trials.get(t.id)?.some((x) => x.force_n !== null)
        ? [
            {
              code: coded("lever-arm", say({ code: "bundle.lever_arm" })),
              valueQuantity: quantity(t.lever_arm_m, "m"),
            },
          ]
        : []),
      {
        code: coded("body-mass", say({ code: "bundle.body_mass" })),
        valueQuantity: quantity(t.body_mass_kg, "kg"),
      },
      { code: coded("trials-agree", say({ code: "bundle.trials_agree" })), valueBoolean: t.is_reliable },
    ],
  }));
};

/** How a force was found, as far as somebody entered it. */
const SOURCES = ["load_cell", "file", "typed"] as const;

function methodOf(trials: Rows["strength_trial"], say: SayIt): object {
  const forces = trials.filter((t) => t.force_n !== null);
  if (forces.length === 0) return {};
  const sources = SOURCES.filter((s) => forces.some((t) => t.source === s));
  return { method: { text: say(saidWith("bundle.force_found", { sources })) } };
}

/** Body mass has a code that everybody knows beside our own. */
const massCode = (name: string) => {
  const own = coded("body_mass", name);
  return { ...own, coding: [...own.coding, ...coded("29463-7", name, LOINC).coding] };
};

/** Other measurements, in their own unit. */
export const measurementObservations = (rows: Rows, subject: string, say: SayIt): Resource[] =>
  rows.measurement.map((m) => {
    const spec = measurementKind(m.kind);
    return {
      resourceType: "Observation",
      id: m.id,
      status: status(m.voided_at),
      category: [coded("exam", "Exam", "http://terminology.hl7.org/CodeSystem/observation-category")],
      code: m.kind === "body_mass" ? massCode(spec.name) : coded(m.kind, m.test_name ?? spec.name),
      subject: toId(subject),
      effectiveDateTime: instant(m.taken_at),
      performer: [toId(m.taken_by)],
      // a unit of somebody's own has no code
      valueQuantity:
        m.test_unit === null ? quantity(m.value, spec.unit) : { value: m.value, unit: m.test_unit },
      ...bodySite(m.side, "leg"),
      ...components([
        ...(
          [
            ["from", m.from_deg, "°"],
            ["to", m.to_deg, "°"],
            ["load", m.load_kg, "kg"],
          ] as const
        ).map(([part, value, unit]) =>
          value === null
            ? null
            : {
                code: coded(`painful_arc_${part}`, say(saidWith("bundle.painful_arc", { part }))),
                valueQuantity: quantity(value, unit),
              },
        ),
        ...(
          [
            ["step-height", m.step_m === null ? null : Math.round(m.step_m * 1000) / 10, "cm"],
            ["steps", m.steps, "times"],
          ] as const
        ).map(([part, value, unit]) =>
          value === null
            ? null
            : {
                code: coded(part, say(saidWith("bundle.beside", { part }))),
                valueQuantity: quantity(value, unit),
              },
        ),
      ]),
      ...(m.moved ? { method: { text: say(saidWith("bundle.moved", { moved: m.moved })) } } : {}),
      ...(m.way ? { method: { text: say(saidWith("bundle.motion", { way: m.way })) } } : {}),
    };
  });

/** Mornings: pain as a score, swelling and stiffness beside it. */
export function morningObservations(rows: Rows, subject: string, say: SayIt): Resource[] {
  const corrected = new Set(rows.response.map((r) => r.corrects));
  return rows.response.map((r) => ({
    resourceType: "Observation",
    id: r.id,
    status: corrected.has(r.id) ? "entered-in-error" : "final",
    category: [coded("survey", "Survey", "http://terminology.hl7.org/CodeSystem/observation-category")],
    code: coded("72514-3", say({ code: "bundle.morning_pain" }), LOINC),
    subject: toId(subject),
    effectiveDateTime: instant(r.answered_at),
    performer: [r.answered_by === "client" ? toId(subject) : toId(r.entered_by)],
    partOf: [toId(r.visit_id)],
    valueQuantity: quantity(r.pain, "of 10"),
    ...components([
      r.swelling === null
        ? null
        : {
            code: coded("swelling", say({ code: "bundle.swelling" })),
            valueQuantity: quantity(r.swelling, "grade"),
          },
      r.stiffness_min === null
        ? null
        : {
            code: coded("stiffness", say({ code: "bundle.stiffness" })),
            valueQuantity: quantity(r.stiffness_min, "min"),
          },
      ...r.regions.map((x) => ({
        code: coded(x.region, say(saidWith("bundle.pain_in_region", { region: x.region }))),
        valueQuantity: quantity(x.pain, "of 10"),
      })),
      ...(r.besides ?? []).map((a) => ({
        code: coded("besides", say(saidWith("bundle.besides", { what: a.what }))),
        valueQuantity: quantity(a.hard, "of 10"),
      })),
    ]),
    ...(r.alarm ? { note: [{ text: say(saidWith("bundle.signs", { signs: signsSaid(r.alarm) })) }] } : {}),
  }));
}

const components = (all: (object | null)[]) => {
  const known = all.filter((c) => c !== null);
  return known.length > 0 ? { component: known } : {};
};

/** Height and mass: what somebody else needs to read the torques. */
export const bodyObservations = (
  file: ClientFile,
  ids: { mass: string; height: string },
  say: SayIt,
): Resource[] => {
  const c = file.rows.client[0];
  if (!c) return [];
  // both are part of the story: as of when it was told last
  const told = file.rows.episode
    .map((e) => e.story_at)
    .sort()
    .at(-1);
  const of = (id: string, code: string, words: string, value: number, unit: string): Resource => ({
    resourceType: "Observation",
    id,
    status: "final",
    category: [
      coded(
        "vital-signs",
        say({ code: "bundle.vital_signs" }),
        "http://terminology.hl7.org/CodeSystem/observation-category",
      ),
    ],
    code: coded(code, words, LOINC),
    subject: toId(c.id),
    ...(told ? { effectiveDateTime: instant(told) } : {}),
    valueQuantity: quantity(value, unit),
  });
  return [
    of(ids.mass, "29463-7", say({ code: "bundle.body_weight" }), c.body_mass_kg, "kg"),
    of(ids.height, "8302-2", say({ code: "bundle.body_height" }), Math.round(c.height_m * 100), "cm"),
  ];
};
