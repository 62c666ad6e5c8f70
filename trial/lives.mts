/** A process of its own that lives some people's courses, and sends each when it is over. */
import { type Course, live, type PolicyName } from "./live";
import type { TrialPerson } from "./person";

export interface Lives {
  people: { person: TrialPerson; seed: number }[];
  policies: PolicyName[];
}

const sent = (c: Course) => new Promise<void>((done) => process.send?.(c, () => done()));

process.on("message", async ({ people, policies }: Lives) => {
  for (const { person, seed } of people)
    for (const policy of policies) await sent(live(person, policy, seed));
  process.disconnect();
});
