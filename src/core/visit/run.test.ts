import fc from "fast-check";
import type { KeptLine } from "../sheet/line/keptLine";
import type { Legs } from "../sheet/line/legs";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { type Scheme, setsOf } from "../sheet/schemes/scheme";
import { runSeconds, runThrough } from "../sheet/time/runThrough";
import { keptLines, lineIdOf } from "../testdata/keptLines";
import { EXAMPLES } from "../testdata/scoreContext";
import { robot } from "../testdata/visitRobot";
import { asKept } from "../units/said";
import { recordOf } from "./recordOf";
import { currentTask, startOf, visitState } from "./run";
import type { SetRecord } from "./setRecord";
import { runLineOfKept, taskKey } from "./tasks";
import { eventsOf, type LogEntry, lastUndone, type VisitEvent } from "./visitEvent";

/** The place of a record in its visit: at most one record of a place stands. */
const placeOf = (r: Pick<SetRecord, "lineId" | "setNo" | "leg" | "boutNo">): string =>
  `${r.lineId} ${r.setNo} ${r.leg} ${r.boutNo}`;

const line = (exerciseId: string, scheme: Scheme, legs: Legs, over: Partial<ScoreLine> = {}): ScoreLine => ({
  exerciseId,
  scheme,
  legs,
  window: null,
  sharesRests: false,
  ...over,
});

const { holds, straight, ramp, climb, accumulated, drop, partials, pulses, light, lowering, carry, stretch } =
  EXAMPLES;
const two = EXAMPLES.two_up_one_down;
/** One line of every scheme, each on something it is done on. */
const EVERY: ScoreLine[] = [
  line("kext_iso_machine", holds, "one"),
  line("lp_horizontal", straight, "together"),
  line("sq_hack", ramp, "together"),
  line("lp_horizontal", climb, "together"),
  line("curl_seated", accumulated, "together"),
  line("kext_single", drop, "one"),
  line("curl_partials_hold", partials, "together"),
  line("kext_terminal_pulses", pulses, "one"),
  line("kext_light_high_rep", light, "together"),
  line("kneel_lower_reach", lowering, "together"),
  line("lp_2up1down", two, "in_turns"),
  line("lunge_walking", carry, "alternating"),
  line("str_hamstring", stretch, "one_after_other"),
];
const all = keptLines(EVERY);
const [hold, press] = keptLines([EVERY[0] as ScoreLine, EVERY[1] as ScoreLine]) as [KeptLine, KeptLine];

test.each(all.map((l) => [l.kind, l] as const))("%s runs from its first set to its end", (_, l) => {
  const { events } = robot([l]);
  const state = visitState([l], events);
  expect(state.phase).toBe("finished");
  expect(state.tasks.some((t) => t.status === "open")).toBe(false);
  expect(state.done.length).toBeGreaterThan(0);
});

test("a whole sheet runs line after line; the minutes said beforehand are the run's own", () => {
  const sheet = keptLines([
    EVERY[0] as ScoreLine,
    EVERY[2] as ScoreLine,
    line("kext_single", { ...straight, restS: 120 }, "in_turns"),
    line("curl_seated", straight, "together", { sharesRests: true }),
    line("curl_single", holds, "one_after_other"),
  ]);
  const { events, seconds } = robot(sheet);
  const state = visitState(sheet, events);
  expect(state.phase).toBe("finished");
  expect(state.done).toHaveLength(state.tasks.length);
  expect(seconds).toBeCloseTo(runSeconds(runThrough(sheet.map(runLineOfKept))), 3);
});

test("for any holds the run takes just as long as the timers say", () => {
  fc.assert(
    fc.property(
      fc.record({
        holdS: fc.integer({ min: 3, max: 60 }),
        reps: fc.integer({ min: 1, max: 6 }),
        sets: fc.integer({ min: 1, max: 3 }),
        restS: fc.integer({ min: 5, max: 120 }),
        setRestS: fc.integer({ min: 121, max: 240 }),
      }),
      (p) => {
        const l: KeptLine = {
          ...hold,
          sets: setsOf({ ...holds, ...p }).map((s) => ({ ...s, loadKg: 5, how: "pin 1" })),
        };
        const { events, seconds } = robot([l]);
        expect(visitState([l], events).done).toHaveLength(p.reps * p.sets);
        expect(seconds).toBeCloseTo(runSeconds(runThrough([runLineOfKept(l)])), 3);
      },
    ),
    { numRuns: 60 },
  );
});

