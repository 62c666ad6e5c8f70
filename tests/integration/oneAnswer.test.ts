import fc from "fast-check";
import { mostOf, reasonsOf } from "@/core/bounds/inForce";
import { limitRows } from "@/core/bounds/rows";
import { findingsFrom } from "@/core/measure/findings";
import { phaseEntry } from "@/core/phases/phaseEntry";
import { CONDITIONS } from "@/core/rules/conditions";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import { fullWeeksBetween } from "@/core/units/days";
import { today } from "@/server/base/context";
import { boundsOf, limitsOf } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";
import { conditionsOf } from "@/server/client/conditions";
import { clientDay } from "@/server/day/clientDay";
import { chooseFacts } from "@/server/facts/choose";
import { painSentence } from "@/server/facts/pain";
import { findingsOf } from "@/server/facts/phases";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { kneeWindowOf } from "@/server/facts/windows";
import { recordTest } from "@/server/measure/measurements";
import { sayPlainly } from "@/words/say";
import { closeConnections, makeClient, makeClinic, type TestClinic, testInput } from "../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** Conditions of the knee that may be measured and dosed at once. */
const PARTS = CONDITIONS.flatMap((c) =>
  c.phases.map((p) => ({ conditionId: c.id, variantId: c.variants[0]?.id ?? "", phaseId: p.id })),
);

/** Made-up clients: any condition in any phase, any limits somebody wrote, any irritability. */
const anyClient = fc.record({
  rule: fc.constantFrom(...PARTS),
  second: fc.option(fc.constantFrom(...PARTS), { nil: null, freq: 3 }),
  beganOn: fc.constantFrom("2026-02-20", "2026-01-05", "2025-09-01"),
  irritability: fc.constantFrom("low" as const, "moderate" as const, "high" as const),
  bend: fc.option(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 55, max: 120 })), {
    nil: null,
  }),
  pain: fc.option(fc.integer({ min: 0, max: 6 }), { nil: null }),
});

test("whatever states a bound or a fact of a client states the same one, for generated clients", async () => {
  for (const x of fc.sample(anyClient, { numRuns: 24, seed: 20260302 })) {
    const client = await makeClient(clinic, {
      irritability: x.irritability,
      rules: [x.rule, ...(x.second && x.second.conditionId !== x.rule.conditionId ? [x.second] : [])].map(
        (r) => ({
          ...r,
          beganOn: x.beganOn,
        }),
      ),
      limits: [
        ...(x.bend ? [{ low: x.bend[0], high: x.bend[1] }] : []),
        ...(x.pain === null ? [] : [{ kind: "joint_pain" as const, low: null, high: x.pain }]),
      ],
    });
    await clinic.as("therapist", (ctx) => recordTest(ctx, client, testInput())).catch(() => undefined);
    await clinic.as("therapist", async (ctx) => {
      const fresh = await clientEpisode(ctx, client.clientId);
      const bounds = await boundsOf(ctx, fresh);
      const choose = await chooseFacts(ctx, fresh);
      const facts = await sheetFacts(ctx, fresh);
      // one record of bounds, asked from everywhere
      if (typeof choose !== "string") expect(choose.limits).toEqual(bounds);
      expect(facts.choose.limits).toEqual(bounds);
      // what a page calls the tightest is what bounds
      const { groups } = limitRows(await limitsOf(ctx, fresh), today(ctx));
      for (const g of groups) {
        const binding = g.rows.filter((r) => !r.isOver && r.words.some((w) => w.binds)).map((r) => r.limit);
        const made = bounds[binding[0]?.kind ?? "joint_pain"];
        for (const l of binding) expect(made?.by.map((b) => b.id)).toContain(l.id);
      }
      // a hold's open arc never leaves the knee's window
      const knee = await kneeWindowOf(ctx, fresh);
      const line = {
        exerciseId: "kext_iso_manual",
        legs: "one" as const,
        window: null,
        sharesRests: false,
        scheme: {
          kind: "holds" as const,
          sets: 1,
          reps: 3,
          holdS: 10,
          restS: 60,
          setRestS: 0,
          effort: { kind: "felt" as const, felt: 3 },
          atDeg: null,
        },
      };
      const context = scoreContextOf(facts);
      const [judged] = judgeScore([line], context);
      const arc = judged?.open?.arc;
      if (arc && !knee.isEmpty) {
        expect(arc.fromDeg).toBeGreaterThanOrEqual(knee.fromDeg - 1e-9);
        expect(arc.toDeg).toBeLessThanOrEqual(knee.toDeg + 1e-9);
      }
      // a hold above the felt effort that is allowed is barred with the limit's own reason
      const felt = bounds.felt_effort;
      if (arc && felt && felt.high !== null && felt.high < 9) {
        const hard = {
          ...line,
          scheme: { ...line.scheme, effort: { kind: "felt" as const, felt: Math.min(9, felt.high + 1) } },
        };
        expect(judgeScore([hard], context)[0]?.bars).toContainEqual(
          expect.objectContaining({ code: "held.felt", because: reasonsOf(felt) }),
        );
      }
      // one clock, one state of the phase, on the path and in Limits
      const day = await clientDay(ctx, fresh);
      for (const c of await conditionsOf(ctx, fresh.episodeId)) {
        expect(c.week).toBe(fullWeeksBetween(x.beganOn, today(ctx)));
        const found = await findingsOf(ctx, fresh, c);
        expect(found.weeks).toBe(c.week);
        // what the story took is a finding: nobody says that it was never measured
        expect(found.restingPain).not.toBeNull();
        if (phaseEntry(c.condition, c.phase.id, found).mayEnter && c.isConfirmed)
          expect(day.steps.limits.state).toBe("due");
      }
      expect(day.due.map((d) => d.what)).not.toContain("pain in daily life");
      // pain above the most allowed is said with the very number that bounds
      const said = await painSentence(ctx, fresh);
      expect(day.pain).toEqual(said);
      expect(said !== null).toBe(fresh.usualPain > mostOf(bounds, "joint_pain"));
      if (said)
        expect(sayPlainly(said)).toContain(
          `above the most allowed in it, ${mostOf(bounds, "joint_pain")}, because of`,
        );
    });
  }
}, 120_000);

test("what the story asked counts until it is four weeks old, then what was measured", () => {
  const story = { kind: "daily_pain" as const, side: null, value: 3, way: null, takenOn: "2026-01-05" };
  const at = (today: string) =>
    findingsFrom({
      measurements: [story],
      strength: [],
      side: "left",
      today,
      weeks: 1,
      weeksInPhase: 1,
      functionalMet: [],
    }).restingPain;
  expect(at("2026-01-20")).toBe(3);
  expect(at("2026-03-20")).toBeNull();
});
