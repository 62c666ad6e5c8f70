import type { Action } from "@/core/progression/safetyRules";
import { upperFirst } from "@/core/units/upperFirst";
import { OPENS_AT } from "@/core/visit/morningOpens";
import { ACTION_WORDS } from "@/words/en/decide";
import type { Rooms } from "../message";
import type { Words } from "../words";
import { PLATEAU_FITS, PLATEAU_MUSCLE } from "./numbers/plateau";
import { goneSentence } from "./plan/line";
import { REQUEST_KINDS } from "./requests";

const RETURNS = {
  same: "to go on",
  step_back: "one step back",
  start_again: "to start again from a test",
};

const drafted = (strictest: Action | null): string =>
  strictest
    ? `the drafts say ${ACTION_WORDS[strictest].toLowerCase()} at the strictest`
    : "nothing can be drafted yet";

/** What waits at a client, and what comes next. */
export const desk: Words<Rooms["desk"]> = {
  screening_stop: "Stop: a warning sign stands, refer or clear it",
  screening_hold: "A warning sign stands: ask the physician or clear it",
  sign_stands: "A warning sign stands: clear it with a reason, or refer",
  sign_since: (m) => `Since the last answer: ${m.signs}`,
  sign_bars: (m) =>
    `A warning sign stands since the last visit: ${m.signs}. A therapist clears it with a reason, or refers.`,
  bars: (m, f) => f.say(m.sentence),
  return_bar: (m) => m.sentence,
  stopped: "Stopped: refer, then write a new version",
  open_visit: "A visit is open on the floor: go on",
  ask_morning: "Ask how the morning after was",
  morning_later: `The morning after is asked from ${OPENS_AT} of the next day on`,
  drafts_say: (m) => upperFirst(drafted(m.strictest)),
  decide: (m) => `Decide what comes next: ${drafted(m.strictest)}`,
  request: (m) => `${m.by} asks for ${REQUEST_KINDS[m.kind]}: ${m.words}`,
  planned: (m) =>
    `${m.at ? `${m.at}, ` : ""}${m.name}${m.isAtGym ? "" : ", at home"}${m.isShort ? ", short form" : ""}`,
  days_off: (m) => `${m.days} days without work: ${RETURNS[m.proposed]} is proposed`,
  run: (m) => `Run ${m.names.join(" or ") || "the sheet"}`,
  limit_ends: (m, f) => `${m.limit} ends on ${f.day(m.endsOn)}`,
  phase_opens: (m) => `Every criterion is met: “${m.phase}” can open`,
  confirm_phase: (m, f) => `Confirm the phase: ${f.list(m.conditions)}`,
  screen_again: "Ask the warning signs again",
  screen_first: "Ask the warning signs first",
  hand_limits: "The rules do not cover this: write limits by hand",
  first_sheet: "Plan the first sheet",
  plateau: (m) => `${PLATEAU_MUSCLE[m.direction]} has not grown in four weeks: ${PLATEAU_FITS[m.because]}`,
  measure_strength: (m, f) => `Measure strength: ${f.say(m.because)}`,
  measure: (m, f) => `${f.say(m.what)}: ${f.say(m.because)}${m.more > 0 ? `, and ${m.more} more` : ""}`,
  gone: (m) => goneSentence(m.line),
  change_gone: (m) => `${m.line.machineName ?? "A machine"} is gone: change ${m.line.sheetName}`,
};
