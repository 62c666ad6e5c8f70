import fc from "fast-check";
import { decisionsWords } from "@/words/en/numbers/review";
import { tableOf } from "@/words/reviewTable";
import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../body/segments";
import { costOf } from "../demand/cost";
import type { FaultId } from "../rules/faults/faults";
import { surely } from "../testdata/capacity/known";
import { daysAfter, mondayOf } from "../units/days";
import { kgWords } from "../units/mass";
import type { ReviewFacts, ReviewVisit } from "./facts";
import { packed, unpacked } from "./packed";
import { rowsOfReview } from "./review";
import { valueWords } from "./row";
import { spanOf } from "./span";

const FROM = "2026-01-05";
const visit = (over: Partial<ReviewVisit> & { on: string }): ReviewVisit => ({
  id: over.on,
  sheet: "Gym",
  place: "clinic",
  painBefore: 1,
  painAfter: 2,
  painWorst: 2,
  painMax: 4,
  morning: 1,
  swelling: null,
  besides: [],
  markers: [],
  effort: null,
  regions: [],
  stopped: null,
  hardReps: 10,
  kneecapChairS: 30,
  ...over,
});
const facts = (over: Partial<ReviewFacts> = {}): ReviewFacts => ({
  side: "right",
  from: FROM,
  to: "2026-03-30",
  bands: [],
  visits: [],
  lines: [],
  strength: [],
  can: { knee_extension: [], knee_flexion: [] },
  criterion: { knee_extension: 80, knee_flexion: null },
  measurements: [],
  needs: [],
  costs: [],
  planned: [],
  decisions: [],
  ...over,
});
const strength = (on: string, side: "left" | "right", torqueNm: number, isReliable = true) => ({
  movement: "knee_extension" as const,
  side,
  kneeFlexionDeg: 60,
  torqueNm,
  isReliable,
  takenOn: on,
});
const rowOf = (f: ReviewFacts, id: string) => rowsOfReview(f).find((r) => r.id === id);

test("a chart's table holds every one of its values and nothing else, whatever they are", () => {
  const visits = fc.array(
    fc.record({
      day: fc.integer({ min: 0, max: 80 }),
      pain: fc.integer({ min: 0, max: 10 }),
      hard: fc.integer({ min: 0, max: 200 }),
    }),
    { minLength: 1, maxLength: 40 },
  );
  fc.assert(
    fc.property(visits, (all) => {
      const f = facts({
        visits: all.map((v, i) =>
          visit({
            id: String(i),
            on: daysAfter(FROM, v.day),
            painWorst: v.pain,
            morning: v.pain,
            hardReps: v.hard,
          }),
        ),
      });
      for (const row of rowsOfReview(f)) {
        const points = row.series.flatMap((s) => s.points);
        const table = tableOf(row, sayPlainly);
        expect(table.rows).toHaveLength(points.length);
        const values = table.rows.map((r) => Number(r[2])).sort((a, b) => a - b);
        const drawn = points.map((p) => Number(p.value.toFixed(row.digits))).sort((a, b) => a - b);
        expect(values).toEqual(drawn);
      }
      // weeks add up to the visits
      const hard = rowOf(f, "hard")?.series[0]?.points.reduce((sum, p) => sum + p.value, 0);
      expect(hard).toBeCloseTo(all.reduce((sum, v) => sum + v.hard, 0));
    }),
  );
});

test("one session of tests says at or above, below, or that it cannot tell; both legs stand beside it", () => {
  const f = facts({
    strength: [
      strength("2026-01-06", "left", 150),
      strength("2026-01-06", "right", 80),
      strength("2026-02-10", "right", 118),
      strength("2026-03-10", "right", 145),
    ],
  });
  const symmetry = rowOf(f, "symmetry knee_extension");
  expect(symmetry?.series[0]?.points.map((p) => p.note.map(sayPlainly).join())).toEqual([
    "clearly below",
    "cannot tell",
    "clearly at or above",
  ]);
  expect(symmetry?.marks).toEqual([{ value: 80, words: { code: "review.opens_next", wanted: 80 } }]);
  const torque = rowOf(f, "strength knee_extension 60");
  expect(torque?.series.map((s) => [s.key, s.points.length])).toEqual([
    ["own", 3],
    ["other", 1],
  ]);
  const [first] = torque?.series[0]?.points ?? [];
  expect(first?.high).toBeCloseTo(80 * 1.098, 1);
});

