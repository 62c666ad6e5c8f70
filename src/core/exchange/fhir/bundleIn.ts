import { z } from "zod";
import {
  isPlain,
  MEASUREMENT_KIND_IDS,
  type MeasuredWith,
  type MeasurementKind,
  measurementKind,
} from "../../measure/measurementKinds";
import { conditionById } from "../../rules/conditions";
import { movement as movements } from "../../strength/movements";
import type { Side } from "../../units/fields";
import { kgFromLb } from "../../units/mass";
import { type Said, saidWith } from "../../units/said";
import { CLIENT_TABLES, type FileProblem, type FileRow } from "../clientFile";
import { STRICT_NOTE } from "../csv/readClients";
import { type Making, rowOfMeasurement, rowsOfNewClient, rowsOfTest, TORQUE_NM } from "../newRows";
import { type BroughtClient, emptyPlan, type ImportPlan, once } from "../plan";
import { UCUM } from "./resource";

const words = z.string().max(400);
const concept = z.looseObject({
  coding: z
    .array(z.looseObject({ system: words.optional(), code: words.optional(), display: words.optional() }))
    .max(20)
    .optional(),
  text: words.optional(),
});
const ref = z.looseObject({ reference: words.optional() });
const quantity = z.looseObject({
  value: z.number().optional(),
  unit: words.optional(),
  code: words.optional(),
  system: words.optional(),
});
const observation = z.looseObject({
  resourceType: z.literal("Observation"),
  id: words.optional(),
  status: words,
  code: concept,
  subject: ref.optional(),
  effectiveDateTime: words.optional(),
  valueQuantity: quantity.optional(),
  bodySite: concept.optional(),
  component: z
    .array(z.looseObject({ code: concept, valueQuantity: quantity.optional() }))
    .max(50)
    .optional(),
});
const patient = z.looseObject({
  resourceType: z.literal("Patient"),
  id: words,
  name: z
    .array(
      z.looseObject({
        use: words.optional(),
        text: words.optional(),
        given: z.array(words).optional(),
        family: words.optional(),
        period: z.looseObject({ end: words.optional() }).optional(),
      }),
    )
    .max(20)
    .optional(),
  gender: words.optional(),
  birthDate: words.optional(),
});
const condition = z.looseObject({
  resourceType: z.literal("Condition"),
  id: words.optional(),
  code: concept.optional(),
  subject: ref,
  onsetDateTime: words.optional(),
  bodySite: z.array(concept).max(20).optional(),
  clinicalStatus: concept.optional(),
  verificationStatus: concept.optional(),
});
type Observation = z.infer<typeof observation>;
type Condition = z.infer<typeof condition>;

/** A bundle of HL7 FHIR R4, as far as it is read: patients, conditions, observations. All else is left. */
export const fhirIn = z.looseObject({
  resourceType: z.literal("Bundle", { error: "input.no_bundle" }),
  entry: z
    .array(
      z.looseObject({
        fullUrl: words.optional(),
        resource: z.looseObject({ resourceType: words }).optional(),
      }),
    )
    .max(100_000),
});

const dayOf = (at: string | undefined): string | null => {
  const day = /^\d{4}-\d{2}-\d{2}/.exec(at ?? "")?.[0] ?? null;
  return day !== null && !Number.isNaN(Date.parse(`${day}T00:00:00Z`)) ? day : null;
};
const said = (c: z.infer<typeof concept> | undefined): string => c?.text ?? c?.coding?.[0]?.display ?? "";
const codesOf = (c: z.infer<typeof concept>): string[] => (c.coding ?? []).flatMap((x) => x.code ?? []);
const sideIn = (text: string): Side | null => {
  const found = /\b(left|right)\b/i.exec(text)?.[1]?.toLowerCase();
  return found === "left" || found === "right" ? found : null;
};

interface OnePatient {
  at: string;
  data: z.infer<typeof patient>;
  conditions: Condition[];
  observations: { at: string; data: Observation }[];
}

