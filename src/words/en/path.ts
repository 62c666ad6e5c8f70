import { lowerFirst } from "@/core/units/lowerFirst";
import { OPENS_AT } from "@/core/visit/morningOpens";
import { ACTION_WORDS } from "@/words/en/decide";
import type { Rooms } from "../message";
import type { Words } from "../words";

const SCREENED = {
  missing: "not asked yet",
  incomplete: "answers missing",
  stop: "stop and refer",
  hold: "ask the physician",
  due: "due again",
  caution: "with caution",
  clear: "nothing found",
};

/** What each step of the path says under its name. */
export const path: Words<Rooms["path"]> = {
  story: "what it is about",
  screened: (m) => SCREENED[m.status],
  hand_limits: "write them by hand",
  confirm_phase: "confirm the phase",
  phase_opens: "next phase can open",
  phases: (m, f) => f.list(m.phases.map(lowerFirst)),
  as_written: "as written",
  due: (m, f) => f.say(m.because),
  due_many: (m) => `${m.n} are due`,
  tests: (m, f) => f.count(m.n, "strength test", "strength tests"),
  needs_limits: "needs limits",
  what_fits: "what fits this knee",
  screen_first: "screen first",
  no_sheet: "no sheet yet",
  sheets: (m, f) => `${f.list(m.names)}: ${f.count(m.lines, "line", "lines")}`,
  block_over: "the block is over",
  // within a block the year goes without saying
  block_until: (m, f) => `until ${f.day(m.on).replace(/ \d{4}$/, "")}`,
  no_days: "no days kept yet",
  after_sheet: "after a sheet",
  sign: "warning sign",
  screening: "screening",
  needs_sheet: "needs a sheet",
  days_off: "after days off",
  stopped: "stopped, refer",
  open_visit: "visit is open",
  gone: "a machine is gone",
  decide_first: "decide first",
  ready: "ready to run",
  ready_of: (m, f) => `${f.list(m.names)}: ready to run`,
  not_answered: "not answered yet",
  opens_later: `from ${OPENS_AT} on`,
  pain: (m) => `pain ${m.pain}`,
  after_visit: "after a visit",
  waits_for_morning: "waits for the morning",
  drafts_ready: "drafts are ready",
  decided: (m) => ACTION_WORDS[m.action].toLowerCase(),
  led_to: "what it led to",
  nothing_yet: "nothing yet",
};