test("a span counts its own days only: first and last, against the error, the worst on the way, what was decided", () => {
  const on = ["2026-01-06", "2026-01-20", "2026-02-03", "2026-03-03"];
  const f = facts({
    visits: [
      visit({ on: on[0] as string, morning: 6 }),
      visit({ on: on[1] as string, morning: 2 }),
      visit({ on: on[2] as string, morning: 5 }),
      visit({ on: on[3] as string, morning: 1 }),
    ],
    planned: [
      { on: "2026-01-20", sheetId: "a", sheet: "Gym", wasDone: true },
      { on: "2026-01-22", sheetId: "a", sheet: "Gym", wasDone: false },
      { on: "2026-03-05", sheetId: "a", sheet: "Gym", wasDone: false },
    ],
    decisions: [
      {
        on: on[1] as string,
        lineId: "l",
        line: "holds",
        action: "HOLD",
        computed: "PROGRESS",
        sentence: "",
        reason: "slept badly",
        by: "A",
      },
      {
        on: on[3] as string,
        lineId: "l",
        line: "holds",
        action: "PROGRESS",
        computed: "PROGRESS",
        sentence: "",
        reason: null,
        by: "A",
      },
    ],
  });
  const rows = rowsOfReview(f);
  const numbers = spanOf(f, rows, { from: "2026-01-10", to: "2026-03-03" });
  expect(numbers).toMatchObject({ visits: 3, planned: 2, kept: 1 });
  const mornings = numbers.lines.find((l) => l.key === "morning");
  expect(mornings).toMatchObject({ first: "2 of 10", last: "1 of 10" });
  expect(mornings?.note.map(sayPlainly)).toEqual(["within the error", "5 of 10 on 3 Feb"]);
  expect(numbers.overridden.map((d) => d.reason)).toEqual(["slept badly"]);
  expect(decisionsWords(numbers.decisions)).toBe("1 × step up, 1 × stay");
  const done = rowOf(f, "done");
  const missed = done?.series
    .find((s) => s.key === "planned")
    ?.points.find((p) => p.on === mondayOf("2026-01-22"));
  expect(missed?.value).toBe(2);
  expect(missed?.note.map(sayPlainly)).toEqual(["not done: Gym of 2026-01-22"]);
  // outside of everything there is nothing
  expect(spanOf(f, rows, { from: "2026-04-01", to: "2026-04-20" })).toMatchObject({ visits: 0, lines: [] });
});

test("what a chair takes falls as the leg is known to be stronger, and what nobody can say is no point", () => {
  const at = (on: string, torqueNm: number, heightM = 1.7, seatM = 0.46) => ({
    ...{ on, id: "chair_46", name: "rising from a 46 cm seat" },
    cost: costOf(
      bodyFrom(70, heightM),
      { kind: "chair", seatM },
      { movement: "knee_extension", ...surely("extension", torqueNm) },
      { chair: false, stairs: false },
    ),
  });
  const f = facts({
    costs: [at("2026-01-06", 80, 2.05, 0.1), at("2026-01-20", 80), at("2026-02-20", 110)],
  });
  const points = rowOf(f, "cost chair_46")?.series[0]?.points ?? [];
  expect(points.map((p) => p.on)).toEqual(["2026-01-20", "2026-02-20"]);
  expect(points[1]?.value).toBeLessThan(points[0]?.value ?? 0);
});

test("values are read as words where they are a scale, angles without a gap", () => {
  expect(valueWords({ scale: ["none", "trace"], digits: 0, unit: "grade" }, 1)).toBe("trace");
  expect(valueWords({ scale: null, digits: 0, unit: "°" }, 117.4)).toBe("117°");
  expect(valueWords({ scale: null, digits: 1, unit: "kg" }, 12.5)).toBe(kgWords(12.5));
});

