import fc from "fast-check";
import { demandNm } from "../../capacity/station";
import { judgeScore } from "../../sheet/judge/judgeScore";
import { keep } from "../../sheet/judge/keep";
import type { KeptLine } from "../../sheet/line/keptLine";
import { lineIdOf } from "../../testdata/keptLines";
import { EXAMPLES, line, scoreContext, withTests } from "../../testdata/scoreContext";
import { currentTask, type VisitState, visitState } from "../run";
import type { VisitEvent } from "../visitEvent";
import { offerFor } from "./offer";
import { offersAreOpen } from "./offersAreOpen";

const base = scoreContext();
const machineName = base.sheet.machines.find((m) => m.family === "seated_press")?.name ?? "";
const context = withTests(base, [{ machineName, twoLegs: true, loadKg: 70, reps: 10, reserve: 2 }]);
/** A press of three sets of ten with two left, as it is kept. */
function kept(over: Partial<KeptLine> = {}): KeptLine {
  const planned = {
    ...line("lp_horizontal", EXAMPLES.straight, { loadKg: 60, ladder: { of: "reps", least: 8, most: 12 } }),
    lineId: lineIdOf(1),
  };
  const [judged] = judgeScore([planned], context);
  if (!judged || judged.bars.length > 0) throw new Error("barred");
  return { ...keep(judged as never, context, new Map()), ...over };
}

/** Everything up to the rating of so many sets. */
function after(
  l: KeptLine,
  sets: { pain?: number; reserve: number | null; reps?: number; early?: "muscle" }[],
) {
  const events: VisitEvent[] = [
    { type: "set-up", lineId: l.lineId, pins: true, at: 0 },
    { type: "pain-before", score: 1, at: 1 },
  ];
  sets.forEach((x, i) => {
    const at = 1000 * (i + 1) * 100;
    events.push(
      { type: "start", task: { lineId: l.lineId, set: i, leg: "both", bout: 0 }, at },
      {
        type: "end",
        at: at + 40_000,
        early: x.early ?? null,
        reps: x.reps ?? null,
        meanForceN: null,
        range: null,
        countedBy: "tap",
      },
      {
        type: "rate",
        pain: x.pain ?? 1,
        reps: null,
        reserve: x.reserve,
        felt: null,
        recordId: lineIdOf(100 + i),
        at: at + 41_000,
      },
    );
  });
  return events;
}
const state = (l: KeptLine, events: VisitEvent[]): VisitState => visitState([l], events);
const take = (s: VisitState, at: number): VisitEvent => {
  const o = offerFor(s);
  if (!o) throw new Error("nothing offered");
  return { type: "take", lineId: o.lineId, loadKg: o.loadKg, reps: o.reps, at };
};

test("a set that was far too easy offers a harder one; one tap takes it, and it is logged as really set", () => {
  const l = kept();
  const s = state(l, after(l, [{ reserve: 5 }]));
  const o = offerFor(s);
  expect(o).toMatchObject({ isMore: true });
  expect(o?.loadKg ?? 0).toBeGreaterThan(60);
  const taken = visitState([l], [...after(l, [{ reserve: 5 }]), take(s, 200_000)]);
  expect(currentTask(taken)).toMatchObject({ loadKg: o?.loadKg, how: o?.how, reps: o?.reps, plannedKg: 60 });
  expect(offerFor(taken)).toBeNull();
});

test("staying is answered too; what is not offered is not taken", () => {
  const l = kept();
  const events = after(l, [{ reserve: 5 }]);
  const stayed = state(l, [...events, { type: "stay", lineId: l.lineId, at: 200_000 }]);
  expect(offerFor(stayed)).toBeNull();
  expect(currentTask(stayed)?.loadKg).toBe(60);
  const forged = state(l, [
    ...events,
    { type: "take", lineId: l.lineId, loadKg: 500, reps: 10, at: 200_000 },
  ]);
  expect(currentTask(forged)?.loadKg).toBe(60);
});

test("pain, an unasked reserve, a set as hard as planned and a day that bars it offer nothing", () => {
  const l = kept();
  expect(offerFor(state(l, after(l, [{ reserve: 5, pain: 3 }])))).toBeNull();
  expect(offerFor(state(l, after(l, [{ reserve: null }])))).toBeNull();
  expect(offerFor(state(l, after(l, [{ reserve: 2 }])))).toBeNull();
  expect(offerFor(state(kept({ offers: null }), after(l, [{ reserve: 5 }])))).toBeNull();
});

test("two steps a visit and no more; strict one", () => {
  const rises = (l: KeptLine) => {
    let events: VisitEvent[] = after(l, []);
    let taken = 0;
    for (let i = 0; i < 6; i++) {
      const s = state(l, events);
      const task = currentTask(s);
      if (!task) break;
      if (offerFor(s)) {
        events = [...events, take(s, 1_000_000 * (i + 1))];
        taken++;
      }
      const at = 1_000_000 * (i + 1) + 10_000;
      events = [
        ...events,
        { type: "start", task: { lineId: l.lineId, set: task.set, leg: "both", bout: 0 }, at },
        {
          type: "end",
          at: at + 1000,
          early: null,
          reps: null,
          meanForceN: null,
          range: null,
          countedBy: "tap",
        },
        {
          type: "rate",
          pain: 1,
          reps: null,
          reserve: 6,
          felt: null,
          recordId: lineIdOf(200 + i),
          at: at + 2000,
        },
        { type: "add-set", lineId: l.lineId, at: at + 3000 },
      ];
    }
    return taken;
  };
  const l = kept();
  expect(rises(l)).toBe(2);
  expect(rises({ ...l, offers: l.offers && { ...l.offers, care: "strict" } })).toBe(1);
});