/** What a bundle would write: a new client for every patient, with conditions, strength tests and measurements known here. */
export function readBundle(
  bundle: z.infer<typeof fhirIn>,
  m: Making & { today: string },
  isHere: (name: string, birthYear: number) => boolean,
): ImportPlan {
  const problems: FileProblem[] = [];
  const patients = collect(bundle, problems);
  const rows: Record<string, FileRow[]> = {};
  const clients: BroughtClient[] = [];
  const notes: Said[] = [];
  const put = (made: Record<string, FileRow[]>): void => {
    for (const [table, all] of Object.entries(made)) rows[table] = [...(rows[table] ?? []), ...all];
  };
  for (const p of patients) {
    const wrong = (said: Said): void => {
      problems.push({ at: p.at, said });
    };
    const name = nameOf(p.data);
    const birthYear = Number(/^\d{4}/.exec(p.data.birthDate ?? "")?.[0] ?? Number.NaN);
    const heightM = bodyValue(p, "8302-2", { m: 1, cm: 0.01, "[in_i]": 0.0254 });
    const massKg = bodyValue(p, "29463-7", { kg: 1, g: 0.001, "[lb_av]": kgFromLb(1) });
    const [main, ...others] = standing(p.conditions);
    const side = main ? sideIn((main.bodySite ?? []).map(said).join(" ") || said(main.code)) : null;
    const beganOn = dayOf(main?.onsetDateTime);
    if (!name) wrong({ code: "exchange.patient_name" });
    if (!(birthYear >= 1900 && birthYear <= Number(m.today.slice(0, 4))))
      wrong({ code: "exchange.patient_born" });
    if (heightM === null || heightM < 1.2 || heightM > 2.2) wrong({ code: "exchange.patient_height" });
    if (massKg === null || massKg < 25 || massKg > 250) wrong({ code: "exchange.patient_mass" });
    if (!main) wrong({ code: "exchange.patient_condition" });
    else if (!side) wrong({ code: "exchange.condition_side" });
    if (main && (!beganOn || beganOn > m.today)) wrong({ code: "exchange.condition_day" });
    if (name && isHere(name, birthYear)) wrong({ code: "exchange.client_here" });
    if (
      !name ||
      !side ||
      !beganOn ||
      heightM === null ||
      massKg === null ||
      problems.some((x) => x.at === p.at)
    )
      continue;
    const known = main ? knownCondition(main) : null;
    const made = rowsOfNewClient(
      {
        key: `fhir ${p.data.id}`,
        name,
        birthYear,
        heightM: Math.round(heightM * 100) / 100,
        bodyMassKg: Math.round(massKg * 10) / 10,
        sex: p.data.gender === "female" || p.data.gender === "male" ? p.data.gender : null,
        side,
        beganOn,
        beganWith: "onset",
        conditionId: known,
        variantId: null,
        words: said(main?.code).slice(0, 160),
        goal: "",
      },
      m,
    );
    put(made);
    const body = { massKg, shankM: 0.246 * heightM };
    const counted = p.observations.map((o) =>
      observed(o, made.episode[0]?.id as string, body, p.data.id, m, problems, put),
    );
    for (const c of others) notes.push(saidWith("exchange.condition_left", { name, words: said(c.code) }));
    clients.push({
      id: made.client[0]?.id as string,
      name,
      conditions: [
        known
          ? saidWith("exchange.condition_brought", {
              name: conditionById(known)?.name,
              since: beganOn,
              phase: null,
              isConfirmed: false,
            })
          : saidWith("exchange.condition_unknown", { words: said(main?.code) }),
      ],
      limits: [],
      signs: [],
      counts: { tests: counted.filter((x) => x === "test").length, sheets: 0, visits: 0 },
    });
    notes.push(STRICT_NOTE);
    const left = counted.filter((x) => x === "left").length;
    if (left > 0) notes.push(saidWith("exchange.observations_left", { count: left, name }));
  }
  if (patients.length === 0) problems.push({ at: "entry", said: { code: "exchange.no_patient" } });
  const order = [
    "client",
    "episode",
    "episode_condition",
    "strength_test",
    "strength_trial",
    "measurement",
  ] as const;
  return {
    ...emptyPlan(problems),
    tables: order.map((table) => ({
      table,
      key: "id",
      columns: Object.keys(CLIENT_TABLES[table].row.shape),
      rows: rows[table] ?? [],
    })),
    clients,
    notes: once(notes),
  };
}

