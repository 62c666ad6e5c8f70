import { randomUUID } from "node:crypto";
import type { WrittenLimit } from "@/core/bounds/written";
import { USUAL_ORDER } from "@/core/sheet/order/sessionScore";
import type { Scheme } from "@/core/sheet/schemes/scheme";
import { writeLimit } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";
import { chooseStance } from "@/server/client/stances";
import { type SheetFacts, sheetFacts } from "@/server/facts/sheetFacts";
import { recordTest } from "@/server/measure/measurements";
import {
  type ClientOptions,
  closeConnections,
  hold,
  makeClient,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  saveLines,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const KNEE = { conditionId: "knee_oa", variantId: "mild", phaseId: "build", beganOn: "2026-01-05" };
const REPLACED = {
  conditionId: "total_knee_replacement",
  variantId: "standard",
  phaseId: "w2_6",
  beganOn: "2026-02-09",
};
const HOLDS: Scheme = {
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 30,
  restS: 60,
  setRestS: 0,
  effort: { kind: "felt", felt: 5 },
  atDeg: 60,
};

const clientWith = (o: ClientOptions = {}) => makeClient(clinic, { rules: [KNEE], ...o });
async function factsOf(client: Awaited<ReturnType<typeof clientWith>>): Promise<SheetFacts> {
  return clinic.as("trainer", (ctx) => sheetFacts(ctx, client));
}
const written = (over: Partial<WrittenLimit>): WrittenLimit => ({
  id: randomUUID(),
  kind: "hold_seconds",
  low: null,
  high: 10,
  word: null,
  origin: "therapist",
  reason: "blood pressure",
  endsOn: null,
  replaces: null,
  isLifted: false,
  evenIfChanged: false,
  ...over,
});
const holdsOn = (scheme: Scheme) => [hold({ scheme, legs: "one_after_other", ladder: null })];

test("after surgery and with few visits the facts say so, and the usual order is the rule's", async () => {
  const { clientId, episodeId } = await clientWith({ rules: [REPLACED] });
  await owner`update episode set began_with = 'surgery' where id = ${episodeId}`;
  const facts = await factsOf(await clinic.as("trainer", (ctx) => clientEpisode(ctx, clientId)));
  expect(facts.known).toMatchObject({ isPostOp: true, isNovice: true, lastPain: null });
  expect(facts.school).toEqual(USUAL_ORDER);
  expect(facts.choose.strength).toMatchObject({ care: "strict", extension: { from: "prior", stations: {} } });
  expect(facts.choose.limits.hold_seconds).toBeUndefined();
});

test("the last session was as sore as its sorest moment, at its end too", async () => {
  const { client } = await plannedClient(clinic);
  await runVisit(clinic, client, { painBefore: 1, pain: 0, painAtEnd: 6 });
  expect((await factsOf(client)).known.lastPain).toBe(6);
});

test("a stance on the order, of the client or the clinic, turns the order round", async () => {
  const client = await clientWith();
  const choose = (stanceId: string, optionId: string, forClient: boolean) =>
    clinic.as(forClient ? "therapist" : "admin", (ctx) =>
      chooseStance(ctx, forClient ? client : null, {
        id: randomUUID(),
        stanceId,
        optionId,
        reason: "weak calves were skipped",
        replaces: null,
        surgeonAgrees: false,
      }),
    );
  await choose("d_calves_order", "view_2", true);
  expect((await factsOf(client)).school).toEqual({ ...USUAL_ORDER, calvesFirst: true });
  await choose("d_ext_before_press", "view_1", false);
  expect((await factsOf(client)).school).toEqual({ ...USUAL_ORDER, calvesFirst: true, isolationFirst: true });
  expect((await factsOf(await clientWith())).school).toEqual({ ...USUAL_ORDER, isolationFirst: true });
});

test("a written limit on holds reaches the sheet, with who wrote it, and the route keeps to it", async () => {
  const client = await clientWith();
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  await clinic.as("therapist", (ctx) => writeLimit(ctx, client, written({})));
  const facts = await factsOf(client);
  expect(facts.choose.limits.hold_seconds).toMatchObject({
    high: 10,
    by: [{ reason: "blood pressure", origin: "therapist" }],
  });
  const save = (s: Scheme) => clinic.as("therapist", (ctx) => saveLines(ctx, client, holdsOn(s)));
  await expect(save(HOLDS)).rejects.toThrow(/may last 10 s at most, because blood pressure \(therapist\)/);
  expect((await save({ ...HOLDS, holdS: 10 })).version).toBe(1);
});

test("what is too heavy even at the lightest step is refused at the route, not only on the page", async () => {
  const client = await clientWith();
  const trials = [60, 61].map((forceN) => ({ id: randomUUID(), source: "typed" as const, forceN }));
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput({ trials })));
  const asked: Scheme = { ...HOLDS, holdS: 10, effort: { kind: "felt", felt: 3 } };
  await expect(clinic.as("therapist", (ctx) => saveLines(ctx, client, holdsOn(asked)))).rejects.toThrow(
    /the lightest it has is too heavy, because it asks for \d+ % of its strength/,
  );
});

test("45 s at 70 % of maximum is refused at the route with what would hold", async () => {
  const client = await clientWith();
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  const asked: Scheme = { ...HOLDS, holdS: 45, effort: { kind: "percent", percent: 70 } };
  await expect(clinic.as("therapist", (ctx) => saveLines(ctx, client, holdsOn(asked)))).rejects.toThrow(
    /a knee holds \d+ to \d+ s\. Hold \d+ is predicted to fail.*Hold \d+ s or less/,
  );
});

test("the clearly weaker leg is known from tests of both sides, in each direction", async () => {
  const client = await clientWith();
  const forces = (forceN: number) => [
    { id: randomUUID(), source: "typed" as const, forceN },
    { id: randomUUID(), source: "typed" as const, forceN: forceN + 5 },
  ];
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput({ trials: forces(300) })));
  expect((await factsOf(client)).weaker).toEqual({ extension: null, flexion: null });
  await clinic.as("therapist", (ctx) =>
    recordTest(ctx, client, testInput({ side: "left", trials: forces(420) })),
  );
  const { weaker, side } = await factsOf(client);
  expect(side).toBe("right");
  expect(weaker.flexion).toBeNull();
  expect(weaker.extension).toMatchObject({ side: "right" });
  expect(weaker.extension?.byPct).toBeGreaterThan(15);
});
