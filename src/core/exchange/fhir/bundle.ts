import type { ClientFile } from "../clientFile";
import { conditions, issues, plans, procedures, uncoveredConditions } from "./care";
import {
  bodyObservations,
  measurementObservations,
  morningObservations,
  strengthObservations,
} from "./observations";
import { type Bundle, instant, type Resource, toId, type Written } from "./resource";

/**
 * A client as a collection of HL7 FHIR R4 resources; what has no id of its own in the records gets one. Loads and plans
 * are words, since R4 has no common code for a pin on a stack.
 */
export function fhirBundle(file: ClientFile, written: Written): Bundle {
  const { idOf, say } = written;
  const { rows } = file;
  const client = rows.client[0];
  if (!client) throw new Error("A client's file names a client.");
  const made = instant(file.made_at);
  const patient: Resource = {
    resourceType: "Patient",
    id: client.id,
    name: [{ text: client.name }],
    // whose norms strength is read by is nobody's gender
    gender: "unknown",
    birthDate: String(client.birth_year),
    communication: [
      { language: { coding: [{ system: "urn:ietf:bcp:47", code: client.language }] }, preferred: true },
    ],
    managingOrganization: toId(idOf("organization")),
  };
  const people = file.people.filter((p) => p.role !== "client");
  const who: Resource[] = [
    { resourceType: "Organization", id: idOf("organization"), name: file.clinic.name },
    ...people.map((p): Resource => ({ resourceType: "Practitioner", id: p.id, name: [{ text: p.name }] })),
    // who answers by a link is the client, kept apart as one who enters
    ...file.people
      .filter((p) => p.role === "client")
      .map(
        (p): Resource => ({
          resourceType: "RelatedPerson",
          id: p.id,
          patient: toId(client.id),
          name: [{ text: p.name }],
        }),
      ),
  ];
  const found: Resource[] = [
    ...conditions(rows, client.id),
    ...uncoveredConditions(rows, client.id, written),
    ...bodyObservations(file, { mass: idOf("mass"), height: idOf("height") }, say),
    ...strengthObservations(rows, client.id, say),
    ...measurementObservations(rows, client.id, say),
    ...plans(rows, client.id, written),
    ...procedures(rows, client.id, say),
    ...morningObservations(rows, client.id, say),
    ...issues(rows, client.id, written),
  ];
  const all = [patient, ...who, ...found, ...provenance(file, found, idOf)];
  return {
    resourceType: "Bundle",
    id: idOf("bundle"),
    type: "collection",
    timestamp: made,
    entry: all.map((resource) => ({ fullUrl: `urn:uuid:${resource.id}`, resource })),
  };
}

/** Who recorded what: one statement a person, with the moment of the last. */
function provenance(
  file: ClientFile,
  found: readonly Resource[],
  idOf: (name: string) => string,
): Resource[] {
  const { rows } = file;
  const byPerson = new Map<string, { targets: Set<string>; last: string }>();
  const there = new Set(found.map((r) => r.id));
  const add = (person: string, id: string, at: string) => {
    if (!there.has(id)) return;
    const known = byPerson.get(person) ?? { targets: new Set(), last: at };
    known.targets.add(id);
    if (instant(at) > instant(known.last)) known.last = at;
    byPerson.set(person, known);
  };
  for (const c of rows.episode_condition) add(c.set_by, c.id, c.set_at);
  for (const t of rows.strength_test) add(t.taken_by, t.id, t.taken_at);
  for (const m of rows.measurement) add(m.taken_by, m.id, m.taken_at);
  for (const s of rows.sheet) add(s.made_by, s.id, s.made_at);
  for (const v of rows.visit_end) add(v.signed_by, v.visit_id, v.received_at);
  for (const r of rows.response) add(r.entered_by, r.id, r.answered_at);
  return [...byPerson].map(([person, { targets, last }]) => ({
    resourceType: "Provenance",
    id: idOf(`provenance ${person}`),
    target: [...targets].map(toId),
    recorded: instant(last),
    agent: [{ who: toId(person) }],
  }));
}
