import type { Action } from "../progression/safetyRules";

/** A decision as it is told to the client: what comes next, and why. */
export interface ToldDecision {
  line: string;
  action: Action;
  sentence: string;
  reasons: readonly string[];
}

const OPENINGS: Record<Action, string> = {
  PROGRESS: "Today it goes a step on.",
  HOLD: "Today it stays as it is.",
  REGRESS: "Today is a step back.",
  STOP_REFER: "This is stopped, and somebody looks at it.",
};
const CLOSINGS: Record<Action, string> = {
  PROGRESS: "A step on is small on purpose.",
  HOLD: "Staying is work too: the knee gets used to it.",
  REGRESS: "A step back is part of the plan. It is taken again when two visits have gone well.",
  STOP_REFER: "Nothing is lost. It is planned anew when it is clear what it was.",
};

/** Why today is what it is, in three short sentences; the reasons are those that the decision was taken by. */
export const whyNext = (d: ToldDecision): string[] => [
  `${d.line}: ${OPENINGS[d.action].charAt(0).toLowerCase()}${OPENINGS[d.action].slice(1)}`,
  ...d.reasons.slice(0, 2).map((r) => `Because ${r.replace(/[.]$/, "")}.`),
  d.sentence,
  CLOSINGS[d.action],
];