test("pairs go round by round: the second line stands in the first one's rests", () => {
  const pair = keptLines([
    line("lp_horizontal", straight, "together"),
    line("curl_seated", straight, "together", { sharesRests: true }),
  ]);
  const order = startOf(pair).tasks.map((t) => t.lineId);
  expect(order.slice(0, 4)).toEqual([lineIdOf(1), lineIdOf(2), lineIdOf(1), lineIdOf(2)]);
});

test("a line that needs its pins does not start without the tick", () => {
  expect(press.needsPins).toBe(true);
  const without: VisitEvent = { type: "set-up", lineId: press.lineId, pins: false, at: 1 };
  expect(visitState([press], [without]).phase).toBe("set-up");
  expect(visitState([press], [{ ...without, pins: true }]).phase).toBe("pain-before");
});

const begun = (l: KeptLine): VisitEvent[] => [
  { type: "set-up", lineId: l.lineId, pins: true, at: 0 },
  { type: "pain-before", score: 1, at: 0 },
  {
    type: "start",
    task: { lineId: l.lineId, set: 0, leg: startOf([l]).tasks[0]?.leg ?? "both", bout: 0 },
    at: 1000,
  },
];
const end = (at: number, over: Partial<Extract<VisitEvent, { type: "end" }>> = {}): VisitEvent => ({
  type: "end",
  at,
  early: null,
  reps: null,
  meanForceN: null,
  range: null,
  countedBy: "tap",
  ...over,
});
const rate = (pain: number, n: number, reserve: number | null = null): VisitEvent => ({
  type: "rate",
  pain,
  reps: null,
  reserve,
  felt: null,
  recordId: lineIdOf(900 + n),
  at: 60_000,
});

test("joint pain above the limit ends the line, and the next line is set up", () => {
  const lines = [hold, press];
  const over = visitState(lines, [...begun(hold), end(46_000), rate(hold.painMax + 1, 1)]);
  expect(over.phase).toBe("set-up");
  expect(currentTask(over)?.lineId).toBe(press.lineId);
  expect(over.ended[hold.lineId]).toMatch(/floor.pain_in/);
  const before = visitState(lines, [
    { type: "set-up", lineId: hold.lineId, pins: true, at: 0 },
    { type: "pain-before", score: hold.painMax + 1, at: 0 },
  ]);
  expect(currentTask(before)?.lineId).toBe(press.lineId);
});

test("a jump of three ends the line also below the limit", () => {
  const s = visitState([{ ...hold, painMax: 9 }], [...begun(hold), end(46_000), rate(4, 1)]);
  expect(s.ended[hold.lineId]).toBe(asKept({ code: "floor.pain_jumped", ...{ from: 1, to: 4 } }));
});

test("a stop in a running hold ends it, asks how it was, and closes the visit", () => {
  const s = visitState([hold, press], [...begun(hold), { type: "stop", reason: "dizzy", at: 11_000 }]);
  expect(s).toMatchObject({ phase: "rating", stopped: "dizzy" });
  const rated = visitState(
    [hold, press],
    [...begun(hold), { type: "stop", reason: "dizzy", at: 11_000 }, rate(1, 1)],
  );
  expect(rated).toMatchObject({ phase: "closing", stopped: "dizzy" });
  expect(rated.done[0]).toMatchObject({ workedS: 10, early: "other" });
});

test("a short hold is kept as short, with why; half a second is a finger's beat", () => {
  const held = (at: number) =>
    visitState([hold], [...begun(hold), end(at, { early: "muscle" }), rate(1, 1)]).done[0];
  expect(held(31_000)).toMatchObject({ workedS: 30, early: "muscle" });
  expect(held(45_800)).toMatchObject({ early: null });
  // of 45 s: 44.5 is whole, a moment less is short
  expect(held(45_500)).toMatchObject({ workedS: 44.5, early: null });
  expect(held(45_400)).toMatchObject({ workedS: 44.4, early: "muscle" });
  expect(held(42_000)).toMatchObject({ early: "muscle" });
});

