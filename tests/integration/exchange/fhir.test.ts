import { randomUUID } from "node:crypto";
import JSONSchemaValidator from "@asymmetrik/fhir-json-schema-validator";
import { Fhir } from "fhir";
import { fhirBundle } from "@/core/exchange/fhir/bundle";
import { plainMeasurement } from "@/core/measure/measurementInput";
import { planningBarred } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";
import { clientFileOf } from "@/server/exchange/clientOut";
import { confirmImport } from "@/server/exchange/imports";
import { bundleOf } from "@/server/exchange/zipOut";
import { testsOf } from "@/server/measure/measurements";
import { measurementsOf, recordMeasurement } from "@/server/measure/otherMeasurements";
import { recordMorning } from "@/server/visits/mornings";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  hold,
  makeClinic,
  plannedClient,
  runVisit,
  screenClear,
  squats,
  type TestClinic,
} from "../../support/clinic";
import { readInto } from "../../support/files";
import { KNEE } from "../../support/lines";

const LATER = daysLater(20);
let clinic: TestClinic;
let bundle: ReturnType<typeof bundleOf>;

beforeAll(async () => {
  clinic = await makeClinic();
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [hold(), squats()]);
  const visitId = await runVisit(clinic, client, { pain: 1 });
  await clinic.as(
    "trainer",
    (ctx) =>
      recordMorning(ctx, client, {
        id: randomUUID(),
        visitId,
        corrects: null,
        pain: 2,
        swelling: 1,
        stiffnessMin: 10,
      }),
    daysLater(1),
  );
  await clinic.as(
    "therapist",
    (ctx) =>
      recordMeasurement(ctx, client, {
        id: randomUUID(),
        kind: "knee_bend",
        side: "right",
        value: 118,
        way: "passive",
        source: "typed",
      } as never),
    daysLater(2),
  );
  for (const m of [
    { ...plainMeasurement(randomUUID(), "step_downs_30s", "right", 11), stepM: 0.2 },
    plainMeasurement(randomUUID(), "body_mass", null, client.bodyMassKg + 3),
  ])
    await clinic.as("therapist", (ctx) => recordMeasurement(ctx, client, m), daysLater(2));
  // a warning sign stands
  await screenClear(clinic, client.clientId, daysLater(3), { rf_locking: "unsure" });
  const file = await clinic.as("therapist", (ctx) => clientFileOf(ctx, client.clientId), LATER);
  bundle = bundleOf(file);
}, 60_000);
afterAll(closeConnections);

/** What both validators overlook: two values at once, empty lists and objects. */
function slips(x: unknown, at = ""): string[] {
  if (Array.isArray(x))
    return x.length === 0 ? [`${at} is empty`] : x.flatMap((y, i) => slips(y, `${at}.${i}`));
  if (x === null || typeof x !== "object") return [];
  const keys = Object.keys(x);
  const kinds = ["value", "onset", "effective", "performed"].map((p) =>
    keys.filter((k) => new RegExp(`^${p}[A-Z]`).test(k)),
  );
  return [
    ...(keys.length === 0 ? [`${at} is empty`] : []),
    ...kinds.filter((k) => k.length > 1).map((k) => `${at} has ${k.join(" and ")}`),
    ...keys.flatMap((k) => slips((x as Record<string, unknown>)[k], `${at}.${k}`)),
  ];
}

test("every resource is valid R4 by two independent validators, with units of UCUM and nothing left hanging", () => {
  const [loose, strict] = [new Fhir(), new JSONSchemaValidator()];
  const problems = bundle.entry.flatMap(({ resource: r }) => [
    ...loose
      .validate(r as never, { errorOnUnexpected: true })
      .messages.filter((m) => m.severity === "error" || m.severity === "fatal")
      .map((m) => `${r.resourceType}: ${m.location} ${m.message}`),
    ...strict.validate(r as never).map((e) => `${r.resourceType}: ${e.dataPath} ${e.message}`),
    ...slips(r, r.resourceType),
  ]);
  expect(problems).toEqual([]);
  expect(strict.validate(bundle)).toEqual([]);
  const kinds = new Set(bundle.entry.map((e) => e.resource.resourceType));
  for (const kind of [
    "Patient",
    "Condition",
    "Observation",
    "CarePlan",
    "ServiceRequest",
    "Procedure",
    "DetectedIssue",
    "Provenance",
  ])
    expect(kinds).toContain(kind);
  const all = JSON.stringify(bundle);
  const ids = new Set(bundle.entry.map((e) => e.fullUrl));
  for (const [, to] of all.matchAll(/"reference":"([^"]+)"/g)) expect(ids).toContain(to);
  for (const [, code] of all.matchAll(/"system":"http:\/\/unitsofmeasure.org","code":"([^"]+)"/g))
    expect(["N.m", "deg", "cm", "m", "s", "min", "kg", "{grade}", "{count}", "{score}"]).toContain(code);
}, 60_000);

