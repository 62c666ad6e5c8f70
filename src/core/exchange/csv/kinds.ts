import { z } from "zod";
import data from "../data/csvColumns.json";
import type { CsvField } from "./fields";

export const CSV_KINDS = ["csv_clients", "csv_machines", "csv_tests", "csv_visits"] as const;
export type CsvKind = (typeof CSV_KINDS)[number];

const field = z.strictObject({ key: z.string(), isNeeded: z.boolean(), also: z.array(z.string()) });

/** The tables that can be read in, and the columns of each with the headers that mean them. docs/formats.md lists them. */
export const CSV_FIELDS: Readonly<Record<CsvKind, readonly CsvField[]>> = z
  .record(z.enum(CSV_KINDS), z.array(field).min(1))
  .parse(data);
