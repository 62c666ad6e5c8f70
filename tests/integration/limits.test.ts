import { randomUUID } from "node:crypto";
import type { WrittenLimit } from "@/core/bounds/written";
import { plainMeasurement } from "@/core/measure/measurementInput";
import { boundsOf, limitsBar, limitsOf, writeLimit, writtenLimits } from "@/server/bounds/limits";
import { previewStance } from "@/server/choice/stancePreview";
import { clientEpisode } from "@/server/client/clients";
import { conditionsOf } from "@/server/client/conditions";
import { recordOf } from "@/server/client/record";
import { chooseStance, noteStanceView, stancesInForce, stanceViews } from "@/server/client/stances";
import { createClient } from "@/server/client/story";
import { checkedCitations, markSource } from "@/server/clinic/sources";
import { confirmPhase, findingsOf, tickFunctional } from "@/server/facts/phases";
import { recordTest } from "@/server/measure/measurements";
import { recordMeasurement } from "@/server/measure/otherMeasurements";
import {
  closeConnections,
  daysLater,
  holdWith,
  makeClient,
  makeClinic,
  owner,
  saveLines,
  screenClear,
  type TestClinic,
  testInput,
} from "../support/clinic";
import { newClient } from "../support/story";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const limitInput = (over: Partial<WrittenLimit> = {}): WrittenLimit => ({
  id: randomUUID(),
  kind: "knee_flexion_under_load",
  low: 40,
  high: 80,
  word: null,
  origin: "surgeon",
  reason: "the operation note",
  endsOn: null,
  replaces: null,
  isLifted: false,
  evenIfChanged: false,
  ...over,
});

const KNEE = { conditionId: "knee_oa", variantId: "mild", phaseId: "build", beganOn: "2026-01-05" };

describe("a written limit", () => {
  test("bounds the dose at once, is changed by a row that replaces it, and lifted with a reason", async () => {
    const client = await makeClient(clinic, { rules: [KNEE] });
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput()));
    const write = (l: WrittenLimit) => clinic.as("therapist", (ctx) => writeLimit(ctx, client, l));
    const window = async () => {
      const bounds = await clinic.as("therapist", (ctx) => boundsOf(ctx, client));
      return [bounds.knee_flexion_under_load?.low ?? null, bounds.knee_flexion_under_load?.high ?? null];
    };
    const first = limitInput();
    await write(first);
    await write(first);
    expect(await window()).toEqual([40, 80]);
    const second = limitInput({ low: 30, high: 70, replaces: first.id });
    await write(second);
    expect(await window()).toEqual([30, 70]);
    await write(limitInput({ replaces: second.id, isLifted: true, reason: "surgeon's letter of today" }));
    expect(await window()).not.toEqual([30, 70]);
    const rows = await owner`select 1 from episode_limit where episode_id = ${client.episodeId}`;
    expect(rows).toHaveLength(3);
    const record = await clinic.as("admin", (ctx) => recordOf(ctx, client.clientId, null));
    expect(record.slice(0, 3).map((e) => e.deed)).toEqual(["limit.lift", "limit.change", "limit.write"]);
    expect(record[1]).toMatchObject({ before: { low: 40, high: 80 }, after: { low: 30, high: 70 } });
  });

  test("two therapists at one limit: the second learns who did what, and may still save theirs", async () => {
    const client = await makeClient(clinic);
    const first = limitInput();
    await clinic.as("therapist", (ctx) => writeLimit(ctx, client, first));
    const theirs = limitInput({ high: 75, replaces: first.id, endsOn: "2026-04-01" });
    const mine = limitInput({ high: 70, replaces: first.id });
    const results = await Promise.allSettled(
      [theirs, mine].map((l) => clinic.as("therapist", (ctx) => writeLimit(ctx, client, l))),
    );
    expect(results.map((r) => r.status).sort()).toEqual(["fulfilled", "rejected"]);
    const lost = results.findIndex((r) => r.status === "rejected");
    const [won, again] = lost === 1 ? [theirs, mine] : [mine, theirs];
    expect(String((results[lost] as PromiseRejectedResult).reason)).toMatch(
      new RegExp(
        `Test therapist changed this limit to 40 to ${won.high}.* meanwhile. What you typed is still here`,
      ),
    );
    await clinic.as("therapist", (ctx) => writeLimit(ctx, client, { ...again, evenIfChanged: true }));
    const left = await clinic.as("therapist", (ctx) => writtenLimits(ctx, client.episodeId));
    expect(left.map((l) => l.high)).toEqual([again.high]);
  });

  test("nobody but a therapist writes one; a past last day is refused", async () => {
    const client = await makeClient(clinic);
    for (const role of ["trainer", "admin"] as const)
      await expect(clinic.as(role, (ctx) => writeLimit(ctx, client, limitInput()))).rejects.toThrow(
        /Only a therapist writes/,
      );
    await expect(
      clinic.as("therapist", (ctx) => writeLimit(ctx, client, limitInput({ endsOn: "2026-02-01" }))),
    ).rejects.toThrow(/is past/);
    expect(await owner`select 1 from episode_limit where episode_id = ${client.episodeId}`).toHaveLength(0);
  });
});

