/** What both pages behind a link say. */
export const link = {
  closed: "This does not open",
  wrong: "This link does not fit. Open it from the message as it was sent, or ask the clinic for a new one.",
  run_out: "This link has run out. Ask the clinic for a new one.",
  gone: "This sheet is not in use any more. Ask the clinic for a new link.",
  too_many: "Too many links that do not fit came from here. Wait a quarter of an hour.",
  what_is_it: "What is it?",
  not_sent: "It was not sent. Try again.",
  pain_now: "Pain in the joint now",
  score: (m: { n: number }) => `${m.n} of 10`,
  no: "no",
  yes: "yes",
};
