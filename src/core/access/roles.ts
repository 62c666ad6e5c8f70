import { z } from "zod";

/** Who signs in. */
export const role = z.enum(["therapist", "trainer", "admin"]);
/** "client": who answers by a link, without an account; each link opens one thing only. */
export type Role = z.infer<typeof role> | "client";

export type Deed =
  | "client.read"
  | "story.write"
  | "screen.record"
  | "limit.write"
  | "stance.write"
  | "clinic.stance.write"
  | "source.check"
  | "phase.confirm"
  | "measurement.record"
  | "test.record"
  | "plan.write"
  | "session.run"
  | "recheck.clear"
  | "concern.see"
  | "odd.confirm"
  | "response.record"
  | "decision.take"
  | "machine.write"
  | "exercise.write"
  | "card.write"
  | "swap.take"
  | "request.make"
  | "request.answer"
  | "link.make"
  | "export.client"
  | "export.clinic"
  | "import.make"
  | "import.confirm"
  | "clinic.write"
  | "letter.write"
  | "language.choose"
  | "morning.answer"
  | "home.run";

/** Who may do what. A trainer runs sessions inside what a therapist saved; an admin is not a licensed person. */
const MAY: Record<Deed, readonly Role[]> = {
  "client.read": ["therapist", "trainer", "admin"],
  "story.write": ["therapist"],
  "screen.record": ["therapist"],
  "limit.write": ["therapist"],
  "stance.write": ["therapist"],
  "clinic.stance.write": ["therapist", "admin"],
  "source.check": ["therapist", "admin"],
  "phase.confirm": ["therapist"],
  "measurement.record": ["therapist"],
  "test.record": ["therapist"],
  "plan.write": ["therapist"],
  "session.run": ["therapist", "trainer"],
  "recheck.clear": ["therapist"],
  "concern.see": ["therapist"],
  "odd.confirm": ["therapist", "trainer"],
  "response.record": ["therapist", "trainer"],
  "decision.take": ["therapist"],
  "machine.write": ["therapist", "admin"],
  "exercise.write": ["therapist"],
  "card.write": ["therapist"],
  "swap.take": ["therapist", "trainer"],
  "request.make": ["trainer", "therapist"],
  "request.answer": ["therapist"],
  "link.make": ["therapist", "trainer"],
  "export.client": ["therapist", "admin"],
  "export.clinic": ["admin"],
  "import.make": ["therapist", "admin"],
  "import.confirm": ["therapist"],
  "clinic.write": ["admin"],
  "letter.write": ["therapist"],
  "language.choose": ["therapist", "trainer", "client"],
  "morning.answer": ["client"],
  "home.run": ["client"],
};

export const may = (who: Role, deed: Deed): boolean => MAY[deed].includes(who);

export const DEEDS = Object.keys(MAY) as readonly Deed[];