describe("what the rules do not cover", () => {
  test.each([
    [
      "a condition outside the rule base",
      { episode: { uncovered: ["multi_ligament" as const] } },
      /multi-ligament knee/,
    ],
    ["a client who may be under age", { birthYear: 2008 }, /may be under 18/],
  ])(
    "%s gets no automatic limits and no dose until a therapist has written their own",
    async (_, over, why) => {
      const input = newClient(over);
      await clinic.as("therapist", (ctx) => createClient(ctx, input));
      await screenClear(clinic, input.clientId);
      const client = await clinic.as("therapist", (ctx) => clientEpisode(ctx, input.clientId));
      await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput({ side: "left" })));
      // the pain rule holds for everybody
      expect((await clinic.as("therapist", (ctx) => limitsOf(ctx, client))).map((l) => l.id)).toEqual([
        "pain-rule",
      ]);
      const save = () => clinic.as("therapist", (ctx) => saveLines(ctx, client, [holdWith({})]));
      await expect(save()).rejects.toThrow(why);
      const byHand: Partial<WrittenLimit>[] = [
        { kind: "knee_flexion_under_load", low: 40, high: 80 },
        { kind: "hold_effort", low: null, high: 60 },
        { kind: "weight_bearing", low: null, high: null, word: "full" },
        { kind: "joint_pain", low: null, high: 2 },
      ];
      for (const l of byHand)
        await clinic.as("therapist", (ctx) =>
          writeLimit(ctx, client, limitInput({ ...l, origin: "therapist" })),
        );
      expect(await clinic.as("therapist", (ctx) => limitsBar(ctx, client))).toBeNull();
      await save();
    },
  );
});

