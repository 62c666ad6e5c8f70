import { randomUUID } from "node:crypto";
import type { WrittenLimit } from "@/core/bounds/written";
import { templateOf } from "@/core/equipment/templates";
import { exerciseById, withOwn } from "@/core/rules/exercises";
import { rangeSheet } from "@/core/selection/rank/rangeSheet";
import type { CardInput } from "@/core/selection/setUp/cardInput";
import type { SwapInput } from "@/core/selection/swap/swapInput";
import { chairRise, type ReferenceTask } from "@/core/selection/tissue/tissues";
import type { SheetLine } from "@/core/sheet/line/sheetInput";
import { writeLimit } from "@/server/bounds/limits";
import { cardsOf, saveCard } from "@/server/choice/cards";
import { swapsOf, takeSwap } from "@/server/choice/swaps";
import type { ClientEpisode } from "@/server/client/clients";
import { recordOf } from "@/server/client/record";
import { calibrationsOf, saveCalibration } from "@/server/clinic/calibrations";
import { clinicExercise, exerciseHistory, exercisesOf, writeExercise } from "@/server/clinic/exercises";
import {
  addMachine,
  changeMachine,
  machineById,
  machinesOf,
  retireMachine,
  type StoredMachine,
} from "@/server/clinic/machines";
import { clientDay } from "@/server/day/clientDay";
import { todayList } from "@/server/day/todayList";
import { type ChooseFacts, chooseFacts } from "@/server/facts/choose";
import { recordTest } from "@/server/measure/measurements";
import { floorBarred } from "@/server/visits/floor";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  hold,
  makeClient,
  makeClinic,
  owner,
  plannedClient,
  saveLines,
  type TestClinic,
  testInput,
} from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

async function extensionOf(of: TestClinic): Promise<StoredMachine> {
  const found = (await of.as("therapist", machinesOf)).find((m) => m.family === "seated_knee_extension");
  if (!found) throw new Error("The test clinic has its machine.");
  return found;
}

const TKR = {
  conditionId: "total_knee_replacement",
  variantId: "standard",
  phaseId: "w6_12",
  beganOn: "2026-01-05",
};
const KNEE = { conditionId: "knee_oa", variantId: "mild", phaseId: "build", beganOn: "2026-01-05" };

async function tested(rules = [KNEE]): Promise<ClientEpisode> {
  const client = await makeClient(clinic, { rules });
  await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
  return client;
}

async function factsOf(client: ClientEpisode): Promise<ChooseFacts> {
  const facts = await clinic.as("therapist", (ctx) => chooseFacts(ctx, client));
  if (typeof facts === "string") throw new Error(facts);
  return facts;
}

const sheetOf = (facts: ChooseFacts) =>
  rangeSheet({
    ...facts,
    exercises: withOwn(facts.ownExercises),
    chair: chairRise(facts.body) as ReferenceTask,
    tissue: facts.firstTissue,
    capTimes: null,
    basis: { kind: "effort", share: 0.5 },
  });