test("the other leg does what the first one did, and no more", () => {
  const [l] = keptLines([line("kext_single", straight, "in_turns")]) as [KeptLine];
  const s = visitState([l], [...begun(l), end(20_000, { reps: 7 }), rate(1, 1)]);
  expect(currentTask(s)).toMatchObject({ leg: "second", set: 0, reps: 7 });
});

test("an accumulated set counts to its total and not beyond", () => {
  const [l] = keptLines([EVERY[4] as ScoreLine]) as [KeptLine];
  const total = l.total ?? 0;
  const counted = (reps: number) => {
    const { events } = robot([l], { reps });
    return visitState([l], events).done.map((d) => d.reps ?? 0);
  };
  const many = counted(12);
  expect(many.reduce((a, b) => a + b, 0)).toBe(total);
  const few = counted(3);
  expect(few).toHaveLength(Math.min(9, Math.ceil(total / 3)));
  // fewer than two possible: it ends
  expect(counted(1)).toEqual([1]);
});

test("a climb ends where the next set would leave too few", () => {
  const [l] = keptLines([EVERY[3] as ScoreLine]) as [KeptLine];
  const least = l.leastReserve ?? 0;
  const s = visitState([l], [...begun(l), end(20_000), rate(1, 1, least)]);
  expect(s.phase).toBe("closing");
});

test("loads, added sets, skips and swaps change what is left and nothing that was done", () => {
  const id = press.lineId;
  const done = [...begun(press), end(30_000), rate(1, 1)];
  const [lighter] = press.lighter;
  if (!lighter) throw new Error("nothing lighter");
  const eased = visitState(
    [press],
    [...done, { type: "load", lineId: id, loadKg: lighter.loadKg, at: 70_000 }],
  );
  expect(eased.done[0]?.task.loadKg).toBe(press.sets[0]?.loadKg);
  expect(currentTask(eased)).toMatchObject(lighter);
  const more = visitState([press], [...done, { type: "add-set", lineId: id, at: 70_000 }]);
  expect(more.tasks).toHaveLength(eased.tasks.length + 1);
  const skipped = visitState([press], [...done, { type: "skip", lineId: id, what: "line", at: 70_000 }]);
  expect(skipped.phase).toBe("closing");
  const to: KeptLine = { ...hold, lineId: id };
  const swapped = visitState([press], [...done, { type: "swap", lineId: id, to, why: "hurts", at: 70_000 }]);
  expect(swapped.phase).toBe("set-up");
  expect(currentTask(swapped)).toMatchObject({ lineId: id, holdS: 45 });
  expect(swapped.done).toHaveLength(1);
});

test("a correction keeps the place and puts the numbers right", () => {
  const events = [...begun(press), end(30_000), rate(1, 1)];
  const s = visitState(
    [press],
    [
      ...events,
      {
        type: "correct",
        recordId: lineIdOf(901),
        newId: lineIdOf(999),
        pain: 2,
        reps: 8,
        reserve: 1,
        felt: null,
        at: 1,
      },
    ],
  );
  const [before] = visitState([press], events).done;
  const [after] = s.done;
  expect(after).toMatchObject({ recordId: lineIdOf(999), pain: 2, reps: 8, reserve: 1 });
  expect(placeOf(recordOf(after as never, "left"))).toBe(placeOf(recordOf(before as never, "left")));
});