function collect(bundle: z.infer<typeof fhirIn>, problems: FileProblem[]): OnePatient[] {
  const patients: OnePatient[] = [];
  const byRef = new Map<string, OnePatient>();
  const parsed = bundle.entry.map((e, i) => ({ e, at: `entry.${i}`, kind: e.resource?.resourceType ?? "" }));
  const read = <S extends z.ZodType>(schema: S, x: (typeof parsed)[number]): z.infer<S> | null => {
    const found = schema.safeParse(x.e.resource);
    if (found.success) return found.data;
    for (const issue of found.error.issues.slice(0, 5))
      problems.push({
        at: `${x.at}.${issue.path.join(".")}`,
        said: saidWith("exchange.part_unread", { kind: x.kind }),
      });
    return null;
  };
  for (const x of parsed.filter((p) => p.kind === "Patient")) {
    const data = read(patient, x);
    if (!data) continue;
    if (byRef.has(`Patient/${data.id}`)) {
      problems.push({ at: x.at, said: { code: "exchange.patient_twice" } });
      continue;
    }
    const one: OnePatient = { at: x.at, data, conditions: [], observations: [] };
    patients.push(one);
    for (const r of [x.e.fullUrl, `Patient/${data.id}`, `urn:uuid:${data.id}`]) if (r) byRef.set(r, one);
  }
  for (const x of parsed) {
    if (x.kind === "Condition") {
      const data = read(condition, x);
      const of = byRef.get(data?.subject.reference ?? "");
      if (data && of) of.conditions.push(data);
      else if (data) problems.push({ at: x.at, said: { code: "exchange.whose_condition" } });
    }
    if (x.kind === "Observation") {
      const data = read(observation, x);
      const of = byRef.get(data?.subject?.reference ?? "");
      if (data && of && data.status !== "entered-in-error") of.observations.push({ at: x.at, data });
      else if (data && !of) problems.push({ at: x.at, said: { code: "exchange.whose_observation" } });
    }
  }
  return patients;
}

/** The name that is used now: an official or usual one before others, never an old one. */
const nameOf = (p: z.infer<typeof patient>): string => {
  const now = (p.name ?? []).filter((x) => x.use !== "old" && x.use !== "maiden" && !x.period?.end);
  const rank = (use: string | undefined) => ["official", "usual"].indexOf(use ?? "") + 1 || 3;
  const n = now.toSorted((a, b) => rank(a.use) - rank(b.use))[0];
  return (n?.text ?? [...(n?.given ?? []), n?.family ?? ""].join(" ")).trim().slice(0, 80);
};

function knownCondition(c: Condition): string | null {
  const own = (c.code?.coding ?? []).find((x) => x.system === "urn:bexlo:condition")?.code;
  return own && conditionById(own) ? own : null;
}

const OVER: ReadonlySet<string> = new Set(["inactive", "remission", "resolved"]);
const UNTRUE: ReadonlySet<string> = new Set(["refuted", "entered-in-error"]);

/** Conditions that the care can be about: not over, not refuted; one that the rules know first, then of a side, then the newest. */
function standing(all: readonly Condition[]): Condition[] {
  const codes = (c: z.infer<typeof concept> | undefined) => (c ? codesOf(c) : []);
  const sideOf = (c: Condition) => sideIn((c.bodySite ?? []).map(said).join(" ") || said(c.code)) !== null;
  return all
    .filter((c) => !codes(c.clinicalStatus).some((x) => OVER.has(x)))
    .filter((c) => !codes(c.verificationStatus).some((x) => UNTRUE.has(x)))
    .toSorted(
      (a, b) =>
        Number(knownCondition(b) !== null) - Number(knownCondition(a) !== null) ||
        Number(sideOf(b)) - Number(sideOf(a)) ||
        (dayOf(b.onsetDateTime) ?? "").localeCompare(dayOf(a.onsetDateTime) ?? ""),
    );
}

/** The newest of a body measure, in the unit that is wanted; null where none is there or its unit is another one. */
function bodyValue(p: OnePatient, code: string, units: Readonly<Record<string, number>>): number | null {
  const newest = p.observations.toSorted((a, b) =>
    (b.data.effectiveDateTime ?? "").localeCompare(a.data.effectiveDateTime ?? ""),
  );
  for (const { data } of newest) {
    if (!codesOf(data.code).includes(code)) continue;
    const q = data.valueQuantity;
    const factor = units[q?.code ?? q?.unit ?? ""];
    if (q?.value !== undefined && factor !== undefined) return q.value * factor;
  }
  return null;
}

