import type { Muscle } from "@/core/schedule/balance";
import type { SORENESS_LEVELS } from "@/core/schedule/soreness";
import type { Part } from "@/core/story/part";
import type { PainRegion } from "@/core/units/painRegion";
import type { STIFFNESS_BANDS, SwellingSaid } from "@/core/visit/client/clientMorning";
import { MUSCLE_WORDS } from "../plan/muscles";
import { PAIN_REGIONS } from "../story";

const SWELLING: Record<SwellingSaid, string> = { less: "less", same: "the same", more: "more" };
const STIFFNESS: Record<(typeof STIFFNESS_BANDS)[number]["id"], string> = {
  to_10: "under 10",
  to_30: "to 30",
  longer: "longer",
};

const COUNTS: Readonly<Record<number, string>> = { 3: "Three", 4: "Four", 5: "Five", 6: "Six" };

/** What is asked for where the story names nothing. */
const BESIDES: Readonly<Record<string, string>> = {
  sport: "sport, a long walk",
  lifting: "lifting, garden work",
};

/** The client's morning by a link. */
export const morning = {
  ask: (m: { part: Part }) => `How is the ${m.part} this morning?`,
  intro: (m: { questions: number }) =>
    `After yesterday's exercises. ${COUNTS[m.questions] ?? m.questions} questions, half a minute.`,
  intro_used: "Your clinic has gone on from your answer. If something worries you now, say it here.",
  intro_after_noon: "Answers could be changed until noon. If something worries you now, say it here.",
  intro_known: "You have answered. You can change it until noon.",
  pain_help: "0 is none, 10 the worst you can think of",
  swelling: "Swelling, against your usual",
  swelling_is: (m: { said: SwellingSaid }) => SWELLING[m.said],
  region: (m: { region: PainRegion }) => `Pain now: ${PAIN_REGIONS[m.region]}`,
  needs_region: (m: { region: PainRegion }) => `Tap how much it hurts, 0 to 10: ${PAIN_REGIONS[m.region]}.`,
  stiffness: "Stiff after getting up, minutes",
  stiffness_is: (m: { band: keyof typeof STIFFNESS }) => STIFFNESS[m.band],
  sore: "Sore in the muscles?",
  sore_help: "not the joint; leave it if you are not sure",
  sore_is: (m: { level: (typeof SORENESS_LEVELS)[number] }) =>
    ({ 0: "none", 3: "a little", 6: "a lot" })[m.level],
  sore_where: "Where most of all?",
  sore_muscle: (m: { muscle: Muscle }) => MUSCLE_WORDS[m.muscle],
  besides: "What else did you do that day?",
  besides_help: "beside the exercises; leave it if nothing comes to mind",
  besides_none: "nothing much",
  besides_is: (m: { what: string }) => BESIDES[m.what] ?? m.what,
  besides_hard: "How hard was it?",
  besides_hard_help: "0 no effort, 10 the hardest you can do",
  needs_besides_hard: "Tap how hard it was, 0 to 10.",
  worried: "Anything that worries you?",
  tell: "yes, tell the clinic",
  needs_pain: "Tap how much the joint hurts, 0 to 10.",
  needs_swelling: "Tap whether it is swollen less, the same or more.",
  needs_worried: "Tap whether anything worries you.",
  needs_sign: "Tap what worries you. If it is something else, call the clinic.",
  sending: "Sending",
  send: "Send",
  send_change: "Send the change",
  thanks: "Thank you",
  alarm: "The clinic sees this first",
  urgent:
    "Do not wait for the clinic: with chest pain, short breath, a painful swollen calf, or trouble with bladder or bowel, call the emergency number now.",
  kept: "Your answer is with the clinic. What comes next is decided from it.",
  wait_for: (m: { clinic: string }) =>
    `Do no exercises until ${m.clinic} has spoken with you. If they have not called by noon, call them.`,
  change: "Change my answer",
  not_yet: "Not yet",
  opens_at: (m: { at: string }) =>
    `These questions are about the morning after your exercises. They open at ${m.at} in the night; this link stays the same.`,
};
