import { preferencesOf, writePreferences } from "@/server/auth/preferences";
import { findable } from "@/server/clinic/findable";
import { closeConnections, makeClient, makeClinic, owner, type TestClinic } from "../../support/clinic";

let clinic: TestClinic;
let other: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  other = await makeClinic();
});
afterAll(closeConnections);

test("everybody has their own way to see things, and nobody changes another's", async () => {
  const wants = { massUnit: "lb", locale: "en-US", keysOn: false, soundOn: false } as const;
  await clinic.as("trainer", (ctx) => writePreferences(ctx, wants));
  expect(await clinic.as("trainer", preferencesOf)).toEqual(wants);
  expect(await clinic.as("therapist", preferencesOf)).toMatchObject({
    massUnit: "kg",
    keysOn: true,
    soundOn: true,
  });
  // one of another clinic who claims to be somebody here changes nothing
  await other.as("trainer", (ctx) =>
    writePreferences({ ...ctx, actor: { ...ctx.actor, personId: clinic.actors.therapist.personId } }, wants),
  );
  expect(await clinic.as("therapist", preferencesOf)).toMatchObject({ massUnit: "kg" });
  const [row] = await owner`select role from person where id = ${clinic.actors.trainer.personId}`;
  expect(row?.role).toBe("trainer");
});

test("the search knows the names of one's own clinic only", async () => {
  const mine = await makeClient(clinic);
  const theirs = await makeClient(other);
  const found = await clinic.as("trainer", findable);
  expect(found.clients.map((c) => c.id)).toContain(mine.clientId);
  expect(found.clients.map((c) => c.id)).not.toContain(theirs.clientId);
  expect(found.machines.map((m) => m.name)).toEqual(["Bay extension"]);
  expect(found.exercises.length).toBeGreaterThan(80);
});
