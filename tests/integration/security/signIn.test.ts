import { randomUUID } from "node:crypto";
import { issueSaid } from "@/core/units/wrong";
import { hashPassword, passwordFits } from "@/server/auth/password";
import { actorOf, signIn, signInInput, signOut } from "@/server/auth/signIn";
import { sayPlainly } from "@/words/say";
import { closeConnections, makeClinic, owner } from "../../support/clinic";

afterAll(closeConnections);

const PASSWORD = "grey heron on the quay";

async function makePerson(): Promise<{ email: string; personId: string; clinicId: string }> {
  const clinic = await makeClinic();
  const personId = randomUUID();
  const email = `${personId}@test.example`;
  await owner`
    insert into person (id, clinic_id, email, name, role, password_hash, mass_unit)
    values (${personId}, ${clinic.id}, ${email}, 'Somebody', 'therapist', ${await hashPassword(PASSWORD)}, 'lb')`;
  return { email, personId, clinicId: clinic.id };
}

test("passwords are kept as argon2id and fit only themselves", async () => {
  const stored = await hashPassword(PASSWORD);
  expect(stored).toMatch(/^\$argon2id\$/);
  expect(await passwordFits(stored, PASSWORD)).toBe(true);
  expect(await passwordFits(stored, `${PASSWORD} `)).toBe(false);
  expect(await passwordFits(null, PASSWORD)).toBe(false);
});

test("the right password opens a session that says who it is", async () => {
  const person = await makePerson();
  const token = await signIn({ email: person.email.toUpperCase(), password: PASSWORD }, new Date());
  expect(await actorOf(token)).toMatchObject({
    personId: person.personId,
    clinicId: person.clinicId,
    role: "therapist",
    massUnit: "lb",
    clinicName: "Test Clinic",
  });
});

test("the database holds a hash of the token, not the token", async () => {
  const person = await makePerson();
  const token = await signIn({ email: person.email, password: PASSWORD }, new Date());
  const [row] = await owner`select token_hash from auth_session where person_id = ${person.personId}`;
  expect(row?.token_hash.toString("base64url")).not.toBe(token);
  expect(row?.token_hash).toHaveLength(32);
});

test("a wrong password and an unknown address get the same sentence", async () => {
  const person = await makePerson();
  const now = new Date();
  const wrong = await signIn({ email: person.email, password: "no" }, now).catch((e) => e.message);
  const unknown = await signIn({ email: `${randomUUID()}@test.example`, password: "no" }, now).catch(
    (e) => e.message,
  );
  expect(wrong).toMatch(/do not fit/);
  expect(unknown).toBe(wrong);
});

test("after eight failed tries even the right password must wait", async () => {
  const person = await makePerson();
  const now = new Date();
  for (let i = 0; i < 8; i++)
    await expect(signIn({ email: person.email, password: "no" }, now)).rejects.toThrow(/do not fit/);
  await expect(signIn({ email: person.email, password: PASSWORD }, now)).rejects.toThrow(/Too many tries/);
  const other = await makePerson();
  await expect(signIn({ email: other.email, password: PASSWORD }, now)).resolves.toBeTruthy();
});

test("tries at the same time are counted one by one", async () => {
  const person = await makePerson();
  const tries = await Promise.allSettled(
    Array.from({ length: 12 }, () => signIn({ email: person.email, password: "no" }, new Date())),
  );
  const sentences = tries.map((t) => (t.status === "rejected" ? String(t.reason.message) : "in"));
  expect(sentences.filter((s) => /do not fit/.test(s))).toHaveLength(8);
  expect(sentences.filter((s) => /Too many/.test(s))).toHaveLength(4);
});

test("success forgets the failed tries", async () => {
  const person = await makePerson();
  for (let i = 0; i < 5; i++)
    await signIn({ email: person.email, password: "no" }, new Date()).catch(() => {});
  await signIn({ email: person.email, password: PASSWORD }, new Date());
  for (let i = 0; i < 5; i++)
    await signIn({ email: person.email, password: "no" }, new Date()).catch(() => {});
  await expect(signIn({ email: person.email, password: PASSWORD }, new Date())).resolves.toBeTruthy();
});

test("signing out ends the session, and sessions run out by themselves", async () => {
  const person = await makePerson();
  const first = await signIn({ email: person.email, password: PASSWORD }, new Date());
  await signOut(first);
  expect(await actorOf(first)).toBeNull();
  const yesterday = new Date(Date.now() - 24 * 3_600_000);
  const old = await signIn({ email: person.email, password: PASSWORD }, yesterday);
  expect(await actorOf(old)).toBeNull();
  expect(await actorOf("made up")).toBeNull();
});

test.each([{}, { email: "a" }, { email: " ", password: "x" }, { email: 3, password: "x" }])(
  "sign-in refuses %j with a sentence",
  (input) => {
    const parsed = signInInput.safeParse(input);
    expect(parsed.success).toBe(false);
    expect(parsed.error?.issues.map((i) => sayPlainly(issueSaid(i))).join()).toMatch(/Enter your/);
  },
);

test("an address has one spelling: letters that some fold and others do not get no fresh tries", async () => {
  const person = await makePerson();
  const dotted = person.email.replace("test", "te\u017Ft").replace("example", "ex\u0130mple");
  expect(signInInput.safeParse({ email: dotted, password: "x" }).success).toBe(false);
  await expect(signIn({ email: dotted, password: PASSWORD }, new Date())).rejects.toThrow();
  // the same tries count for every spelling that is accepted
  for (let i = 0; i < 8; i++)
    await signIn(
      { email: i % 2 ? person.email : person.email.toUpperCase(), password: "no" },
      new Date(),
    ).catch(() => null);
  await expect(signIn({ email: person.email, password: PASSWORD }, new Date())).rejects.toThrow(
    /Too many tries/,
  );
});

test("many sign-ins at once wait for each other, and a flood is told to come back", async () => {
  const stored = await hashPassword(PASSWORD);
  const done = await Promise.allSettled(Array.from({ length: 60 }, () => passwordFits(stored, PASSWORD)));
  const refused = done.filter((d) => d.status === "rejected");
  expect(refused.length).toBeGreaterThan(0);
  expect(done.filter((d) => d.status === "fulfilled" && d.value)).toHaveLength(60 - refused.length);
  expect(await passwordFits(stored, PASSWORD)).toBe(true);
});
