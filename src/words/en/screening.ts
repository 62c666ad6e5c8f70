import type { Said } from "@/core/units/said";
import type { Format } from "../format";

/** What a screening bars, when it is due again, and why blood pressure is asked for. */
export const screening = {
  sign: (m: { isStop: boolean; timeFrame: string; question: string }) =>
    `${m.isStop ? "Stop and refer" : "Ask the physician"} ${m.timeFrame}: ${m.question} A therapist clears it with a reason, or on the physician's word.`,
  not_asked: "Nobody has asked the warning signs yet: a therapist screens first.",
  unanswered: (m: { count: number }) =>
    `${m.count} warning-sign ${m.count === 1 ? "question has" : "questions have"} no answer yet: a therapist asks the rest.`,
  due_again: (m: { because: Said }, f: Format) =>
    `The whole screening is due again, because ${f.say(m.because)}: a therapist asks it.`,
  gap: (m: { days: number }) => `the last session was ${m.days} days ago`,
  old: (m: { days: number }) => `it is ${m.days} days old`,
  because: (m: { question: string }) => `warning sign answered yes: ${m.question}`,
  of_age: (m: { years: number }) => `of the age, ${m.years}`,
  of_condition: "of the condition",
  of_heart: "of an answer about heart and circulation",
};