describe("machines", () => {
  test("are entered, changed with a race notice, taken out of use and back, all in the record", async () => {
    const id = randomUUID();
    const press = { ...templateOf("seated_press"), name: "Corner press" };
    await clinic.as("admin", (ctx) => addMachine(ctx, id, press));
    await clinic.as("admin", (ctx) => addMachine(ctx, id, press));
    const change = (baseVersion: number, name: string) =>
      clinic.as("therapist", (ctx) => changeMachine(ctx, id, baseVersion, { ...press, name }));
    await change(1, "Door press");
    await expect(change(1, "Window press")).rejects.toThrow(
      /Door press was changed by somebody else meanwhile/,
    );
    await expect(
      clinic.as("therapist", (ctx) => changeMachine(ctx, id, 2, templateOf("hack_squat"))),
    ).rejects.toThrow(/keeps its kind/);
    await clinic.as("therapist", (ctx) => retireMachine(ctx, id, true));
    expect((await clinic.as("trainer", machinesOf)).map((m) => m.id)).not.toContain(id);
    await clinic.as("therapist", (ctx) => retireMachine(ctx, id, false));
    const deeds = await owner`select deed from audit where subject_id = ${id} order by id`;
    expect(deeds.map((d) => d.deed)).toEqual([
      "machine.add",
      "machine.change",
      "machine.retire",
      "machine.return",
    ]);
    await expect(clinic.as("trainer", (ctx) => retireMachine(ctx, id, true))).rejects.toThrow(
      /therapist or the clinic's admin/,
    );
  });

  test("with the only extension machine retired its line runs on nothing else: every screen says so with what could stand in", async () => {
    const own = await makeClinic();
    const line = hold();
    const { client, sheet } = await plannedClient(own, {}, [line]);
    const only = await extensionOf(own);
    await own.as("admin", (ctx) => retireMachine(ctx, only.id, true));
    const sentence = /cannot be run: Bay extension is not in use any more\. Instead: .+, or .+, or .+\./;
    const [row] = await own.as("trainer", todayList);
    expect(row?.matters.find((m) => m.kind === "gone")?.why).toMatchObject({ code: "desk.gone" });
    expect(row?.next).toMatchObject({ step: "dose", why: { code: "desk.change_gone" } });
    const day = await own.as("therapist", (ctx) => clientDay(ctx, client));
    expect(day.gone).toMatchObject([{ lineId: line.lineId, machineName: "Bay extension" }]);
    expect(day.steps.floor).toMatchObject({ state: "blocked", why: { code: "path.gone" } });
    expect(await own.as("trainer", (ctx) => floorBarred(ctx, client, sheet))).toMatch(sentence);
    // nor is a line saved on a machine that is none of this gym's
    const save = (over: Partial<SheetLine>) =>
      own.as("therapist", (ctx) =>
        saveLines(ctx, client, [{ ...line, ...over }], { sheetId: sheet.sheetId, baseVersion: 1 }),
      );
    await expect(save({})).rejects.toThrow(/this clinic has no machine for it/);
    // another one of its kind is only taken where a therapist takes it
    const other = randomUUID();
    await own.as("admin", (ctx) => addMachine(ctx, other, { ...only, name: "Window extension" }));
    expect(await own.as("trainer", (ctx) => floorBarred(ctx, client, sheet))).toMatch(sentence);
    await expect(save({ machineId: only.id })).rejects.toThrow(/it was set for is not in use any more/);
    expect((await save({})).lines[0]?.kept).toMatchObject({
      machineId: other,
      machineName: "Window extension",
    });
    expect((await own.as("therapist", (ctx) => clientDay(ctx, client))).gone).toEqual([]);
  });

  test("a calibration puts ratio, own weight and curve into the machine, and doses use them", async () => {
    const own = await makeClinic();
    const before = await extensionOf(own);
    const readings = [10, 45, 90].flatMap((kneeFlexionDeg) =>
      [10, 40].map((loadKg) => ({
        kneeFlexionDeg,
        loadKg,
        leverM: 0.35,
        forceN: ((loadKg + 2) * 9.81 * 0.25) / 0.35,
      })),
    );
    const input = { id: randomUUID(), baseVersion: 0, readings };
    await own.as("therapist", (ctx) => saveCalibration(ctx, before.id, input));
    await own.as("therapist", (ctx) => saveCalibration(ctx, before.id, input));
    const after = await extensionOf(own);
    expect(after.geometry.ratioM).toBeCloseTo(0.25, 4);
    expect(after.geometry.startLoadKg).toBeCloseTo(2, 2);
    await expect(
      own.as("therapist", (ctx) => saveCalibration(ctx, before.id, { ...input, id: randomUUID() })),
    ).rejects.toThrow(/calibrated Bay extension meanwhile/);
    expect(await own.as("trainer", (ctx) => calibrationsOf(ctx, before.id))).toHaveLength(1);
    await expect(
      own.as("trainer", (ctx) =>
        saveCalibration(ctx, before.id, { ...input, id: randomUUID(), baseVersion: 1 }),
      ),
    ).rejects.toThrow(/calibrates a machine/);
    const rail = randomUUID();
    await own.as("admin", (ctx) => addMachine(ctx, rail, templateOf("rail_squat")));
    await expect(
      own.as("therapist", (ctx) => saveCalibration(ctx, rail, { ...input, id: randomUUID() })),
    ).rejects.toThrow(/no lever or stack/);
  });
});