const at = fc.integer({ min: 0, max: 600_000 });
const anyEvent = (lines: readonly KeptLine[]): fc.Arbitrary<LogEntry> => {
  const id = fc.constantFrom(...lines.map((l) => l.lineId));
  const task = fc.constantFrom(
    ...startOf(lines).tasks.map(({ lineId, set, leg, bout }) => ({ lineId, set, leg, bout })),
  );
  const score = fc.integer({ min: 0, max: 5 });
  return fc.oneof(
    {
      weight: 3,
      arbitrary: fc.record({ type: fc.constant("set-up" as const), lineId: id, pins: fc.constant(true), at }),
    },
    { weight: 4, arbitrary: fc.record({ type: fc.constant("pain-before" as const), score, at }) },
    { weight: 9, arbitrary: fc.record({ type: fc.constant("start" as const), task, at }) },
    { weight: 5, arbitrary: at.map((x) => end(x)) },
    {
      weight: 5,
      arbitrary: fc.record({
        type: fc.constant("rate" as const),
        pain: score,
        reps: fc.constant(null),
        reserve: fc.option(score),
        felt: fc.constant(null),
        recordId: fc.uuid(),
        at,
      }),
    },
    fc.record({
      type: fc.constant("load" as const),
      lineId: id,
      loadKg: fc.oneof(
        fc.integer({ min: 0, max: 90 }),
        fc.constantFrom(0, ...lines.flatMap((l) => l.lighter.map((x) => x.loadKg))),
      ),
      at,
    }),
    fc.record({ type: fc.constant("add-set" as const), lineId: id, at }),
    fc.record({
      type: fc.constant("skip" as const),
      lineId: id,
      what: fc.constantFrom("set" as const, "line" as const),
      at,
    }),
    { weight: 2, arbitrary: at.map((x): LogEntry => ({ type: "undo", at: x })) },
    at.map((x): LogEntry => ({ type: "stop", reason: "no time", at: x })),
  );
};

const sheet = keptLines([
  line("kext_iso_machine", { ...holds, reps: 2 }, "one"),
  line("kext_single", straight, "in_turns"),
  line("curl_seated", accumulated, "together"),
]);

test("no sequence of events makes a set appear twice or vanish", () => {
  fc.assert(
    fc.property(fc.array(anyEvent(sheet), { maxLength: 80 }), (log) => {
      const events = eventsOf(log);
      const s = visitState(sheet, events);
      const places = s.done.map((d) => placeOf(recordOf(d, "left")));
      expect(new Set(places).size).toBe(places.length);
      // every rating that was taken is one set, in order
      const rated = new Set(s.done.map((d) => d.recordId));
      expect(rated.size).toBe(s.done.length);
      expect(s.tasks.filter((t) => t.status === "done")).toHaveLength(s.done.length);
      expect(new Set(s.tasks.map(taskKey)).size).toBe(s.tasks.length);
    }),
    { numRuns: 400 },
  );
});

test("taking back undoes exactly one thing, keeps notes and corrections, and never starts a set in the past", () => {
  let ids = 0;
  const uuid = () => `00000000-0000-4000-8000-${String(ids++).padStart(12, "0")}`;
  const run = robot(sheet, { felt: 6, reserve: 4, ids: uuid }).events;
  let afterEnd = 0;
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: run.length }),
      fc.array(fc.nat(), { maxLength: 4 }),
      fc.boolean(),
      (n, notes, isStopped) => {
        const log: LogEntry[] = run.slice(0, n);
        const at = (log.at(-1)?.at ?? 0) + 1;
        if (isStopped) log.push({ type: "stop", reason: "Sharp pain", at });
        for (const where of notes)
          log.splice(where % (log.length + 1), 0, { type: "note", lineId: null, words: "seen", at });
        const events = eventsOf(log);
        const { left } = lastUndone(events);
        const gone = events.filter((e) => !left.includes(e));
        const what = events.findLast((e) => e.type !== "note")?.type;
        if (!what || what === "finish") return expect(gone).toEqual([]);
        const isEndOfSet = what === "end" || (what === "stop" && gone.length === 2);
        if (isEndOfSet) afterEnd++;
        expect(gone.map((e) => e.type)).toEqual(isEndOfSet ? ["start", what] : [what]);
        expect(visitState(sheet, left).phase).not.toBe("working");
      },
    ),
    { numRuns: 300 },
  );
  expect(afterEnd).toBeGreaterThan(10);
});

