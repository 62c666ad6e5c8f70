import type { MissingFact } from "@/core/progression/safetyRules";
import type { Help, Worn } from "@/core/selection/setUp/aid";
import type { Rooms } from "../message";
import type { Words } from "../words";
import { roundDose } from "./plan/room";
import { aidWords } from "./plan/setUp";
import { PAIN_REGIONS } from "./story";
import { FAULT_WORDS, REMEDY_WORDS } from "./visit/faults";
import { FELT_IN } from "./visit/feel";

const FACTS: Record<MissingFact, string> = {
  pain_before: "pain before the first set",
  pain_in: "pain during the sets",
  pain_after: "pain after the sets",
  morning: "the next morning",
  swelling: "swelling",
  range: "the range reached",
  done: "what was done",
};

/** Why a line steps up, stays, steps back or stops: what follows "because". */
export const progression: Words<Rooms["progression"]> = {
  sign: "a warning sign was answered yes",
  swelling_two_grades: "swelling rose by two grades or is very large",
  pain_in_strict: (m) =>
    `joint pain reached ${m.pain} in a knee that is ${m.isPostOp ? "after surgery" : "easily stirred up"}`,
  swelling_and_morning: "after surgery, swelling and morning pain rose together",
  pain_in: (m) => `joint pain reached ${m.pain} during a set`,
  pain_above: (m) => `joint pain of ${m.pain} during a set is above the limit of ${m.most}`,
  pain_stayed: (m) =>
    `joint pain stayed at ${m.pain} afterwards, above before and above the limit of ${m.most}`,
  morning_much: (m) => `the next morning was ${m.pain}, two or more above the usual ${m.usual}`,
  swelling_a_grade: "swelling rose by a grade or is at 2+",
  range_short: (m, f) => `only ${f.number(m.pct)} % of the planned range was reached`,
  arrived_much: (m) => `arrived with ${m.pain}, three or more above the usual ${m.usual}`,
  trend_rises: "the weekly mean of pain rose by one or more",
  morning_above: (m) => `the next morning was ${m.pain}, above the usual ${m.usual}`,
  pain_not_green: (m) => `joint pain of ${m.pain} during a set is within the limit but above ${m.green}`,
  pain_after: (m) =>
    `joint pain was ${m.pain} afterwards, more than the ${m.before} ${m.isUsual ? "that is usual" : "before"}`,
  morning_little: (m) => `the next morning was ${m.pain}, a little above the usual ${m.usual}`,
  swelling_still: "swelling is still at 1+",
  swelling_trace: "a trace of swelling is new",
  range_reached: (m, f) => `${f.number(m.pct)} % of the planned range was reached`,
  arrived_above: (m) => `arrived with ${m.pain}, above the usual ${m.usual}`,
  not_clean: (m) => `only ${m.pct} % of what was done was clean, 80 % is asked for a step up`,
  fault_again: (m) =>
    `${FAULT_WORDS[m.fault]} in ${m.visits} visits running: next is ${REMEDY_WORDS[m.remedy]}`,
  elsewhere_in: (m) =>
    `pain reached ${m.pain} in the ${PAIN_REGIONS[m.region]} while it was done; ${m.most} is allowed there`,
  elsewhere_morning: (m) =>
    `the next morning the ${PAIN_REGIONS[m.region]} was ${m.pain}, above its usual ${m.usual}`,
  more_aid: (m) =>
    `it was done with more than planned (${aidWords({ worn: m.worn as Worn, help: m.help as Help })}): what it takes without is not known`,
  not_sure: (m) =>
    `the client is sure of it by ${m.sure} of 10 only: the same again until it is ${m.enough}, and asked again`,
  felt_elsewhere: (m) =>
    `it was felt ${FELT_IN[m.where]}, not in the muscle that is meant, in ${m.visits} visits running: the set-up is looked at first, then the cue`,
  position_lost: "the position was lost before the end",
  at_room: (m) =>
    `the day put as much on what is sore as it takes (${roundDose(m.dose)} of ${roundDose(m.most)} sets of ten at 60 %)`,
  done_unsaid: (m) =>
    `all of it was done in ${m.visits} visits running; what was left was never said, so the smallest step`,
  missing: (m, f) => `not known yet: ${f.list(m.facts.map((fact) => FACTS[fact]))}`,
  second_step_back: "the last decision was a step back too: clinical review",
  unknown_done: "what was held is not known",
  missed_twice: "the plan was missed twice and felt too hard",
  missed: "the planned amount was not reached",
  harder: "it felt harder than planned",
  within: "within the planned range with enough in reserve",
  done_but_harder: "all of it was done but it felt harder than planned",
  felt_unknown: "felt effort is not known",
  spared_unloaded: "nothing is loaded by this line: it stays",
  spared_elsewhere:
    "hardly any of the visit's load on the joint is of this line, and it did not hurt: it stays",
  banked: (m) => `all of it was done: ${m.banked} of ${m.of} good visits on this step`,
  far_too_easy: (m: { left: number }) =>
    `${m.left} were left, far more than was aimed at: the load was too light`,
  all_done: (m) => `all of it was done in ${m.visits} visits${m.isEasy ? ", easily" : ""}`,
};

/** What is said beside a decision of which the therapist must hear today. */
export const TELL_TODAY = "Swelling rose after surgery: tell the therapist today.";
