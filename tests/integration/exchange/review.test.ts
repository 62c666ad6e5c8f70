import { randomUUID } from "node:crypto";
import { unpacked } from "@/core/review/packed";
import { rowsOfReview } from "@/core/review/review";
import { spanOf } from "@/core/review/span";
import { writeLimit } from "@/server/bounds/limits";
import { pastLoads } from "@/server/history/past";
import { recordTest } from "@/server/measure/measurements";
import { dailyCosts } from "@/server/review/costs";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { packedFactsOf } from "@/server/review/facts";
import { recordMorning } from "@/server/visits/mornings";
import { keepBlock } from "@/server/week/blocks";
import { usualWishes } from "@/server/week/wishes";
import {
  closeConnections,
  daysLater,
  hold,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  squats,
  type TestClinic,
  takeAll,
  testInput,
} from "../../support/clinic";
import { KNEE } from "../../support/lines";

const LATER = daysLater(20);
let clinic: TestClinic;
let episode: PastEpisode;
beforeAll(async () => {
  clinic = await makeClinic();
  const { client } = await plannedClient(
    clinic,
    { rules: [KNEE], swellingApplies: true, limits: [{ low: 0, high: 100 }] },
    [hold(), squats()],
  );
  for (const [i, pain] of [1, 3, 2].entries()) {
    const at = daysLater(1 + 4 * i);
    const visitId = await runVisit(clinic, client, { at, pain });
    const next = daysLater(2 + 4 * i);
    await clinic.as(
      "trainer",
      (ctx) =>
        recordMorning(ctx, client, {
          id: randomUUID(),
          visitId,
          corrects: null,
          pain,
          swelling: i === 2 ? 1 : 0,
          stiffnessMin: 5,
        }),
      next,
    );
    await takeAll(clinic, client, next);
  }
  await clinic.as(
    "therapist",
    (ctx) => recordTest(ctx, client, testInput({ id: randomUUID(), side: "left" })),
    daysLater(8),
  );
  episode = await clinic.as(
    "therapist",
    async (ctx) => (await episodesToReview(ctx, client.clientId))[0] as PastEpisode,
    LATER,
  );
}, 90_000);
afterAll(closeConnections);

/** As the page gets them: kept between two looks, worked out anew after each change below. */
const factsAt = async (at = LATER) =>
  unpacked(await clinic.as("therapist", (ctx) => packedFactsOf(ctx, episode), at));
const valuesOf = async (id: string, series: string) =>
  rowsOfReview(await factsAt())
    .find((r) => r.id.startsWith(id))
    ?.series.find((s) => s.key === series)
    ?.points.map((p) => p.value);

test("a chart's values are those of the records, asked by plain SQL", async () => {
  const e = episode.episodeId;
  const mornings = await owner`
    select r.pain from response r join visit v on v.id = r.visit_id where v.episode_id = ${e} order by v.started_at`;
  expect(await valuesOf("pain", "morning")).toEqual(mornings.map((r) => r.pain));
  const worst = await owner`
    select max(s.pain) as pain from set_record s join visit v on v.id = s.visit_id
    where v.episode_id = ${e} group by v.id, v.started_at order by v.started_at`;
  expect(await valuesOf("pain", "worst")).toEqual(worst.map((r) => r.pain));
  const swelling = await owner`
    select r.swelling from response r join visit v on v.id = r.visit_id where v.episode_id = ${e} order by v.started_at`;
  expect(await valuesOf("measure swelling", "morning")).toEqual(swelling.map((r) => r.swelling));
  const torque = await owner`
    select torque_nm::float from strength_test where episode_id = ${e} and side = 'right' and movement = 'knee_extension'`;
  expect(await valuesOf("strength knee_extension", "own")).toEqual(torque.map((r) => r.torque_nm));
  const angles = await owner`
    select (l.kept ->> 'fromDeg')::float as deg from visit v join sheet_line l on l.version_id = v.version_id
    where v.episode_id = ${e} and l.scheme_kind = 'holds' order by v.started_at`;
  expect(await valuesOf("line", "own")).toEqual(angles.map((r) => r.deg));
  const decided = await owner`
    select d.action from decision d join visit v on v.id = d.visit_id where v.episode_id = ${e}`;
  const { decisions } = await factsAt();
  expect(decisions.map((d) => d.action).sort()).toEqual(decided.map((r) => r.action).sort());
});