describe("stances", () => {
  const choice = (over: object = {}) => ({
    id: randomUUID(),
    stanceId: "knee_oa.oc_extension",
    optionId: "arc_90_45" as string | null,
    reason: "the kneecap grates",
    replaces: null,
    surgeonAgrees: false,
    ...over,
  });

  test("the client's choice comes before the clinic's, and both change what is computed", async () => {
    const client = await makeClient(clinic, { rules: [KNEE] });
    const rule = async () =>
      (await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId)))[0]?.limits
        .open_chain_extension.rule;
    expect(await rule()).toBe("free");
    const preview = await clinic.as("trainer", (ctx) =>
      previewStance(ctx, client, "knee_oa.oc_extension", "arc_90_45"),
    );
    expect(preview.limits.join()).toMatch(/extension with the foot free: free → in an arc 45 to 90°/);
    expect(preview.exercises.join()).toMatch(/Seated knee extension, full arc: fitted → blocked/);
    expect(await rule()).toBe("free");
    // a general one changes the draft and no limit, and writes nothing
    const general = await clinic.as("trainer", (ctx) => previewStance(ctx, client, "d_iso_first", "view_1"));
    expect(general).toMatchObject({ limits: [], exercises: [] });
    expect(general.draft.join(" ")).toMatch(/draft/);
    const same = await clinic.as("trainer", (ctx) => previewStance(ctx, client, "d_iso_first", "rule"));
    expect(same.draft).toEqual([]);
    // what is worn for Story's sake is no limit and no draft, and is shown all the same
    await owner`update episode set support = 'sleeve' where id = ${client.episodeId}`;
    const bare = await clinic.as("trainer", (ctx) => previewStance(ctx, client, "d_wraps_braces", "view_3"));
    expect(bare.practice.join()).toMatch(/^Sleeve, as Story has it: not worn/);
    await clinic.as("admin", (ctx) => chooseStance(ctx, null, choice()));
    expect(await rule()).toBe("arc");
    const own = choice({ optionId: "free", reason: "no grating here" });
    await clinic.as("therapist", (ctx) => chooseStance(ctx, client, own));
    expect(await rule()).toBe("free");
    await clinic.as("therapist", (ctx) =>
      chooseStance(ctx, client, choice({ optionId: null, replaces: own.id })),
    );
    expect(await rule()).toBe("arc");
  });

  test("two who choose at once: the second is told; a colleague may note another view without changing it", async () => {
    const client = await makeClient(clinic, { rules: [KNEE] });
    await clinic.as("therapist", (ctx) => chooseStance(ctx, client, choice()));
    await expect(
      clinic.as("therapist", (ctx) => chooseStance(ctx, client, choice({ optionId: "avoid" }))),
    ).rejects.toThrow(/chose meanwhile: Arc 90-45 only/);
    await clinic.as("therapist", (ctx) =>
      noteStanceView(ctx, client, {
        id: randomUUID(),
        stanceId: "knee_oa.oc_extension",
        optionId: "free",
        reason: "weak quadriceps are the problem",
      }),
    );
    const inForce = await clinic.as("trainer", (ctx) => stancesInForce(ctx, client.episodeId));
    expect(inForce.client.get("knee_oa.oc_extension")?.optionId).toBe("arc_90_45");
    expect(await clinic.as("trainer", (ctx) => stanceViews(ctx, client.episodeId))).toMatchObject([
      { optionId: "free", by: "Test therapist" },
    ]);
  });

  test("a trainer chooses none, an admin none for a client, and what the surgeon decides needs the surgeon's word", async () => {
    const client = await makeClient(clinic, {
      rules: [
        {
          conditionId: "total_hip_replacement",
          variantId: "posterior",
          phaseId: "w0_6",
          beganOn: "2026-02-16",
        },
      ],
    });
    const minimal = choice({ stanceId: "total_hip_replacement.precautions", optionId: "minimal" });
    for (const role of ["trainer", "admin"] as const)
      await expect(clinic.as(role, (ctx) => chooseStance(ctx, client, minimal))).rejects.toThrow(
        /Only a therapist chooses/,
      );
    await expect(clinic.as("therapist", (ctx) => chooseStance(ctx, client, minimal))).rejects.toThrow(
      /surgeon's written word/,
    );
    await clinic.as("therapist", (ctx) => chooseStance(ctx, client, { ...minimal, surgeonAgrees: true }));
  });
});

