import {
  createLoader,
  parseAsBoolean,
  parseAsInteger,
  parseAsString,
  parseAsStringLiteral,
} from "nuqs/server";
import { CASELOAD_SHOWS, CASELOAD_SORTS } from "@/core/desk/caseloadView";

/** What is searched, sorted and filtered, as it stands in the address; the server answers it a page at a time. */
export const caseloadParsers = {
  q: parseAsString.withDefault(""),
  show: parseAsStringLiteral(CASELOAD_SHOWS).withDefault("open"),
  sort: parseAsStringLiteral(CASELOAD_SORTS).withDefault("name"),
  down: parseAsBoolean.withDefault(false),
  hand: parseAsBoolean.withDefault(false),
  page: parseAsInteger.withDefault(1),
};

export const loadCaseloadView = createLoader(caseloadParsers);