test("weeks add up to what Dose has of the weeks before", async () => {
  const { visits } = await factsAt();
  const guard = await clinic.as("therapist", (ctx) => pastLoads(ctx, episode.episodeId), LATER);
  const sum = (all: readonly { kneecapChairS: number }[]) => all.reduce((s, x) => s + x.kneecapChairS, 0);
  expect(visits).toHaveLength(3);
  expect(sum(visits)).toBeCloseTo(sum(guard));
  expect(sum(visits)).toBeGreaterThan(0);
});

test("planned days that were kept and missed, and limits as long as they held", async () => {
  const client = (await clinic.as(
    "therapist",
    async (ctx) => (await import("@/server/client/clients")).clientEpisode(ctx, episode.clientId),
    LATER,
  )) as never;
  const [sheet] = await owner`select id from sheet where episode_id = ${episode.episodeId}`;
  await clinic.as(
    "therapist",
    (ctx) =>
      keepBlock(ctx, client, {
        id: randomUUID(),
        ...usualWishes(ctx),
        startsOn: "2026-03-16",
        days: [
          { sheetId: sheet?.id, on: "2026-03-16", pinned: false },
          { sheetId: sheet?.id, on: "2026-03-20", pinned: false },
        ],
        replaces: null,
        // a morning of these weeks was sore: a whole day is more than went well
        overReason: "agreed with the client",
      } as never),
    daysLater(13),
  );
  await runVisit(clinic, client, { at: daysLater(14) });
  const facts = await factsAt(daysLater(40));
  expect(facts.planned.map((p) => [p.on, p.wasDone])).toEqual([
    ["2026-03-16", true],
    ["2026-03-20", false],
  ]);
  const numbers = spanOf(facts, rowsOfReview(facts), { from: facts.from, to: facts.to });
  expect(numbers).toMatchObject({ planned: 2, kept: 1 });
  // what is still to come is neither kept nor missed
  expect((await factsAt(daysLater(13))).planned).toEqual([]);
  const [limit] = await owner`select id from episode_limit where episode_id = ${episode.episodeId}`;
  await clinic.as(
    "therapist",
    (ctx) =>
      writeLimit(ctx, client, {
        id: randomUUID(),
        kind: "knee_flexion_under_load",
        low: 0,
        high: 80,
        word: null,
        origin: "therapist",
        reason: "a flare",
        endsOn: "2026-04-20",
        replaces: limit?.id,
        isLifted: false,
      } as never),
    daysLater(41),
  );
  const bands = (await factsAt(daysLater(45))).bands.filter((b) => b.kind === "limit");
  expect(bands.map((b) => [b.from, b.to])).toEqual([
    ["2026-03-02", "2026-04-12"],
    ["2026-04-12", "2026-04-21"],
  ]);
}, 60_000);

test("what daily life takes is asked of both legs on the day; of a leg that nobody tested it is a guess, and says so", async () => {
  const { costs, isGuess } = await clinic.as("therapist", (ctx) => dailyCosts(ctx, episode), LATER);
  expect(isGuess).toBe(false);
  const chair = costs.find((c) => c.id === "chair_46");
  expect(chair?.own.percent?.value).toBeGreaterThan(0);
  expect(chair?.other.percent?.value).toBeGreaterThan(0);
  expect(chair?.course.length).toBeGreaterThan(0);
  const doubt = (c: typeof chair) => (c?.own.percent?.doubt ?? 0) / (c?.own.percent?.value ?? 1);
  const stranger = await plannedClient(clinic);
  await owner`update strength_test set voided_at = now(), voided_by = ${clinic.actors.therapist.personId}, void_reason = 'x' where episode_id = ${stranger.client.episodeId}`;
  const [other] = await clinic.as(
    "therapist",
    (ctx) => episodesToReview(ctx, stranger.client.clientId),
    LATER,
  );
  const guessed = await clinic.as("therapist", (ctx) => dailyCosts(ctx, other as PastEpisode), LATER);
  expect(guessed.isGuess).toBe(true);
  const guess = guessed.costs.find((c) => c.id === "chair_46");
  expect(guess?.own.percent?.working.inputs[1]).toMatchObject({ from: { code: "work.can_prior" } });
  expect(doubt(guess)).toBeGreaterThan(doubt(chair));
});
