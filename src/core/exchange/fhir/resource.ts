import type { SayIt } from "../../units/said";

/** HL7 FHIR R4 resources as plain data; the fields of each kind are in its own file. */
export interface Resource {
  resourceType: string;
  id: string;
  [field: string]: unknown;
}

export interface Bundle {
  resourceType: "Bundle";
  id: string;
  type: "collection";
  timestamp: string;
  entry: { fullUrl: string; resource: Resource }[];
}

/** What writing a bundle needs: an id from a text, always the same one, and sentences. */
export interface Written {
  idOf: (name: string) => string;
  say: SayIt;
}

export const UCUM = "http://unitsofmeasure.org";
export const LOINC = "http://loinc.org";
/** Codes of our own, where no common one is known for sure. */
export const OWN = "urn:bexlo:code";

export const toId = (id: string): { reference: string } => ({ reference: `urn:uuid:${id}` });

export const coded = (code: string, words: string, system = OWN) => ({
  coding: [{ system, code, display: words }],
  text: words,
});

/** Our units in UCUM's writing. */
const UCUM_CODES: Readonly<Record<string, string>> = {
  N·m: "N.m",
  "°": "deg",
  deg: "deg",
  cm: "cm",
  m: "m",
  s: "s",
  "m/s": "m/s",
  min: "min",
  kg: "kg",
  "%": "%",
  N: "N",
  grade: "{grade}",
  times: "{count}",
  "of 10": "{score}",
  mmHg: "mm[Hg]",
};

export const quantity = (value: number, unit: string) => ({
  value,
  unit,
  system: UCUM,
  code: UCUM_CODES[unit] ?? "1",
});

/** A moment as FHIR asks for it: with seconds and a time zone. */
export const instant = (at: string): string => new Date(at).toISOString();

/** Text that a resource may hold: nothing empty. */
export const note = (words: string | null) => (words ? { note: [{ text: words }] } : {});