test("the bundle reads back in another clinic: the client, the test, the measurement, and nothing is planned before it is looked at", async () => {
  const other = await makeClinic();
  const draft = await readInto(other, "fhir", JSON.stringify(bundle));
  expect(draft.summary?.problems).toEqual([]);
  expect(draft.summary?.notes.map(sayPlainly).join()).toMatch(/easily stirred up/);
  await other.as("therapist", (ctx) => confirmImport(ctx, draft.id), LATER);
  const client = await other.as(
    "therapist",
    (ctx) => clientEpisode(ctx, draft.summary?.clients[0]?.id ?? ""),
    LATER,
  );
  expect(client).toMatchObject({
    name: "Made Up",
    birthYear: 1980,
    heightM: 1.7,
    bodyMassKg: 73,
    side: "right",
    irritability: "high",
  });
  const tests = await other.as("therapist", (ctx) => testsOf(ctx, client.episodeId), LATER);
  const was = bundle.entry.find((e) => JSON.stringify(e.resource).includes("strength-knee_extension"))
    ?.resource.valueQuantity as { value: number };
  expect(tests).toMatchObject([{ torqueNm: was.value, isReliable: false, side: "right" }]);
  const measured = await other.as("therapist", (ctx) => measurementsOf(ctx, client.episodeId), LATER);
  expect(measured.map((m) => [m.kind, m.side, m.value, m.stepM]).sort()).toEqual([
    ["body_mass", null, client.bodyMassKg, null],
    ["knee_bend", "right", 118, null],
    ["step_downs_30s", "right", 11, 0.2],
  ]);
  expect(await other.as("therapist", (ctx) => planningBarred(ctx, client), LATER)).toMatch(/warning signs/i);
}, 60_000);

test("what does not fit is refused at its place: other units, no side, nobody's condition, a patient twice", async () => {
  const other = await makeClinic();
  const wrong = async (change: (b: { entry: { resource: Record<string, never> }[] }) => void) => {
    const copy = structuredClone(bundle) as never as Parameters<typeof change>[0];
    change(copy);
    const { summary } = await readInto(other, "fhir", JSON.stringify(copy));
    return summary?.problems.map((p) => `${p.at}: ${sayPlainly(p.said)}`).join("\n") ?? "";
  };
  const of = (b: { entry: { resource: Record<string, unknown> }[] }, kind: string) =>
    b.entry.find((e) => e.resource.resourceType === kind)?.resource as Record<string, never>;
  expect(
    await wrong((b) => {
      for (const e of b.entry)
        if (JSON.stringify(e.resource).includes('"code":"N.m"'))
          (e.resource.valueQuantity as unknown as { code: string }).code = "[ft_us].[lbf_av]";
    }),
  ).toMatch(/entry\.\d+: A strength test must be in N\.m/);
  expect(await wrong((b) => delete (of(b, "Condition") as Record<string, unknown>).bodySite)).toMatch(
    /which side/,
  );
  expect(
    await wrong((b) => Object.assign(of(b, "Condition"), { subject: { reference: "Patient/somebody" } })),
  ).toMatch(/not in the bundle/);
  expect(await wrong((b) => b.entry.push(structuredClone(b.entry[0]) as never))).toMatch(/there twice/);
  expect(await wrong((b) => Object.assign(of(b, "Patient"), { birthDate: "3026" }))).toMatch(/year of birth/);
  expect(
    (await readInto(other, "fhir", "[]")).summary?.problems.map((p) => sayPlainly(p.said)).join(),
  ).toMatch(/kind that is asked for|bundle/);
}, 60_000);