const SYSTEM_CODES: Readonly<Record<string, string>> = {
  "°": "deg",
  cm: "cm",
  s: "s",
  m: "m",
  "m/s": "m/s",
  kg: "kg",
  grade: "{grade}",
  times: "{count}",
  "of 10": "{score}",
};

/** What stands beside a value: the height of a step, or how many the stairs had; null where it is missing. */
function besideIn(data: Observation, of: MeasuredWith | null): { stepM?: number; steps?: number } | null {
  const part = (code: string) =>
    data.component?.find((c) => codesOf(c.code).includes(code))?.valueQuantity?.value;
  const cm = part("step-height");
  if (of === "step") return cm !== undefined && cm >= 5 && cm <= 60 ? { stepM: cm / 100 } : null;
  const steps = part("steps");
  if (of === "steps")
    return steps !== undefined && Number.isInteger(steps) && steps >= 1 && steps <= 100 ? { steps } : null;
  return null;
}

/** One observation: a strength test, a measurement, a body measure, or nothing that is kept here. */
function observed(
  { at, data }: { at: string; data: Observation },
  episodeId: string,
  body: { massKg: number; shankM: number },
  patientId: string,
  m: Making & { today: string },
  problems: FileProblem[],
  put: (rows: Record<string, FileRow[]>) => void,
): "test" | "measurement" | "body" | "left" {
  const codes = codesOf(data.code);
  // a mass of ours is a measurement too
  if (codes.includes("8302-2") || (codes.includes("29463-7") && !codes.includes("body_mass"))) return "body";
  const q = data.valueQuantity;
  const on = dayOf(data.effectiveDateTime);
  const side = sideIn(said(data.bodySite));
  const key = `fhir ${patientId} ${data.id ?? at}`;
  const wrong = (said: Said): void => {
    problems.push({ at, said });
  };
  const strength = movements.options.find((x) => codes.includes(`strength-${x}`));
  if (strength) {
    const angle = data.component?.find((c) => codesOf(c.code).includes("knee-flexion"))?.valueQuantity;
    if (q?.system !== UCUM || q.code !== "N.m") wrong({ code: "exchange.test_unit" });
    else if (!q.value || q.value < TORQUE_NM.least || q.value > TORQUE_NM.most)
      wrong(saidWith("exchange.torque_range", TORQUE_NM));
    else if (angle?.value === undefined || angle.code !== "deg" || angle.value < 0 || angle.value > 130)
      wrong({ code: "exchange.test_angle_deg" });
    else if (!side || !on || on > m.today) wrong({ code: "exchange.test_side_day" });
    else
      put(
        rowsOfTest(
          {
            key,
            episodeId,
            side,
            movement: strength,
            kneeFlexionDeg: angle.value,
            torqueNm: q.value,
            on,
            bodyMassKg: Math.round(body.massKg * 10) / 10,
            shankLengthM: body.shankM,
          },
          m,
        ),
      );
    return "test";
  }
  const kind = MEASUREMENT_KIND_IDS.find(
    (k) => (isPlain(k) || besideIn(data, measurementKind(k).with) !== null) && codes.includes(k),
  ) as MeasurementKind | undefined;
  if (!kind) return "left";
  const spec = measurementKind(kind);
  if (q?.system !== UCUM || q.code !== SYSTEM_CODES[spec.unit])
    wrong(saidWith("exchange.measure_unit", { name: spec.name, unit: SYSTEM_CODES[spec.unit] }));
  else if (q.value === undefined || q.value < spec.least || q.value > spec.most)
    wrong(
      saidWith("exchange.measure_range", {
        name: spec.name,
        least: spec.least,
        most: spec.most,
        unit: spec.unit,
      }),
    );
  else if (!on || on > m.today || (spec.isSided && !side))
    wrong(saidWith("exchange.measure_day", { name: spec.name, isSided: spec.isSided }));
  else
    put({
      measurement: [
        rowOfMeasurement(
          {
            key,
            episodeId,
            kind,
            side: spec.isSided ? side : null,
            value: q.value,
            way: null,
            on,
            ...(spec.with === null ? {} : { beside: besideIn(data, spec.with) ?? {} }),
          },
          m,
        ),
      ],
    });
  return "measurement";
}