test("nothing yet is no row and no error", () => {
  expect(rowsOfReview(facts())).toEqual([]);
});

test("what travels packed comes out as it was, and is much shorter where years repeat themselves", () => {
  const word = fc.constantFrom("stays", "steps on", "", "#", "null", "ü → ß");
  const many = fc.array(
    fc.record({
      on: fc.integer({ min: 0, max: 80 }),
      sentence: word,
      reason: fc.option(word),
      hard: fc.double({ min: 0, max: 300, noNaN: true }),
    }),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(many, many, (decided, visited) => {
      const f = facts({
        visits: visited.map((v, i) => visit({ id: String(i), on: daysAfter(FROM, v.on), hardReps: v.hard })),
        decisions: decided.map((d) => ({
          on: daysAfter(FROM, d.on),
          lineId: d.reason,
          line: d.sentence,
          action: "HOLD",
          computed: "REGRESS",
          sentence: d.sentence,
          reason: d.reason,
          by: "somebody",
        })),
        lines: [
          { lineId: "a", name: "press", of: "load", points: [] },
          {
            lineId: "b",
            name: "hold",
            of: "angle",
            points: visited.map((v) => ({
              on: daysAfter(FROM, v.on),
              value: v.hard,
              reps: null,
              how: v.reason,
              pain: null,
              stopped: false,
              seen: v.hard % 2 === 0 ? null : { faults: ["jerk" as const], cleanPct: v.hard },
              reached: "in" as const,
            })),
          },
        ],
      });
      expect(unpacked(packed(f))).toEqual(f);
    }),
  );
  const years = facts({
    visits: Array.from({ length: 1500 }, (_, i) => visit({ on: daysAfter(FROM, 2 * i) })),
  });
  expect(packed(years).length).toBeLessThan(JSON.stringify(years).length / 2);
});

test("every number of a span opens a working that is about it: the value, its doubt, what it came from, a source", () => {
  const f = facts({
    visits: [
      visit({ on: "2026-01-06", hardReps: 12, swelling: 1 }),
      visit({ on: "2026-01-08", hardReps: 9 }),
      visit({ on: "2026-02-03", painWorst: 5, painAfter: 4, swelling: 0 }),
    ],
    strength: [
      strength("2026-01-05", "right", 90),
      strength("2026-01-05", "left", 120),
      strength("2026-03-02", "right", 110),
      strength("2026-03-02", "left", 120),
    ],
  });
  const rows = rowsOfReview(f);
  const span = spanOf(f, rows, { from: f.from, to: f.to });
  expect(span.lines.length).toBeGreaterThan(6);
  for (const l of span.lines)
    for (const [words, of] of [
      [l.first, l.firstOf],
      [l.last ?? l.first, l.lastOf],
    ] as const) {
      // a scale is read in words
      if (/\d/.test(words)) expect(words).toContain(of.value.toFixed(l.digits));
      expect(sayPlainly(of.working.formula).length).toBeGreaterThan(10);
      expect(sayPlainly(of.working.source).length).toBeGreaterThan(5);
      expect(of.working.inputs[0]?.value).toBe(words);
    }
  const of = (id: string) => span.lines.find((l) => l.id.startsWith(id));
  // the week's sum and the visits that it is the sum of
  const week = of("hard")?.firstOf;
  const parts = week?.working.inputs.filter((i) => sayPlainly(i.name).startsWith("visit of")) ?? [];
  expect(parts).toHaveLength(2);
  expect(parts.reduce((sum, i) => sum + Number(i.value), 0)).toBe(week?.value);
  // a share of the other leg names both; what a bar runs through is no doubt of it
  expect(of("symmetry")?.lastOf.working.inputs.map((i) => i.value)).toEqual(
    expect.arrayContaining(["110 N·m", "120 N·m"]),
  );
  expect(of("symmetry")?.lastOf.doubt).toBeGreaterThan(5);
  expect(of("pain")?.lastOf.doubt).toBeNull();
});