describe("the facts of Choose", () => {
  test("mirrored sides with the same numbers give the same sheet", async () => {
    const [right, left] = [await tested(), await makeClient(clinic, { rules: [KNEE] })];
    await owner`update episode set side = 'left' where id = ${left.episodeId}`;
    const mirrored: ClientEpisode = { ...left, side: "left" };
    await clinic.as("therapist", (ctx) => recordTest(ctx, mirrored, testInput({ side: "left" })));
    const [a, b] = [sheetOf(await factsOf(right)), sheetOf(await factsOf(mirrored))];
    const numbers = (s: typeof a) =>
      s.rows.map((r) => [r.e.id, r.arc.fromDeg, r.arc.toDeg, r.computed?.points]);
    expect(numbers(b)).toEqual(numbers(a));
  });

  test("an uncovered client gets no rows but the sentence why", async () => {
    const nobody = await makeClient(clinic);
    const said = await clinic.as("therapist", (ctx) => chooseFacts(ctx, nobody));
    expect(said).toMatch(/No condition of the rules is named/);
  });

  test("what bars a row names the later phase that opens it", async () => {
    const { barred } = sheetOf(await factsOf(await tested([TKR])));
    expect(barred.length).toBeGreaterThan(5);
    const opened = barred.filter((b) => b.opens !== null);
    expect(opened.length).toBeGreaterThan(0);
    for (const b of opened)
      expect(sayPlainly(b.opens ?? "")).toMatch(/^opens with the phase ".+", week \d+ at the earliest/);
  });

  test("partial weight without kilograms bars presses in Choose, in a card and as a swap", async () => {
    const client = await tested();
    const order = { origin: "surgeon" as const, reason: "the operation note", endsOn: null, replaces: null };
    const write = (l: Pick<WrittenLimit, "kind"> & Partial<WrittenLimit>) =>
      clinic.as("therapist", (ctx) =>
        writeLimit(ctx, client, {
          id: randomUUID(),
          low: null,
          high: null,
          word: null,
          isLifted: false,
          evenIfChanged: false,
          ...order,
          ...l,
        }),
      );
    await write({ kind: "weight_bearing", word: "partial" });
    const { barred } = sheetOf(await factsOf(client));
    expect(
      barred
        .find((b) => b.e.id === "lp_horizontal")
        ?.reasons.map(sayPlainly)
        .join(),
    ).toMatch(/no kilograms are written/);
    const press = swap({ planned: "kext_full", chosen: "lp_horizontal", reason: "taken", pain: null });
    await expect(clinic.as("trainer", (ctx) => takeSwap(ctx, client, press))).rejects.toThrow(/kilograms/);
    await write({ kind: "weight_on_leg", high: 20 });
    const open = sheetOf(await factsOf(client)).rows.find((r) => r.e.id === "lp_horizontal");
    expect(open?.computed).not.toBeNull();
    const heavy = card({ exerciseId: "lp_horizontal", settings: {}, load: 50 });
    await expect(clinic.as("therapist", (ctx) => saveCard(ctx, client, heavy))).rejects.toThrow(
      /kg on the leg; 20\skg are written/,
    );
  });

  test("only the clinic's own machines are at hand", async () => {
    const { rows } = sheetOf(await factsOf(await tested()));
    expect(rows.find((r) => r.e.id === "kext_full")?.isAtHand).toBe(true);
    expect(rows.find((r) => r.e.id === "sq_pendulum")?.isAtHand ?? false).toBe(false);
  });
});

const card = (over: Partial<CardInput> = {}): CardInput => ({
  id: randomUUID(),
  exerciseId: "kext_single",
  baseVersion: 0,
  machineId: null,
  settings: { backrestDeg: 105, padM: 0.33, startDeg: 90, endDeg: 30 },
  load: 10,
  axisChecked: true,
  feet: "",
  support: "none",
  cues: ["slow"],
  stopSigns: ["sharp pain"],
  note: "",
  ...over,
});

