import { WORN } from "@/words/en/plan/setUp";

/** What a client takes home on paper. */
export const clientPaper = {
  title: "Exercises at home",
  set: (m: { what: string }) => `Set: ${m.what}.`,
  needs: (m: { what: string }) => `You need: ${m.what}.`,
  wear: (m: { what: string }) => `Wear: ${m.what}.`,
  if_hurts: "If it hurts",
  up_to: (m: { pain: number }) =>
    `Joint pain up to ${m.pain} of 10 is all right if it has settled by the next morning. The burn of a muscle is no harm.`,
  above: (m: { pain: number }) => `Above ${m.pain} of 10: stop this exercise for today and tell us.`,
  stop_all:
    "New numbness, the knee gives way or locks, or it is hot or much more swollen: stop everything and call the clinic.",
  emergency: "Chest pain, short breath, a painful swollen calf: call the emergency number.",
  when_next: "When next",
  no_days: "No days are planned yet: ask us when you come.",
  day_at: (m: { day: string; at: string }) => `${m.day} at ${m.at}`,
  tick: "Tick what you did, and write the pain of the next morning.",
  dark_days: "Dark days are the planned ones.",
  exercise: "exercise",
  pain_in: "pain in it",
  pain_next: "pain next morning",
  /** a setting of a machine by its key; the name is the one it was kept with */
  setting: (m: { key: string | undefined; name: string }) => m.name,
  worn: (m: { worn: "sleeve" | "brace" | "tight_wrap" }) => WORN[m.worn],
};
