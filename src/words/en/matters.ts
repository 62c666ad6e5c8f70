import type { MatterKind } from "@/core/desk/matters";

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
  plateau: "Stands still: look at the course",
  retest: "To measure again",
};