describe("a set-up card", () => {
  test("is versioned, idempotent, and the second of two therapists is told", async () => {
    const client = await tested();
    const save = (c: CardInput) => clinic.as("therapist", (ctx) => saveCard(ctx, client, c));
    const first = card();
    await save(first);
    await save(first);
    await expect(save(card({ load: 15 }))).rejects.toThrow(/saved a card for this exercise meanwhile/);
    await save(card({ load: 15, baseVersion: 1 }));
    const cards = await clinic.as("trainer", (ctx) => cardsOf(ctx, client.episodeId));
    expect(cards).toHaveLength(1);
    expect(cards[0]).toMatchObject({ version: 2, load: 15, how: "pin 3", fromDeg: 30, toDeg: 90 });
    const record = await clinic.as("admin", (ctx) => recordOf(ctx, client.clientId, null));
    expect(record.map((r) => r.deed).slice(0, 2)).toEqual(["card.write", "card.write"]);
  });

  test.each([
    ["between notches", card({ settings: { padM: 0.3 } }), /has no notch there/],
    ["no real step", card({ load: 11 }), /has no such step/],
    ["too heavy", card({ load: 102.5 }), /of its strength; \d+ % are the most here/],
    ["no model", card({ exerciseId: "hip_abd" }), /no machine model/],
    ["unknown", card({ exerciseId: "flying" }), /no machine model/],
  ])("is refused when %s, and nothing is written", async (_, input, why) => {
    const client = await tested();
    await expect(clinic.as("therapist", (ctx) => saveCard(ctx, client, input))).rejects.toThrow(why);
    expect(await owner`select 1 from set_up_card where episode_id = ${client.episodeId}`).toHaveLength(0);
  });

  test("a trainer reads it, a barred exercise and a warning sign refuse it", async () => {
    const client = await tested([TKR]);
    await expect(clinic.as("trainer", (ctx) => saveCard(ctx, client, card()))).rejects.toThrow(
      /Only a therapist saves/,
    );
    const squat = card({ exerciseId: "sq_rail_front", settings: {}, load: 0 });
    await expect(clinic.as("therapist", (ctx) => saveCard(ctx, client, squat))).rejects.toThrow(
      /is barred, because of/,
    );
  });

  test("before the warning signs were asked there is neither card nor swap", async () => {
    const client = await makeClient(clinic, { rules: [KNEE], isScreened: false });
    await expect(clinic.as("therapist", (ctx) => saveCard(ctx, client, card()))).rejects.toThrow(
      /warning sign/i,
    );
    await expect(clinic.as("trainer", (ctx) => takeSwap(ctx, client, swap()))).rejects.toThrow(
      /warning sign/i,
    );
  });
});

const swap = (over: Partial<SwapInput> = {}): SwapInput => ({
  id: randomUUID(),
  planned: "lp_mid_hip",
  chosen: "kext_iso_machine",
  reason: "knee",
  pain: 6,
  words: "",
  ...over,
});

describe("a swap for today", () => {
  test("is taken by the trainer inside today's limits, with its reason in the record", async () => {
    const client = await tested();
    const first = swap();
    await clinic.as("trainer", (ctx) => takeSwap(ctx, client, first));
    await clinic.as("trainer", (ctx) => takeSwap(ctx, client, first));
    await clinic.as(
      "trainer",
      (ctx) => takeSwap(ctx, client, swap({ chosen: null, words: "sore all over" })),
      daysLater(1),
    );
    const taken = await clinic.as("therapist", (ctx) => swapsOf(ctx, client.episodeId));
    expect(taken.map((s) => s.chosen)).toEqual([null, "kext_iso_machine"]);
    expect(taken[1]?.changes.map(sayPlainly).join(" ")).toContain("at most 40 % of its strength");
    const [entry] = await clinic.as("admin", (ctx) => recordOf(ctx, client.clientId, null));
    expect(entry).toMatchObject({ deed: "swap.take", after: { chosen: "left out", why: "knee", pain: 6 } });
  });

  test.each([
    ["barred by today's limits", swap({ chosen: "lp_sled45" }), /is barred today, because of/],
    ["something else", swap({ chosen: "calf_standing" }), /does not stand in for/],
    ["unknown", swap({ chosen: "flying" }), /not in the library/],
  ])("%s is refused", async (_, input, why) => {
    const client = await tested();
    await expect(clinic.as("trainer", (ctx) => takeSwap(ctx, client, input))).rejects.toThrow(why);
    expect(await owner`select 1 from exercise_swap where episode_id = ${client.episodeId}`).toHaveLength(0);
  });

  test("an admin takes none", async () => {
    const client = await tested();
    await expect(clinic.as("admin", (ctx) => takeSwap(ctx, client, swap()))).rejects.toThrow(
      /therapist or a trainer/,
    );
  });
});

