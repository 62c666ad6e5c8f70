import type { Deed } from "@/core/access/roles";

/** One line of reasons for a closed door. */
export const DEED_SENTENCES: Record<Deed, string> = {
  "client.read": "Sign in to read this client.",
  "story.write": "Only a therapist enters or changes a client's story. You can read it here.",
  "screen.record": "Only a therapist asks the whole screening and signs it. You can read the answers here.",
  "limit.write": "Only a therapist writes, changes or lifts a limit. You work inside what is written here.",
  "stance.write": "Only a therapist chooses a stance. You can read which is in force and why.",
  "clinic.stance.write": "Only a therapist or the clinic's admin sets the clinic's defaults.",
  "source.check": "Only a therapist or the clinic's admin marks a source as checked.",
  "phase.confirm": "Only a therapist confirms a phase. You can read what it still needs.",
  "measurement.record": "Only a therapist records a measurement, because limits and phases depend on it.",
  "test.record": "Only a therapist records a strength test, because it changes the dose.",
  "plan.write":
    "Only a therapist changes a dose. You can run the session as it stands, or ask the therapist.",
  "session.run": "Only a therapist or a trainer runs a session.",
  "recheck.clear": "Only a therapist clears a warning sign.",
  "concern.see": "Only a therapist marks a stop or a pain as seen.",
  "response.record": "Only a therapist or a trainer records the next morning.",
  "decision.take": "Only a therapist takes the decision for the next session. You can read it here.",
  "machine.write": "Only a therapist or the clinic's admin enters, changes or calibrates a machine.",
  "exercise.write": "Only a therapist changes the clinic's exercises. You can read them here.",
  "card.write": "Only a therapist saves a set-up card. You set the machine as it says.",
  "swap.take": "Only a therapist or a trainer swaps an exercise for today.",
  "request.make": "Only those who run sessions ask a therapist for more.",
  "request.answer": "Only a therapist allows or refuses what was asked.",
  "link.make": "Only a therapist or a trainer sends a link.",
  "export.client": "Only a therapist or the clinic's admin takes a client's records out as a file.",
  "export.clinic": "Only the clinic's admin takes the whole clinic out as a file.",
  "import.make": "Only a therapist or the clinic's admin reads a file in.",
  "import.confirm":
    "Only a therapist confirms what a file brings, because limits, phases and doses follow from it.",
  "clinic.write": "Only the clinic's admin changes what stands on its paper.",
  "letter.write": "Only a therapist writes to a surgeon or a physician.",
  "language.choose": "Only a therapist, a trainer or the client chooses the language of the client's pages.",
  "morning.answer": "Only the client answers by this link.",
  "home.run": "Only the client runs this sheet by this link.",
};
