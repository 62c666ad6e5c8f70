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
  | "retest";

/** Headings of the desk, in words. */
export const MATTER_WORDS: Record<MatterKind, string> = {
  concern: "To be seen by a therapist first",
  gone: "A machine is gone: change the sheet",
  stop: "Stopped: clear it or refer",
  open_visit: "On the floor now",
  morning: "Mornings not answered yet",
  decision: "To decide",
  request: "Asked by colleagues",
  planned: "Planned for today",
  run: "Could be run today",
  limit_ends: "Limits that end",
  criteria: "A next phase can open",
  plan: "To screen, measure or plan first",
  retest: "To measure again",
};

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
  "retest",
];

/** The order in which things matter to who looks. */
export const mattersFor = (role: Role): readonly MatterKind[] => (role === "trainer" ? TRAINER : THERAPIST);

/** Days before its end from which a limit stands on the desk. */
export const LIMIT_ENDS_SOON_DAYS = 7;
