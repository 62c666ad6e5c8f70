import type { CriterionState } from "@/core/phases/phaseCriteria";
import { criterionText } from "@/core/rules/criteria";
import { SWELLING_WORDS } from "@/core/units/fields";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { Rooms } from "../message";
import type { Words } from "../words";

const STATES: Record<CriterionState, string> = {
  met: "met",
  not_met: "not met",
  cannot_tell: "cannot tell",
  not_measured: "not measured",
};

export const phases: Words<Rooms["phases"]> = {
  weeks_since_start: (m) => `weeks since the start at least ${m.least}`,
  weeks_in_phase: (m) => `weeks in this phase at least ${m.least}`,
  straightening_deficit: (m) => `straightening deficit at most ${m.mostDeg}°`,
  bend: (m) => `bend at least ${m.leastDeg}°`,
  swelling: (m) => `swelling at most ${SWELLING_WORDS[m.most]}`,
  quadriceps_lag: (m) => `quadriceps lag at most ${m.mostDeg}°`,
  quadriceps_symmetry: (m) => `quadriceps symmetry at least ${m.leastPct} %`,
  hamstring_symmetry: (m) => `hamstring symmetry at least ${m.leastPct} %`,
  daily_pain: (m) => `pain at rest and in daily life at most ${m.most} of 10`,
  can: (m) => criterionText(m.id),
  found_weeks: (m, f) => f.number(m.weeks),
  found_degrees: (m, f) => `${f.number(m.deg)}°`,
  found_swelling: (m) => SWELLING_WORDS[m.grade] ?? "",
  found_percent: (m, f) => `${f.number(m.pct)} %`,
  found_symmetry: ({ symmetry: s }, f) =>
    `${f.number(s.lsiPct)} %, one session tells ${f.number(s.lowPct)} to ${f.number(s.highPct)} %`,
  found_pain: (m, f) => `${f.number(m.pain)} of 10`,
  criterion: ({ asks, found, state }, f) =>
    `${f.say(asks)}: ${found ? `${f.say(found)}, ` : ""}${STATES[state]}`,
  no_such_phase: "This condition has no such phase. Reload the page.",
  confirm_first: (m) =>
    `Weeks and findings support “${lowerFirst(m.phase)}”: confirm that one first; later ones open one by one.`,
  confirmed_already: "This phase is confirmed already.",
  none_skipped: "No phase is skipped: confirm the next one first.",
};