test("a set with another aid, or in which another region hurt, offers nothing harder (Aid 2, Region 3)", () => {
  const l = kept();
  const easy = after(l, [{ reserve: 5 }]);
  expect(offerFor(state(l, easy))).not.toBeNull();
  const wrap: VisitEvent = { type: "aid", lineId: l.lineId, worn: "tight_wrap", help: "none", at: 150_000 };
  expect(offerFor(state(l, [...easy, wrap]))).toBeNull();
  // a sleeve carries nothing
  expect(offerFor(state(l, [...easy, { ...wrap, worn: "sleeve" }]))).not.toBeNull();
  const withBack = (pain: number) =>
    easy.map((e) => (e.type === "rate" ? { ...e, elsewhere: [{ region: "back_low" as const, pain }] } : e));
  expect(offerFor(state(l, withBack(2)))).not.toBeNull();
  expect(offerFor(state(l, withBack(3)))).toBeNull();
});

test("what was taken as offered in a wrap goes back to the plan when the wrap comes off (Aid 2)", () => {
  const l = kept();
  const wrap: VisitEvent = { type: "aid", lineId: l.lineId, worn: "tight_wrap", help: "none", at: 0 };
  const easy = [wrap, ...after(l, [{ reserve: 9 }])];
  const o = offerFor(state(l, easy));
  if (!o?.loadKg) throw new Error("nothing was offered");
  const taken: VisitEvent[] = [
    ...easy,
    { type: "take", lineId: l.lineId, loadKg: o.loadKg, reps: o.reps, at: 150_000 },
  ];
  expect(currentTask(state(l, taken))?.loadKg).toBe(o.loadKg);
  const off: VisitEvent = { ...wrap, worn: "none", at: 160_000 };
  const bare = currentTask(state(l, [...taken, off]));
  expect(bare?.loadKg).toBe(bare?.plannedKg);
  expect(bare?.loadKg).toBeLessThan(o.loadKg);
});

test("a muscle that gave out offers less, at least a twentieth of it; strictly the line ends and says so", () => {
  const l = kept();
  const s = state(l, after(l, [{ reserve: 0, reps: 6, early: "muscle" }]));
  const o = offerFor(s);
  expect(o?.isMore).toBe(false);
  expect(o?.loadKg ?? 999).toBeLessThan(60);
  const strict = { ...l, offers: l.offers && { ...l.offers, care: "strict" as const } };
  const ended = state(strict, after(strict, [{ reserve: 0, reps: 6, early: "muscle" }]));
  expect(ended.ended[l.lineId]).toMatch(/gave_out/);
});

test("nothing that is offered leaves the open loads or asks a quarter more at once, whatever was said", () => {
  let offered = 0;
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 10 }),
      fc.integer({ min: 1, max: 14 }),
      fc.constantFrom("low" as const, "moderate" as const, "strict" as const),
      (reserve, reps, care) => {
        const l = kept();
        const own = { ...l, offers: l.offers && { ...l.offers, care } };
        const o = offerFor(state(own, after(own, [{ reserve, reps }])));
        if (!o || o.loadKg === null || !own.station) return;
        offered++;
        expect(own.offers?.loads.map((x) => x.loadKg)).toContain(o.loadKg);
        const rise = demandNm(own.station, o.loadKg) / demandNm(own.station, 60);
        expect(rise).toBeLessThanOrEqual(care === "strict" ? 1.15 + 1e-9 : 1.25 + 1e-9);
        expect(o.reps).toBeGreaterThanOrEqual(Math.min(8, reps));
      },
    ),
    { numRuns: 150 },
  );
  expect(offered).toBeGreaterThan(20);
});

test("a sore or swollen morning within a week closes offers; strict people need the last morning answered", () => {
  const at = { today: "2026-03-20", isStrict: false, painMax: 3, usualPain: 1 };
  const well = { pain: 1, swelling: 0 };
  expect(offersAreOpen([], { ...at, isStrict: true })).toBe(true);
  expect(offersAreOpen([{ day: "2026-03-18", morning: null }], at)).toBe(true);
  expect(offersAreOpen([{ day: "2026-03-18", morning: null }], { ...at, isStrict: true })).toBe(false);
  expect(offersAreOpen([{ day: "2026-03-18", morning: well }], { ...at, isStrict: true })).toBe(true);
  expect(offersAreOpen([{ day: "2026-03-14", morning: { pain: 5, swelling: 0 } }], at)).toBe(false);
  expect(offersAreOpen([{ day: "2026-03-12", morning: { pain: 5, swelling: 0 } }], at)).toBe(true);
  expect(offersAreOpen([{ day: "2026-03-18", morning: { pain: 1, swelling: 2 } }], at)).toBe(false);
  // two over the usual is a flare, however much is allowed
  const two = { day: "2026-03-18", morning: { pain: 3, swelling: 0 } };
  expect(offersAreOpen([two], at)).toBe(false);
  expect(offersAreOpen([two], { ...at, usualPain: 2 })).toBe(true);
});