test("what the leg can do stands once a day with its band, and says what moved it", () => {
  const moved = (on: string, toNm: number, kind: "trial" | "sets") => ({
    on,
    id: `${on} ${kind}`,
    kind,
    stationId: null,
    fromNm: 90,
    toNm,
    sd: 0.1,
    odd: null,
  });
  const f = facts({
    can: {
      knee_extension: [
        moved("2026-01-05", 100, "trial"),
        moved("2026-01-05", 104, "sets"),
        { ...moved("2026-01-08", 110, "sets"), odd: "waits" },
        moved("2026-01-08", 110, "sets"),
      ],
      knee_flexion: [],
    },
  });
  const points = rowOf(f, "can knee_extension")?.series[0]?.points ?? [];
  expect(points.map((p) => [p.on, p.value])).toEqual([
    ["2026-01-05", 104],
    ["2026-01-08", 110],
  ]);
  expect(points[1]?.low ?? 0).toBeCloseTo(110 * Math.exp(-0.128), 6);
  expect(points.map((p) => p.note)).toEqual([
    [{ code: "review.by_sets" }],
    [{ code: "review.by_sets" }, { code: "review.odd_waits" }],
  ]);
  expect(rowOf(f, "can knee_flexion")).toBeUndefined();
});

test("what hurts in its way narrows or goes, each leg by itself, with the load it was found at", () => {
  const found = (
    takenOn: string,
    value: number,
    fromDeg: number | null,
    toDeg: number | null,
    side = "right",
  ) => ({
    ...{ kind: "painful_arc" as const, way: null, moved: "closed" as const, loadKg: 10, takenOn, value },
    ...{ fromDeg, toDeg, side: side as "left" | "right" },
    ...{ armsUsed: null, stepM: null, steps: null, machineId: null, test: null },
  });
  const f = facts({
    measurements: [
      found("2026-02-09", 0, null, null),
      found("2026-01-05", 5, 40, 70),
      found("2026-01-19", 3, 45, 60),
      found("2026-01-05", 2, 30, 40, "left"),
    ],
  });
  const row = rowOf(f, "painful closed");
  expect(row?.series.map((s) => s.points.map((p) => p.value))).toEqual([[30, 15, 0], [10]]);
  expect(row?.series[0]?.points.map((p) => p.note.map((n) => sayPlainly(n).replace("\u00a0", " ")))).toEqual([
    ["40° to 70°, 5 of 10 with 10 kg"],
    ["45° to 60°, 3 of 10 with 10 kg"],
    [],
  ]);
  expect(sayPlainly(row?.name ?? "")).toBe("angles that hurt: pressing, standing");
  expect(rowOf(f, "painful extension")).toBeUndefined();
});

test("what was seen of a line stands beside the visit in which it was, with how much was clean", () => {
  const at = (on: string, seen: { faults: FaultId[]; cleanPct: number } | null) => ({
    ...{ on, value: 40, reps: 10, how: null, pain: 1, stopped: false, reached: "top" as const, seen },
  });
  const points = [at("2026-01-06", { faults: ["knee_in", "jerk"], cleanPct: 62 }), at("2026-01-08", null)];
  const row = rowOf(facts({ lines: [{ lineId: "a", name: "press", of: "load", points }] }), "line a");
  const notes = row?.series[0]?.points.map((p) => p.note.map((n) => sayPlainly(n)).join("; "));
  expect(notes?.[0]).toContain("seen: knee falls in, jerk or bounce; 62 % clean");
  expect(notes?.[1]).not.toContain("seen");
});

test("how hard visits were is a row of its own, only where somebody said it (Visit's effort)", () => {
  const row = rowOf(
    facts({ visits: [visit({ on: "2026-01-05", effort: 7 }), visit({ on: "2026-01-08" })] }),
    "effort",
  );
  expect(row?.series.flatMap((x) => x.points.map((p) => [p.on, p.value]))).toEqual([["2026-01-05", 7]]);
});
