import { CSV_NAMES } from "@/core/exchange/csv/kinds";
import type { ImportKind } from "@/server/exchange/plansOf";

/** What a file that is read in can be. */
export const kindWords: Record<ImportKind, string> = {
  client: "a client, Bexlo's JSON",
  clinic: "a whole clinic, zip",
  machines: "machines, Bexlo's JSON",
  fhir: "patients, HL7 FHIR R4 bundle",
  csv_clients: `table of ${CSV_NAMES.csv_clients}, CSV`,
  csv_machines: `table of ${CSV_NAMES.csv_machines}, CSV`,
  csv_tests: `table of ${CSV_NAMES.csv_tests}, CSV`,
  csv_visits: `table of ${CSV_NAMES.csv_visits}, CSV`,
};
