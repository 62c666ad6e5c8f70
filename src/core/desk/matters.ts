import type { Role } from "../access/roles";

/** What can wait for somebody at a client. */
export type MatterKind =
  | "concern"
  | "stop"
  | "gone"
  | "open_visit"
  | "morning"
  | "decision"
  | "request"
  | "planned"
  | "run"
  | "limit_ends"
  | "criteria"
  | "plan"
  | "plateau"
  | "retest";

const THERAPIST: readonly MatterKind[] = [
  "concern",
  "stop",
  "gone",
  "morning",
  "decision",
  "request",
  "open_visit",
  "planned",
  "run",
  "limit_ends",
  "criteria",
  "plan",
  "plateau",
  "retest",
];
/** A trainer sees first whom they can run now. */
const TRAINER: readonly MatterKind[] = [
  "open_visit",
  "planned",
  "run",
  "concern",
  "stop",
  "gone",
  "morning",
  "request",
  "decision",
  "plan",
  "limit_ends",
  "criteria",
  "plateau",
  "retest",
];

/** The order in which things matter to who looks. */
export const mattersFor = (role: Role): readonly MatterKind[] => (role === "trainer" ? TRAINER : THERAPIST);

/** Days before its end from which a limit stands on the desk. */
export const LIMIT_ENDS_SOON_DAYS = 7;
