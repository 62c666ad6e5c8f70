import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import type { CardInput } from "@/core/selection/setUp/cardInput";
import { machineFor, realLoads } from "@/core/selection/setUp/machineFor";
import type { Scheme } from "@/core/sheet/schemes/scheme";
import { cardsOf, saveCard } from "@/server/choice/cards";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine, machinesOf } from "@/server/clinic/machines";
import { recordTest } from "@/server/measure/measurements";
import {
  closeConnections,
  makeClient,
  makeClinic,
  owner,
  saveLines,
  type TestClinic,
  testInput,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) =>
    addMachine(ctx, randomUUID(), { ...templateOf("seated_press"), name: "Lane press", place: "", note: "" }),
  );
});
afterAll(closeConnections);

const KNEE = {
  conditionId: "nonspecific_lbp",
  variantId: "base",
  phaseId: "persistent",
  beganOn: "2025-10-01",
};
const REASON = "pressed twice as much in another gym last week";

/** A strong, calm client: nothing bounds a press but that nobody tested this leg on this machine. */
async function strong(): Promise<ClientEpisode> {
  const client = await makeClient(clinic, { rules: [KNEE] });
  const push = (forceN: number) =>
    [0, 10].map((more) => ({ id: randomUUID(), source: "typed" as const, forceN: forceN + more }));
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput({ trials: push(900) })));
  await clinic.as("therapist", (ctx) =>
    recordTest(
      ctx,
      client,
      testInput({
        movement: "hip_extension",
        kneeFlexionDeg: 0,
        jointAngleDeg: 0,
        leverArmM: 0.4,
        zeroedRelaxed: true,
        trials: push(900),
      }),
    ),
  );
  return client;
}

async function press() {
  const machines = await clinic.as("therapist", machinesOf);
  const use = exerciseUse({ id: "lp_horizontal" });
  if (!use) throw new Error("no press");
  const chosen = machineFor(use, machines);
  return { id: chosen.id, loads: realLoads(chosen.machine, chosen.family).map((l) => l.load) };
}

const card = (machineId: string | null, load: number, over: Partial<CardInput> = {}): CardInput => ({
  id: randomUUID(),
  exerciseId: "lp_horizontal",
  baseVersion: 0,
  machineId,
  settings: {},
  load,
  axisChecked: false,
  feet: "",
  support: "none",
  cues: [],
  stopSigns: [],
  note: "",
  aboveStart: null,
  ...over,
});

test("a card above the start needs the therapist's reason, which is kept; above anything else no reason helps", async () => {
  const client = await strong();
  const { id, loads } = await press();
  const save = (c: CardInput) => clinic.as("therapist", (ctx) => saveCard(ctx, client, c));
  // the first step that is above the start
  let above: number | null = null;
  for (const load of loads) {
    const refused = await save(card(id, load)).then(
      () => null,
      (e: Error & { problems?: { field: string }[] }) => e,
    );
    if (refused) {
      expect(refused.message).toMatch(
        /of the body's weight.*are the start.*or say why more is right for this leg/,
      );
      expect(refused.problems?.[0]?.field).toBe("aboveStart");
      above = load;
      break;
    }
    await owner`delete from set_up_card where episode_id = ${client.episodeId}`;
  }
  if (above === null) throw new Error("nothing is above the start");
  // three quarters of 70 kg a leg, so about a hundred on both
  expect(above).toBeGreaterThan(70);
  expect(above).toBeLessThan(140);
  await save(card(id, above, { aboveStart: REASON }));
  const [kept] = await clinic.as("trainer", (ctx) => cardsOf(ctx, client.episodeId));
  expect(kept).toMatchObject({ load: above, aboveStart: REASON });
  await expect(save(card(id, loads.at(-1) ?? 0, { aboveStart: REASON, baseVersion: 1 }))).rejects.toThrow(
    /of its strength|asks the hip/,
  );
  await expect(
    clinic.as("trainer", (ctx) =>
      saveCard(ctx, client, card(id, above ?? 0, { aboveStart: REASON, baseVersion: 1 })),
    ),
  ).rejects.toThrow(/Only a therapist saves/);
});

test("a line of a session stays below the start, and goes above it only with a reason that is kept with it", async () => {
  const client = await strong();
  const heavy: Scheme = {
    kind: "straight",
    sets: 3,
    reps: 5,
    reserve: 2,
    tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
    restS: 180,
  };
  const [sheetId, lineId] = [randomUUID(), randomUUID()];
  const save = (aboveStart: string | null, baseVersion: number) =>
    clinic.as("therapist", (ctx) =>
      saveLines(
        ctx,
        client,
        [
          {
            lineId,
            exerciseId: "lp_horizontal",
            scheme: heavy,
            legs: "together",
            window: { fromDeg: 10, toDeg: 60 },
            sharesRests: false,
            aboveStart,
            why: "legs",
          },
        ],
        { sheetId, baseVersion },
      ),
    );
  const without = await save(null, 0);
  const withReason = await save(REASON, 1);
  expect(withReason.lines[0]?.plan).toMatchObject({ aboveStart: REASON, why: "legs" });
  expect(withReason.lines[0]?.kept?.sets[0]?.loadKg ?? 0).toBeGreaterThan(
    without.lines[0]?.kept?.sets[0]?.loadKg ?? 0,
  );
});