const person = (over: object = {}, ...more: object[]) => ({
  resourceType: "Bundle",
  type: "collection",
  entry: [
    {
      resourceType: "Patient",
      id: "p1",
      name: [
        { use: "old", text: "Former Name" },
        { use: "nickname", text: "Short" },
        { use: "official", text: "Present Name" },
      ],
      birthDate: "1961",
      ...over,
    },
    weight("1998-01-01", 60),
    weight("2026-02-01", 84),
    weight("2019-05-05", 71),
    {
      resourceType: "Observation",
      status: "final",
      code: { coding: [{ code: "8302-2" }] },
      subject: { reference: "Patient/p1" },
      valueQuantity: { value: 172, code: "cm" },
    },
    ...more,
  ].map((resource) => ({ resource })),
});
const weight = (on: string, value: number) => ({
  resourceType: "Observation",
  status: "final",
  code: { coding: [{ code: "29463-7" }] },
  subject: { reference: "Patient/p1" },
  effectiveDateTime: on,
  valueQuantity: { value, code: "kg" },
});
const problem = (text: string, onset: string, clinical: string, verification = "confirmed") => ({
  resourceType: "Condition",
  code: { text },
  subject: { reference: "Patient/p1" },
  onsetDateTime: onset,
  ...(text.includes("knee") ? { bodySite: [{ text: "left knee" }] } : {}),
  clinicalStatus: { coding: [{ code: clinical }] },
  verificationStatus: { coding: [{ code: verification }] },
});

test("the newest weight, the name of now and the condition that stands are taken; another one is said, not dropped", async () => {
  const own = await makeClinic();
  const file = person(
    {},
    problem("sprain of the left knee", "2001-06-01", "resolved"),
    problem("torn meniscus of the left knee", "2025-01-01", "active", "refuted"),
    problem("hypertension", "2015-01-01", "active"),
    problem("sore left knee", "2025-11-02", "active"),
  );
  const draft = await readInto(own, "fhir", JSON.stringify(file));
  expect(draft.summary?.problems).toEqual([]);
  expect(draft.summary?.clients[0]).toMatchObject({ name: "Present Name" });
  expect(draft.summary?.clients[0]?.conditions.map(sayPlainly).join()).toMatch(/sore left knee/);
  const notes = draft.summary?.notes.map(sayPlainly).join() ?? "";
  expect(notes).toMatch(/“hypertension” stands in the file too/);
  expect(notes).not.toMatch(/sprain|meniscus/);
  await own.as("therapist", (ctx) => confirmImport(ctx, draft.id), LATER);
  const id = draft.summary?.clients[0]?.id ?? "";
  const client = await own.as("therapist", (ctx) => clientEpisode(ctx, id), LATER);
  expect(client).toMatchObject({ bodyMassKg: 84, beganOn: "2025-11-02", side: "left" });
  // and out again: as text, with no gender, lever or method that nobody gave
  const out = fhirBundle(await own.as("therapist", (ctx) => clientFileOf(ctx, id), LATER), {
    idOf: (x) => x,
    say: sayPlainly,
  });
  const of = (kind: string) => out.entry.map((e) => e.resource).filter((r) => r.resourceType === kind);
  expect(of("Condition")).toMatchObject([{ code: { text: "sore left knee" } }]);
  expect(of("Patient")).toMatchObject([{ gender: "unknown" }]);
  expect(of("Observation").find((o) => JSON.stringify(o).includes("8302-2"))).toMatchObject({
    valueQuantity: { value: 172, unit: "cm", code: "cm" },
  });
});

test("a torque that came as a torque goes out without lever and method; what a cell measured says so", () => {
  const tests = bundle.entry
    .map((e) => e.resource)
    .filter((r) => JSON.stringify(r.code ?? "").includes("strength-"));
  expect(tests.length).toBeGreaterThan(0);
  for (const t of tests) expect(JSON.stringify(t)).toMatch(/lever-arm/);
  expect(JSON.stringify(bundle.entry.find((e) => e.resource.resourceType === "Patient"))).not.toMatch(
    /female|male/,
  );
});