describe("the library", () => {
  const press = exerciseById("lp_horizontal");
  if (!press) throw new Error("no press");
  const write = (over: Partial<Parameters<typeof writeExercise>[1]> = {}) =>
    clinic.as("therapist", (ctx) =>
      writeExercise(ctx, {
        id: randomUUID(),
        exerciseId: "lp_horizontal",
        baseVersion: 0,
        record: { ...press, cues: ["our own cue"] },
        reason: "our words",
        ...over,
      }),
    );

  test("a clinic's copy lies over the catalogue, keeps its history, and goes back", async () => {
    await write();
    await expect(write()).rejects.toThrow(/Test therapist changed this exercise meanwhile/);
    const changed = await clinic.as("trainer", (ctx) => clinicExercise(ctx, "lp_horizontal"));
    expect(changed).toMatchObject({
      origin: "changed_here",
      version: 1,
      exercise: { cues: ["our own cue"] },
    });
    await write({ baseVersion: 1, record: null, reason: "the catalogue's is better" });
    const back = await clinic.as("trainer", (ctx) => clinicExercise(ctx, "lp_horizontal"));
    expect(back).toMatchObject({ origin: "catalogue", version: 2, exercise: { cues: press.cues } });
    const history = await clinic.as("trainer", (ctx) => exerciseHistory(ctx, "lp_horizontal"));
    expect(history.map((h) => [h.version, h.isBackToCatalogue])).toEqual([
      [2, true],
      [1, false],
    ]);
  });

  test("an own exercise is bounded by limits like the one it copies, and only therapists write", async () => {
    const id = "own_harbour_press";
    const record = { ...press, id, name: "Harbour press", like_id: "lp_horizontal" };
    // a record that looks past limits, or says of nothing what bounds it, is not kept
    await expect(write({ exerciseId: id, record: { ...record, like_id: null } })).rejects.toMatchObject({
      problems: [{ field: "record.like_id" }],
    });
    const freed = { ...record.match, weight_bearing_need: "none" as const };
    await expect(write({ exerciseId: id, record: { ...record, match: freed } })).rejects.toMatchObject({
      problems: [{ field: "record.like_id" }],
    });
    await write({ exerciseId: id, record });
    const all = await clinic.as("therapist", exercisesOf);
    expect(all.find((x) => x.exercise.id === id)?.origin).toBe("own");
    const { rows } = sheetOf(await factsOf(await tested()));
    expect(rows.find((r) => r.e.id === id)?.computed).toBeNull();
    // once somebody says it is done the same way it has the same numbers, on the same machine
    await write({ exerciseId: id, baseVersion: 1, record: { ...record, is_modelled_as_like: true } });
    const computed = sheetOf(await factsOf(await tested())).rows;
    const [own, like] = [id, "lp_horizontal"].map((x) => computed.find((r) => r.e.id === x)?.computed);
    expect(like).not.toBeNull();
    expect(own).toEqual(like);
    await expect(write({ exerciseId: id, baseVersion: 2, record: null })).rejects.toThrow(
      /no catalogue copy/,
    );
    await expect(write({ exerciseId: "lp_single", record: press })).rejects.toThrow(/keeps its identifier/);
    await expect(
      clinic.as("trainer", (ctx) =>
        writeExercise(ctx, {
          id: randomUUID(),
          exerciseId: "lp_single",
          baseVersion: 0,
          record: press,
          reason: "no",
        }),
      ),
    ).rejects.toThrow(/Only a therapist changes/);
    const other = await makeClinic();
    expect((await other.as("therapist", exercisesOf)).some((x) => x.exercise.id === id)).toBe(false);
  });
});

test("a machine of another clinic is not there", async () => {
  const other = await makeClinic();
  const theirs = await extensionOf(other);
  await expect(clinic.as("therapist", (ctx) => machineById(ctx, theirs.id))).rejects.toThrow(
    /not in the clinic's gym/,
  );
});
