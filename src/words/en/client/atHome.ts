import type { EarlyReason } from "@/core/visit/setRecord";

const entries = (n: number): string => (n === 1 ? "entry" : "entries");
/** Whether the range was reached is looked at by somebody else. */
type Early = Exclude<EarlyReason, "range">;
const EARLY: Record<Early, string> = {
  muscle: "the muscle gave out",
  joint_pain: "the joint hurt",
  position: "I could not stay so",
  other: "something else",
};
const LEG = { both: "Both legs", left: "Left leg", right: "Right leg" };

/** The sheet for home on a phone. */
export const atHome = {
  today: "Today's exercises",
  how_long: (m: { exercises: number; minutes: number }) =>
    `${m.exercises} ${m.exercises === 1 ? "exercise" : "exercises"}, about ${m.minutes} minutes`,
  new_at_first: "Is anything of this new?",
  new_since: "Is anything new since last time?",
  new_help: "A fall, swelling or warmth, new pain, numbness, fever, breathlessness, feeling unwell",
  nothing_new: "no, nothing",
  needs_new: "Tap whether anything is new.",
  needs_sign: "Tap what is new.",
  tell: "Tell the clinic",
  begin: "Begin",
  sent: "sent to the clinic",
  waits: "kept on this phone, sent when there is a network",
  nothing_today: "Nothing today",
  after_sign: (m: { clinic: string; sent: string }) =>
    `Do no exercises until ${m.clinic} has spoken with you. With chest pain, short breath, a painful swollen calf, or trouble with bladder or bowel, call the emergency number now. (${m.sent})`,
  not_sent: "Something was not sent",
  earlier: (m: { n: number }) =>
    `${m.n} ${entries(m.n)} of an earlier link ${m.n === 1 ? "is" : "are"} still on this phone: the clinic does not have ${m.n === 1 ? "it" : "them"}.`,
  send_to: (m: { clinic: string }) => `Send to ${m.clinic}`,
  done: "Done for today",
  done_once: "One time a day is what was planned. Tomorrow morning a few questions come, then it goes on.",
  not_today: "Not today",
  barred: (m: { clinic: string }) =>
    `${m.clinic} has to look at something first, so there is nothing to do here today. They see that it waits; you can call them.`,
  rest_day: "A day of rest",
  rest_day_why:
    "The legs worked hard lately, and they need two days in between. Open this link again tomorrow.",
  leg_of: (m: { leg: keyof typeof LEG; at: number; of: number }) => `${LEG[m.leg]}, ${m.at} of ${m.of}`,
  badge_refused: "not taken",
  badge_sent: "sent",
  badge_waits: "kept on this phone",
  refused_kept: (m: { n: number; clinic: string }) =>
    `${m.n} ${entries(m.n)} ${m.n === 1 ? "is" : "are"} kept on this phone: a new link of ${m.clinic}, opened here, takes ${m.n === 1 ? "it" : "them"} along.`,
  line_over: (m: { names: string; isLast: boolean }) =>
    `${m.names}: over for today, it hurt more than it should. Let the leg rest; ${m.isLast ? "the clinic sees it." : "the next one may still be fine."}`,
  line_gave_out: (m: { names: string; isLast: boolean }) =>
    `${m.names}: enough for today, the muscle gave out. ${m.isLast ? "The clinic sees it." : "Go on with the next one."}`,
  needs: (m: { what: string }) => `You need: ${m.what}`,
  set: (m: { what: string }) => `Set: ${m.what}`,
  wear: (m: { what: string }) => `Wear: ${m.what}`,
  stop_above: (m: { pain: number }) => `If the joint hurts above ${m.pain}, stop.`,
  pins: "The stop or pins are in, and hold",
  ready: "I am ready",
  rest: "rest, then the next",
  start: "Start",
  offer_more: (m: { reps: number }) => `You had more left: try ${m.reps}`,
  start_now: "Start now",
  breathe: "to go · breathe",
  one_more: "one more",
  of_reps: (m: { reps: number | null }) => `of ${m.reps ?? "as many as fit"} · tap each`,
  stop_this: "Stop this one",
  that_was_it: "That was it",
  why_early: "Why did it end early?",
  early: (m: { why: Early }) => EARLY[m.why],
  pain_in: "Pain in the joint during it",
  pain_in_help: "not the burn of the muscle",
  how_hard: "How hard was it?",
  how_hard_help: "0 is nothing, 10 the most you can",
  effort: (m: { n: number }) => `effort ${m.n} of 10`,
  how_many: "How many more could you have done?",
  how_many_help: "10 is ten or more",
  more: (m: { n: number }) => `${m.n} more`,
  stopped: "Stopped",
  all_done: "All done",
  end_refused: (m: { n: number; clinic: string }) =>
    `The clinic did not take all of it: ${m.n} ${entries(m.n)} ${m.n === 1 ? "is" : "are"} kept on this phone. Call ${m.clinic} for a new link and open it here.`,
  end_sent: "The clinic has it.",
  end_waits:
    "It is kept on this phone and goes to the clinic when there is a network. Leave this page open, or open the link again.",
  tomorrow: "Tomorrow morning a few questions come.",
  above_limit: (m: { pain: number; most: number; clinic: string }) =>
    `${m.pain} is more than your limit of ${m.most}: rest the leg today. If it is not better in the evening, call ${m.clinic}.`,
  back: "back",
  stop: "Stop",
  stop_label: "Stop for today",
  stop_ask: "Stop for today?",
  go_on: "Go on",
  band_next: "NEXT",
  band_pain: "PAIN?",
  band_go: "GO",
  band_rest: "REST",
  band_hold: "HOLD",
  band_move: "MOVE",
  band_done: "DONE",
};
