import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import { addMachine } from "@/server/clinic/machines";
import { exercisesAcross, exerciseVisits } from "@/server/review/acrossClients";
import { recordMorning } from "@/server/visits/mornings";
import {
  closeConnections,
  daysLater,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  type TestClinic,
} from "../../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../../support/lines";

let [clinic, other]: TestClinic[] = [];
beforeAll(async () => {
  clinic = await makeClinic();
  other = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf("seated_press")));
});
afterAll(closeConnections);

test("what an exercise led to is read from what stands, with the morning after, and from this clinic alone (Z1)", async () => {
  if (!clinic || !other) throw new Error("no clinic");
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [sheetLineOf("lp_horizontal", STRAIGHT)]);
  const visitId = await runVisit(clinic, client, { at: daysLater(0), pain: 1 });
  const visits = (only: string | null = null) =>
    (clinic as TestClinic).as("trainer", (ctx) => exerciseVisits(ctx, only), daysLater(3));
  expect(await visits("curl_lying")).toEqual([]);
  const [first] = await visits("lp_horizontal");
  expect(first).toMatchObject({
    exerciseId: "lp_horizontal",
    client: client.clientId,
    stoppedByPain: false,
    morning: null,
  });
  expect(first?.best?.loadKg).toBeGreaterThan(0);
  const answer = { id: randomUUID(), visitId, corrects: null, pain: 7, swelling: 0, stiffnessMin: null };
  await clinic.as("trainer", (ctx) => recordMorning(ctx, client, answer), daysLater(1, 8));
  expect((await visits())[0]?.morning).toBe("sore");
  // something hard besides: the morning tells nothing of the exercise
  const calm = {
    ...{ ...answer, id: randomUUID(), corrects: answer.id },
    besides: [{ what: "a long run", hard: 8, loads: ["legs" as const] }],
  };
  await clinic.as("trainer", (ctx) => recordMorning(ctx, client, calm), daysLater(1, 9));
  expect((await visits())[0]?.morning).toBeNull();
  // what was held on to, and what was taken back, is no load of this exercise
  await owner`update set_record set help = 'two_hands', early = 'joint_pain' where visit_id = ${visitId}`;
  expect((await visits())[0]).toMatchObject({ best: null, stoppedByPain: true });
  await owner`update set_record set is_voided = true where visit_id = ${visitId}`;
  expect(await visits()).toEqual([]);
  await owner`update set_record set is_voided = false where visit_id = ${visitId}`;
  const across = (of: TestClinic, days = 3) => of.as("trainer", exercisesAcross, daysLater(days));
  expect(await across(clinic)).toEqual([
    { exerciseId: "lp_horizontal", visits: 1, clients: 1, results: null },
  ]);
  expect(await across(other)).toEqual([]);
  expect(await across(clinic, 370)).toEqual([]);
});