describe("phases", () => {
  const at = daysLater(14);
  const flare = { ...KNEE, phaseId: "flare", beganOn: "2026-01-05" };
  const sits = "sit_to_stand_from_50_cm_x5_without_worse_pain";
  /** What leaves the flare behind, measured. */
  const FOUND = [
    ["knee_straightening", 4],
    ["knee_bend", 112],
    ["swelling", 1],
    ["quadriceps_lag", 0],
    ["daily_pain", 2],
  ] as const;
  const measureAll = async (client: Awaited<ReturnType<typeof makeClient>>) => {
    for (const [kind, value] of FOUND)
      await clinic.as(
        "therapist",
        (ctx) =>
          recordMeasurement(
            ctx,
            client,
            plainMeasurement(randomUUID(), kind, kind === "daily_pain" ? null : "right", value),
          ),
        at,
      );
  };

  test("open only when everything is measured and met; weeks alone open nothing", async () => {
    const client = await makeClient(clinic, { rules: [flare] });
    const [c] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId), at);
    if (!c) throw new Error("no condition");
    const confirm = (version: number, phaseId = "build", reason: string | null = null) =>
      clinic.as(
        "therapist",
        (ctx) => confirmPhase(ctx, client, { conditionRowId: c.rowId, version, phaseId, reason }),
        at,
      );
    await expect(confirm(1)).rejects.toThrow(/weeks alone open no phase/);
    await expect(confirm(1, "maintain", "she feels well")).rejects.toThrow("phases.none_skipped");
    await measureAll(client);
    await expect(confirm(1)).rejects.toThrow(/Not every criterion is met/);
    await clinic.as(
      "therapist",
      (ctx) =>
        tickFunctional(ctx, client, { conditionRowId: c.rowId, version: 1, criterion: sits, isMet: true }),
      at,
    );
    await expect(confirm(1)).rejects.toThrow(/Somebody changed this phase meanwhile/);
    await confirm(2);
    const [now] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId), at);
    expect(now).toMatchObject({ phase: { id: "build" }, phaseSince: "2026-03-16", functionalMet: [] });
    const found = await clinic.as(
      "therapist",
      (ctx) => findingsOf(ctx, client, { ...c, functionalMet: [] }),
      daysLater(60),
    );
    expect(found.flexionDeg).toBeNull();
  });

  test("a client who arrives half way is confirmed in one step with a reason, and only then; later no phase is skipped", async () => {
    const client = await makeClient(clinic, { rules: [{ ...flare, isConfirmed: false }] });
    const [c] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId), at);
    if (!c) throw new Error("no condition");
    expect(c.isConfirmed).toBe(false);
    const confirm = (version: number, phaseId: string, reason: string | null) =>
      clinic.as(
        "therapist",
        (ctx) => confirmPhase(ctx, client, { conditionRowId: c.rowId, version, phaseId, reason }),
        at,
      );
    // nothing was measured: weeks alone support only the first
    await expect(confirm(1, "build", "stairs and chair seen here today")).rejects.toThrow(
      "phases.confirm_first",
    );
    await measureAll(client);
    await expect(confirm(1, "build", null)).rejects.toThrow(/written reason/);
    await expect(confirm(1, "maintain", "she feels well")).rejects.toThrow("phases.confirm_first");
    await confirm(1, "build", "trained elsewhere for a year, stairs and chair seen here today");
    const [now] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId), at);
    expect(now).toMatchObject({ phase: { id: "build" }, isConfirmed: true });
    await confirm(2, "flare", null);
    await expect(confirm(3, "maintain", "she feels well")).rejects.toThrow("phases.none_skipped");
  });

  test("a therapist may open one with a written reason, or go back; a trainer may not", async () => {
    const client = await makeClient(clinic, { rules: [flare] });
    const [c] = await clinic.as("therapist", (ctx) => conditionsOf(ctx, client.episodeId));
    if (!c) throw new Error("no condition");
    const change = {
      conditionRowId: c.rowId,
      version: 1,
      phaseId: "build",
      reason: "seen together with the surgeon",
    };
    await expect(clinic.as("trainer", (ctx) => confirmPhase(ctx, client, change))).rejects.toThrow(
      /Only a therapist confirms a phase/,
    );
    await clinic.as("therapist", (ctx) => confirmPhase(ctx, client, change));
    await clinic.as("therapist", (ctx) =>
      confirmPhase(ctx, client, { ...change, version: 2, phaseId: "flare", reason: null }),
    );
    const record = await clinic.as("therapist", (ctx) => recordOf(ctx, client.clientId, null));
    expect(record[1]).toMatchObject({
      deed: "phase.confirm",
      before: { phase: "Flare or irritable start" },
      after: { phase: "Build strength", reason: "seen together with the surgeon" },
    });
  });
});

test("a source is marked as checked by therapist or admin, not by a trainer, and the mark can be taken back", async () => {
  const mark = (role: "therapist" | "trainer" | "admin", citation: string, isChecked = true) =>
    clinic.as(role, (ctx) => markSource(ctx, { id: randomUUID(), citation, isChecked, note: "read it" }));
  await expect(mark("trainer", "Jette 2020")).rejects.toThrow(/marks a source as checked/);
  await expect(mark("admin", "Nobody 1900")).rejects.toThrow(/No rule rests on this source/);
  await mark("admin", "Jette 2020");
  expect(await clinic.as("trainer", checkedCitations)).toEqual(["Jette 2020"]);
  await mark("therapist", "Jette 2020", false);
  expect(await clinic.as("trainer", checkedCitations)).toEqual([]);
});
