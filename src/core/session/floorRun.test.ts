import fc from "fast-check";
import { exerciseSeconds } from "../dose/holdSeconds";
import {
  eventsFromRecords,
  type RunEvent,
  type RunPlan,
  resumed,
  runSeconds,
  runState,
  undoLast,
} from "./floorRun";
import type { HoldRecord } from "./holdRecord";

const plan: RunPlan = { holdS: 30, reps: 3, sets: 1, restS: 60, setRestS: 0, painMax: 3 };
const T0 = 1_000_000;

/** One hold, entered at second `from`. */
const hold = (from: number, seq: number, before = 1, after = 1, heldS = 30): RunEvent[] => [
  { type: "pain-before", score: before, at: T0 + from * 1000 },
  { type: "hold-start", at: T0 + from * 1000 },
  { type: "hold-end", at: T0 + (from + heldS) * 1000, early: heldS < 30 ? "muscle" : null, meanForceN: null },
  { type: "pain-after", score: after, at: T0 + (from + heldS) * 1000, recordId: `r${seq}` },
];

test("three holds lead to closing, then finished", () => {
  const events = [...hold(0, 1), ...hold(90, 2), ...hold(180, 3)];
  const s = runState(plan, events);
  expect(s.phase).toBe("closing");
  expect(s.stopped).toBeNull();
  expect(s.holds.map((h) => h.heldS)).toEqual([30, 30, 30]);
  const end = runState(plan, [...events, { type: "finish", painAtEnd: 1, feltEffort: 6, at: T0 }]);
  expect(end.phase).toBe("finished");
});

test("the rest starts when the hold should have ended, not when somebody taps", () => {
  const late: RunEvent[] = [
    ...hold(0, 1).slice(0, 2),
    { type: "hold-end", at: T0 + 33_000, early: null, meanForceN: null },
  ];
  const s = runState(plan, late);
  expect(s.holds[0]?.heldS).toBe(30);
  expect(s.restEndsAtMs).toBe(T0 + 90_000);
});

test("an early end is kept with its reason", () => {
  const s = runState(plan, hold(0, 1, 1, 1, 12));
  expect(s.holds[0]).toMatchObject({ heldS: 12, early: "muscle" });
});

describe("stop rules", () => {
  test("joint pain above the limit in a hold ends the holds", () => {
    const s = runState(plan, hold(0, 1, 2, 4));
    expect(s.phase).toBe("closing");
    expect(s.stopped).toMatch(/4 in the hold is above the limit of 3/);
  });
  test("joint pain above the limit before a hold ends the holds before it", () => {
    const s = runState(plan, [{ type: "pain-before", score: 5, at: T0 }]);
    expect(s).toMatchObject({ phase: "closing", holds: [] });
  });
  test("a jump of three points ends the holds even within the limit", () => {
    expect(runState(plan, hold(0, 1, 0, 3)).stopped).toMatch(/jumped from 0 to 3/);
  });
  test("a hold under way cannot be stopped away: it is ended and rated first", () => {
    const during: RunEvent[] = [...hold(0, 1).slice(0, 2), { type: "stop", reason: "x", at: T0 }];
    expect(runState(plan, during).phase).toBe("holding");
    expect(runState(plan, [...hold(0, 1), { type: "stop", reason: "no time", at: T0 }])).toMatchObject({
      phase: "closing",
      stopped: "no time",
      holds: [{ seq: 1 }],
    });
  });
});

test("a slip over the limit can be undone and names the record to take back", () => {
  const events = hold(0, 1, 1, 9);
  const undone = undoLast(events);
  expect(undone.takeBack).toBe("r1");
  expect(runState(plan, undone.events).phase).toBe("pain-after");
  const twice = undoLast(undone.events);
  expect(twice.takeBack).toBeNull();
  expect(runState(plan, twice.events).phase).toBe("ready");
});

test("events that do not fit change nothing, whatever is tapped in whatever order", () => {
  const event: fc.Arbitrary<RunEvent> = fc.oneof(
    fc.record({
      type: fc.constant("pain-before" as const),
      score: fc.integer({ min: 0, max: 10 }),
      at: fc.nat(1e6),
    }),
    fc.record({ type: fc.constant("hold-start" as const), at: fc.nat(1e6) }),
    fc.record({
      type: fc.constant("hold-end" as const),
      at: fc.nat(1e6),
      early: fc.constant(null),
      meanForceN: fc.constant(null),
    }),
    fc.record({
      type: fc.constant("pain-after" as const),
      score: fc.integer({ min: 0, max: 10 }),
      at: fc.nat(1e6),
      recordId: fc.uuid(),
    }),
    fc.record({ type: fc.constant("stop" as const), reason: fc.constant("x"), at: fc.nat(1e6) }),
  );
  fc.assert(
    fc.property(fc.array(event, { maxLength: 40 }), (events) => {
      const s = runState(plan, events);
      expect(s.holds.length).toBeLessThanOrEqual(3);
      expect(new Set(s.holds.map((h) => h.seq)).size).toBe(s.holds.length);
      for (const h of s.holds) {
        expect(h.heldS).toBeGreaterThanOrEqual(0);
        expect(h.heldS).toBeLessThanOrEqual(30);
      }
    }),
  );
});

test("a run goes on from the clinic's records on another tablet", () => {
  const record = (over: Partial<HoldRecord>): HoldRecord => ({
    id: "a",
    seq: 1,
    corrects: null,
    voided: false,
    startedAt: "2026-03-02T10:00:00.000Z",
    heldS: 30,
    painBefore: 1,
    painAfter: 2,
    early: null,
    meanForceN: 90,
    ...over,
  });
  const records = [
    record({}),
    record({ id: "b", seq: 2 }),
    record({ id: "c", seq: 2, corrects: "b", voided: true }),
  ];
  const s = runState(plan, eventsFromRecords(records));
  expect(s).toMatchObject({ phase: "pain-before", seq: 2 });
  expect(s.holds).toMatchObject([{ recordId: "a", painAfter: 2, meanForceN: 90 }]);
});

test("a hold that nobody watched to its end is not counted when the page comes back", () => {
  const during = hold(0, 1).slice(0, 2);
  expect(resumed(plan, during, T0 + 20_000)).toEqual({ events: during, lostHold: false });
  expect(resumed(plan, during, T0 + 32_000)).toEqual({ events: during, lostHold: false });
  const later = resumed(plan, during, T0 + 3_600_000);
  expect(later.lostHold).toBe(true);
  expect(runState(plan, later.events)).toMatchObject({ phase: "ready", holds: [], painBefore: 1 });
  expect(resumed(plan, hold(0, 1), T0 + 3_600_000).lostHold).toBe(false);
});

test("the plan's minutes are the floor's own timers plus the set-up", () => {
  for (const p of [plan, { ...plan, sets: 3, setRestS: 120 }, { ...plan, reps: 1 }])
    expect(exerciseSeconds(p)).toBe(runSeconds(p) + 30);
});