test("a note in a hold, or a correction, changes nothing of what taking back takes; a double tap is one tap", () => {
  const [id] = sheet.map((l) => l.lineId);
  const lineId = id as string;
  const task = { lineId, set: 0, leg: "both" as const, bout: 0 };
  const first = visitState(sheet, [
    { type: "set-up", lineId, pins: true, at: 1000 },
    { type: "pain-before", score: 1, at: 2000 },
  ]);
  const now = currentTask(first);
  const started: LogEntry[] = [
    { type: "set-up", lineId, pins: true, at: 1000 },
    { type: "pain-before", score: 1, at: 2000 },
    { type: "start", task: now ? { ...task, leg: now.leg } : task, at: 3000 },
  ];
  const end: LogEntry = {
    type: "end",
    at: 10_000,
    early: "other",
    reps: null,
    meanForceN: null,
    range: null,
    countedBy: "tap",
  };
  const note: LogEntry = { type: "note", lineId, words: "looked tired", at: 5000 };
  const undo = (at: number): LogEntry => ({ type: "undo", at });
  for (const log of [
    [...started, note, end, undo(20_000)],
    [...started, end, note, undo(20_000)],
  ]) {
    const s = visitState(sheet, eventsOf(log));
    expect(s.phase).toBe("ready");
    expect(eventsOf(log).filter((e) => e.type === "note")).toHaveLength(1);
  }
  const rate: LogEntry = {
    type: "rate",
    pain: 1,
    reps: null,
    reserve: null,
    felt: null,
    recordId: "00000000-0000-4000-8000-000000000001",
    at: 11_000,
  };
  const correct: LogEntry = {
    type: "correct",
    recordId: rate.recordId,
    newId: "00000000-0000-4000-8000-000000000002",
    pain: 2,
    reps: null,
    reserve: null,
    felt: null,
    at: 12_000,
  };
  expect(visitState(sheet, eventsOf([...started, end, rate, correct, undo(20_000)])).done).toHaveLength(1);
  // one tap takes back the pain before, a second one soon after is the same tap
  const twice = visitState(sheet, eventsOf([...started.slice(0, 2), undo(20_000), undo(20_200)]));
  expect(twice.setUp).toEqual([lineId]);
  const later = visitState(sheet, eventsOf([...started.slice(0, 2), undo(20_000), undo(21_000)]));
  expect(later.setUp).toEqual([]);
  // nor does it leave out two sets
  const skip = (at: number): LogEntry => ({ type: "skip", lineId, what: "set", at });
  const left = (log: LogEntry[]) =>
    visitState(sheet, eventsOf(log)).tasks.filter((t) => t.status === "dropped").length;
  const one = left([...started.slice(0, 2), skip(30_000)]);
  expect(one).toBeGreaterThan(0);
  expect(left([...started.slice(0, 2), skip(30_000), skip(30_250)])).toBe(one);
  // a stop in the middle of a hold, taken back, does not let it run on from where it began
  const stopped = [...started, { type: "stop" as const, reason: "Sharp pain", at: 9000 }, undo(20_000)];
  expect(visitState(sheet, eventsOf(stopped)).phase).toBe("ready");
});

test("a marked movement is scored before the first set and after the last, and at no other time (Marker 1)", () => {
  const { events } = robot([hold]);
  const [first, ...rest] = events as [VisitEvent, ...VisitEvent[]];
  const at = first.at;
  const scored = (when: "before" | "after", score: number): VisitEvent => ({
    ...{ type: "marker", kind: "half_squat", when, score, at },
  });
  const finish = rest.pop() as VisitEvent;
  const state = visitState(
    [hold],
    [
      // what is said of "after" before anything was done is nothing
      scored("after", 1),
      scored("before", 7),
      first,
      // said again it is put right
      scored("before", 6),
      ...rest,
      scored("before", 0),
      scored("after", 3),
      finish,
      scored("after", 9),
    ],
  );
  expect(state.phase).toBe("finished");
  expect(state.markers).toEqual([{ kind: "half_squat", before: 6, after: 3 }]);
  // with one more set under way it is not yet after the last
  expect(visitState([hold], [first, ...rest.slice(0, 3), scored("after", 2)]).markers).toEqual([]);
});
